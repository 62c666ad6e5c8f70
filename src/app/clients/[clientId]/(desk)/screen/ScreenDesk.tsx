"use client";
import { useRouter } from "next/navigation";
import { useMemo, useState } from "react";
import { z } from "zod";
import type { Consequence } from "@/core/rules/redFlags";
import { pressureCalledFor } from "@/core/screening/bloodPressure";
import { ANSWERS, type Answer } from "@/core/screening/screening";
import { readNumber } from "@/core/units/readNumber";
import { Field } from "@/ui/form/Field";
import { KeptDraft } from "@/ui/form/KeptDraft";
import { Problem } from "@/ui/form/Problem";
import { problemsByField } from "@/ui/form/problemsByField";
import { Words } from "@/ui/form/Words";
import { KeysHelp } from "@/ui/keys/KeysHelp";
import { Said } from "@/ui/reader";
import { useSendOnce } from "@/ui/useSendOnce";
import { foldedWords, Group, GroupNo } from "./Group";
import { QuestionRow } from "./QuestionRow";
import { useShown } from "./useShown";

export interface ScreenQuestion {
  id: string;
  area: string;
  question: string;
  consequence: Consequence;
  timeFrame: string;
  doNow: string;
  escalations: string[];
}

const AREA_WORDS: Record<string, string> = {
  knee: "The knee",
  hip: "The hip",
  back: "The back",
  "post-op": "After surgery",
  general: "In general",
};

const PRESSURE = "rf_bp";

/** Answers not signed yet; asked on another day they must be asked anew. */
const keptAnswers = (today: string) =>
  z.object({
    on: z.literal(today),
    id: z.uuid(),
    answers: z.record(z.string(), z.enum(ANSWERS)),
    escalations: z.record(z.string(), z.array(z.string())),
    inGroup: z.array(z.string()),
    systolic: z.string(),
    diastolic: z.string(),
    notTaken: z.string(),
  });

/** The questions of this client, to be asked anew, one by one: answered, dated and signed by who is signed in. */
export function ScreenDesk({
  clientId,
  questions,
  isDue,
  lastAnswers,
  pressure,
  today,
  mayAsk,
}: {
  clientId: string;
  questions: ScreenQuestion[];
  /** a whole screening is due now */
  isDue: boolean;
  lastAnswers: Record<string, Answer>;
  /** what may call for a blood-pressure reading */
  pressure: { ageYears: number; conditionIds: string[] };
  today: string;
  mayAsk: boolean;
}) {
  const router = useRouter();
  const [isAsking, setAsking] = useState(isDue && mayAsk);
  const [answers, setAnswers] = useState<Record<string, Answer>>({});
  const [escalations, setEscalations] = useState<Record<string, string[]>>({});
  const [systolic, setSystolic] = useState("");
  const [diastolic, setDiastolic] = useState("");
  const [notTaken, setNotTaken] = useState("");
  const [inGroup, setInGroup] = useState<ReadonlySet<string>>(new Set());
  const [problems, setProblems] = useState<Record<string, string>>({});
  const [id, setId] = useState<string>(() => crypto.randomUUID());
  const sendOnce = useSendOnce(id);
  const shape = useMemo(() => keptAnswers(today), [today]);
  const areas = [...new Set(questions.map((q) => q.area))].sort(
    (a, b) => Object.keys(AREA_WORDS).indexOf(a) - Object.keys(AREA_WORDS).indexOf(b),
  );
  // in the order in which they stand on the page
  const ordered = areas.flatMap((area) => questions.filter((q) => q.area === area));
  const open = ordered.filter((q) => !answers[q.id]);
  const [at, setAt] = useState(0);
  const current = ordered[at] ?? null;
  const shown = useShown(
    isAsking,
    ordered.map((q) => q.id),
  );
  const goTo = (next: number) => {
    const to = Math.max(0, Math.min(ordered.length - 1, next));
    setAt(to);
    document.querySelector(`[data-question="${ordered[to]?.id}"]`)?.scrollIntoView({ block: "center" });
  };
  const answer = (questionId: string, given: Answer) => {
    setAnswers((all) => ({ ...all, [questionId]: given }));
    setInGroup((all) => new Set([...all].filter((x) => x !== questionId)));
  };
  // one key, one row: the next question is the next key
  const byKey = (given: Answer) => {
    if (!isAsking || !current) return;
    answer(current.id, given);
    goTo(at + 1);
  };
  /** What is left of a group is answered no as a whole, once each of its questions was shown. */
  const groupIsNo = (area: string) => {
    const left = questions.filter((q) => q.area === area && !answers[q.id]).map((q) => q.id);
    setAnswers((all) => ({ ...all, ...Object.fromEntries(left.map((q) => [q, "no" as const])) }));
    setInGroup((all) => new Set([...all, ...left]));
  };
  const pressureBecause = pressureCalledFor({
    ...pressure,
    positiveIds: Object.entries(answers).flatMap(([q, a]) => (a === "no" ? [] : [q])),
  });
  const save = async () => {
    if (!isAsking) return;
    const reading = (text: string) => (text.trim() === "" ? null : readNumber(text));
    const sent = await sendOnce(
      `/api/clients/${clientId}/screenings`,
      (id) => ({
        id,
        answers: questions.flatMap((q) => {
          const given = answers[q.id];
          return given
            ? [
                {
                  questionId: q.id,
                  answer: given,
                  escalations: escalations[q.id] ?? [],
                  askedAs: inGroup.has(q.id) ? "group" : "one",
                },
              ]
            : [];
        }),
        systolicMmHg: reading(systolic),
        diastolicMmHg: reading(diastolic),
        pressureNotTaken: notTaken.trim() || null,
      }),
      "The answers are signed.",
    );
    if (!sent.ok) {
      setProblems(problemsByField(sent.problems));
      const wrong = new Set(sent.problems.map((p) => p.field));
      const first = ordered.find((q) => wrong.has(q.id)) ?? ordered.find((q) => q.id === PRESSURE);
      goTo(ordered.findIndex((q) => q.id === first?.id));
      const field = wrong.has("systolicMmHg") || wrong.has("diastolicMmHg") ? "[inputmode]" : "input";
      document
        .querySelector<HTMLElement>(
          `[data-question="${first?.id}"] ${wrong.has(first?.id ?? "") ? "input" : field}`,
        )
        ?.focus();
      return;
    }
    setAsking(false);
    router.refresh();
  };
  const count = Object.keys(problems).filter((k) => questions.some((q) => q.id === k)).length;
  return (
    <div className="px-4 py-4">
      <div className="flex items-baseline justify-between gap-4">
        <h1 className="text-[19px]">
          Is it safe to load?{" "}
          <span className="quiet text-[15px] font-normal">warning signs; unsure counts as yes</span>
        </h1>
        {mayAsk && !isAsking && (
          <button type="button" className="btn btn-sm btn-line" onClick={() => setAsking(true)}>
            Ask again
          </button>
        )}
      </div>
      {mayAsk && (
        <KeptDraft
          place={`screen ${clientId}`}
          shape={shape}
          draft={{
            ...{ on: today, id, answers, escalations, inGroup: [...inGroup] },
            ...{ systolic, diastolic, notTaken },
          }}
          isChanged={isAsking && Object.keys(answers).length > 0}
          what="the answers"
          onTake={(kept) => {
            setAsking(true);
            setId(kept.id);
            setAnswers(kept.answers);
            setEscalations(kept.escalations);
            setInGroup(new Set(kept.inGroup));
            setSystolic(kept.systolic);
            setDiastolic(kept.diastolic);
            setNotTaken(kept.notTaken);
          }}
        />
      )}
      {areas.map((area) => (
        <Group
          key={area}
          name={AREA_WORDS[area] ?? area}
          // what was answered reads as one line a group; what was not plainly no stays in sight
          folded={
            isAsking
              ? null
              : foldedWords(questions.filter((q) => q.area === area).map((q) => lastAnswers[q.id]))
          }
        >
          {questions
            .filter((q) => q.area === area)
            .map((q) => (
              <QuestionRow
                key={q.id}
                question={q}
                answer={isAsking ? (answers[q.id] ?? null) : (lastAnswers[q.id] ?? null)}
                escalations={escalations[q.id] ?? []}
                isAsking={isAsking}
                isCurrent={isAsking && q.id === current?.id}
                problem={problems[q.id]}
                onAnswer={(given) => {
                  answer(q.id, given);
                  setAt(ordered.findIndex((x) => x.id === q.id));
                }}
                onEscalate={(list) => setEscalations((all) => ({ ...all, [q.id]: list }))}
              >
                {q.id === PRESSURE && isAsking && (
                  <div className="mt-1 flex flex-wrap gap-x-6 gap-y-1">
                    {pressureBecause && (
                      <p className="small w-full">
                        A reading belongs here, because <Said>{pressureBecause}</Said>.
                      </p>
                    )}
                    <Field
                      label="reading today, upper"
                      name="systolicMmHg"
                      unit="mmHg"
                      inputMode="numeric"
                      className="!w-16"
                      value={systolic}
                      onChange={(e) => setSystolic(e.target.value)}
                      problem={problems.systolicMmHg}
                    />
                    <Field
                      label="lower"
                      name="diastolicMmHg"
                      unit="mmHg"
                      inputMode="numeric"
                      className="!w-16"
                      value={diastolic}
                      onChange={(e) => setDiastolic(e.target.value)}
                      problem={problems.diastolicMmHg}
                    />
                    {pressureBecause && systolic.trim() === "" && (
                      <div className="w-full max-w-[420px]">
                        <Words
                          label="or not taken, because"
                          name="pressureNotTaken"
                          value={notTaken}
                          onChange={(e) => setNotTaken(e.target.value)}
                          problem={problems.pressureNotTaken}
                        />
                      </div>
                    )}
                  </div>
                )}
              </QuestionRow>
            ))}
          {isAsking && (
            <GroupNo
              area={(AREA_WORDS[area] ?? area).toLowerCase()}
              left={questions.filter((q) => q.area === area && !answers[q.id]).length}
              notShown={questions.filter((q) => q.area === area && !shown.has(q.id)).length}
              onNo={() => groupIsNo(area)}
            />
          )}
        </Group>
      ))}
      {isAsking && (
        <div className="sticky bottom-0 mt-3 flex items-center gap-3 border-t border-rule bg-base-200 py-3">
          <button type="button" className="btn btn-primary btn-sm" onClick={save}>
            Sign the answers <kbd>S</kbd>
          </button>
          <span className="small quiet" aria-live="polite">
            {open.length === 0 ? "every question has an answer" : `${open.length} without an answer`}
          </span>
          <Problem
            sentence={
              problems.form ??
              (count ? `${count} ${count === 1 ? "question has" : "questions have"} no answer.` : null)
            }
          />
          <span className="ml-auto">
            <KeysHelp
              deeds={[
                { key: "s", words: "sign the answers", run: save },
                { key: "n", words: "no, and on to the next question", run: () => byKey("no") },
                { key: "u", words: "unsure, and on", run: () => byKey("unsure") },
                { key: "y", words: "yes, and on", run: () => byKey("yes") },
                { key: "j", words: "next question", run: () => isAsking && goTo(at + 1) },
                { key: "k", words: "previous question", run: () => isAsking && goTo(at - 1) },
              ]}
            />
          </span>
        </div>
      )}
    </div>
  );
}
