"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import type { Consequence } from "@/core/rules/redFlags";
import { DEED_SENTENCES } from "@/core/safety/roles";
import type { Answer } from "@/core/safety/screening";
import { readNumber } from "@/core/units/readNumber";
import { Field } from "@/ui/form/Field";
import { Problem } from "@/ui/form/Problem";
import { problemsByField } from "@/ui/form/problemsByField";
import { KeysHelp } from "@/ui/keys/KeysHelp";
import { send } from "@/ui/send";
import { QuestionRow } from "./QuestionRow";

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

/** The questions of this client, to be asked anew: answered, dated and signed by who is signed in. */
export function ScreenDesk({
  clientId,
  questions,
  isDue,
  lastAnswers,
  mayAsk,
}: {
  clientId: string;
  questions: ScreenQuestion[];
  /** a whole screening is due now */
  isDue: boolean;
  lastAnswers: Record<string, Answer>;
  mayAsk: boolean;
}) {
  const router = useRouter();
  const [isAsking, setAsking] = useState(isDue && mayAsk);
  const [answers, setAnswers] = useState<Record<string, Answer>>({});
  const [escalations, setEscalations] = useState<Record<string, string[]>>({});
  const [systolic, setSystolic] = useState("");
  const [diastolic, setDiastolic] = useState("");
  const [problems, setProblems] = useState<Record<string, string>>({});
  const [id] = useState(() => crypto.randomUUID());
  const open = questions.filter((q) => !answers[q.id]);
  const areas = [...new Set(questions.map((q) => q.area))].sort(
    (a, b) => Object.keys(AREA_WORDS).indexOf(a) - Object.keys(AREA_WORDS).indexOf(b),
  );
  const restIsNo = () =>
    setAnswers((all) => ({ ...Object.fromEntries(questions.map((q) => [q.id, "no" as const])), ...all }));
  const save = async () => {
    if (!isAsking) return;
    const reading = (text: string) => (text.trim() === "" ? null : readNumber(text));
    const sent = await send(`/api/clients/${clientId}/screenings`, {
      id,
      answers: questions.flatMap((q) => {
        const answer = answers[q.id];
        return answer ? [{ questionId: q.id, answer, escalations: escalations[q.id] ?? [] }] : [];
      }),
      systolicMmHg: reading(systolic),
      diastolicMmHg: reading(diastolic),
    });
    if (!sent.ok) {
      setProblems(problemsByField(sent.problems));
      const first = sent.problems.find((p) => questions.some((q) => q.id === p.field));
      document.querySelector<HTMLElement>(`[data-question="${first?.field}"] input`)?.focus();
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
      {!mayAsk && <p className="mt-2 border-l-4 border-accent pl-3">{DEED_SENTENCES["screen.record"]}</p>}
      {areas.map((area) => (
        <section key={area} className="mt-3">
          <h2 className="text-[16px]">{AREA_WORDS[area] ?? area}</h2>
          {questions
            .filter((q) => q.area === area)
            .map((q) => (
              <QuestionRow
                key={q.id}
                question={q}
                answer={isAsking ? (answers[q.id] ?? null) : (lastAnswers[q.id] ?? null)}
                escalations={escalations[q.id] ?? []}
                isAsking={isAsking}
                problem={problems[q.id]}
                onAnswer={(answer) => setAnswers((all) => ({ ...all, [q.id]: answer }))}
                onEscalate={(list) => setEscalations((all) => ({ ...all, [q.id]: list }))}
              >
                {q.id === "rf_bp" && isAsking && (
                  <div className="mt-1 flex gap-6">
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
                  </div>
                )}
              </QuestionRow>
            ))}
        </section>
      ))}
      {isAsking && (
        <div className="sticky bottom-0 mt-3 flex items-center gap-3 border-t border-rule bg-base-200 py-3">
          <button type="button" className="btn btn-primary btn-sm" onClick={save}>
            Sign the answers <kbd>S</kbd>
          </button>
          <button
            type="button"
            className="btn btn-sm btn-line"
            onClick={restIsNo}
            disabled={open.length === 0}
          >
            Asked, all others no <kbd>N</kbd>
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
                { key: "n", words: "all others are no", run: restIsNo },
              ]}
            />
          </span>
        </div>
      )}
    </div>
  );
}
