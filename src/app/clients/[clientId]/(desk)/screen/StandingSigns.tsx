"use client";
import { useRouter } from "next/navigation";
import { useRef, useState } from "react";
import type { Consequence } from "@/core/rules/redFlags";
import type { Answer } from "@/core/screening/screening";
import type { ScreeningState } from "@/core/screening/screeningState";
import { shortDay } from "@/ui/dates";
import { Choice } from "@/ui/form/Choice";
import { focusFirstGap } from "@/ui/form/focusFirstGap";
import { Problem } from "@/ui/form/Problem";
import { problemsByField } from "@/ui/form/problemsByField";
import { Words } from "@/ui/form/Words";
import { useSendOnce } from "@/ui/useSendOnce";
import { DEED_SENTENCES } from "@/words/en/access";
import { CONSEQUENCE_WORDS, ConsequenceMark } from "./ConsequenceMark";

export interface SignView {
  questionId: string;
  question: string;
  answer: Answer;
  consequence: Consequence;
  timeFrame: string;
  doNow: string;
  why: string;
  source: string;
  on: string;
}

const HEADS: Record<ScreeningState["status"], string> = {
  missing: "Nothing may start yet",
  incomplete: "Nothing may start yet",
  stop: "All work is stopped",
  hold: "No loading until the physician has answered",
  due: "The screening is due again",
  caution: "Work goes on, with caution",
  clear: "Nothing stands in the way",
};

/** What stands, why, and who can clear it how. */
export function StandingSigns({
  clientId,
  state,
  signs,
  mayClear,
  locale,
}: {
  clientId: string;
  state: {
    status: ScreeningState["status"];
    dueBecause: string | null;
    unanswered: number;
    bars: string | null;
  };
  signs: SignView[];
  mayClear: boolean;
  locale: string;
}) {
  return (
    <section>
      <h2 className="text-[17px]">{HEADS[state.status]}</h2>
      {signs.length === 0 && (
        <p className="mt-1">
          {state.bars ??
            "Every question was answered no, or was cleared. The short list is asked before each session."}
        </p>
      )}
      {state.dueBecause && signs.length > 0 && (
        <p className="mt-1">The whole screening is due again, because {state.dueBecause}.</p>
      )}
      {signs.map((s) => (
        <Sign key={s.questionId} clientId={clientId} sign={s} mayClear={mayClear} locale={locale} />
      ))}
    </section>
  );
}

function Sign({
  clientId,
  sign: s,
  mayClear,
  locale,
}: {
  clientId: string;
  sign: SignView;
  mayClear: boolean;
  locale: string;
}) {
  const router = useRouter();
  const sendOnce = useSendOnce();
  const [onWordOf, setOnWordOf] = useState<"therapist" | "physician" | null>(null);
  const [words, setWords] = useState("");
  const [problems, setProblems] = useState<Record<string, string>>({});
  const form = useRef<HTMLFormElement>(null);
  const clear = async () => {
    const sent = await sendOnce(
      `/api/clients/${clientId}/sign-clearances`,
      (id) => ({ id, questionId: s.questionId, onWordOf, words }),
      "The sign is cleared.",
    );
    if (!sent.ok) {
      setProblems(problemsByField(sent.problems));
      return focusFirstGap(form.current);
    }
    router.refresh();
  };
  return (
    <div className="mt-3 border-l-4 border-accent pl-3">
      <p>
        <ConsequenceMark consequence={s.consequence} />{" "}
        <b>
          {CONSEQUENCE_WORDS[s.consequence]}, {s.timeFrame}
        </b>
      </p>
      <p className="mt-1">
        {s.question} <b>{s.answer}</b>, {shortDay(s.on, locale)}.
      </p>
      <p className="small mt-1">
        {s.doNow} <span className="quiet">Because: {s.why.toLowerCase()}.</span>
      </p>
      <p className="small quiet mt-1">Source: {s.source}.</p>
      {mayClear ? (
        <form
          ref={form}
          noValidate
          className="mt-2 grid gap-2"
          onSubmit={(e) => {
            e.preventDefault();
            clear();
          }}
        >
          <Choice
            legend="on the word of"
            isInline={false}
            name={`word-${s.questionId}`}
            options={[
              ["therapist", "my examination"],
              ["physician", "a physician"],
            ]}
            value={onWordOf}
            onChange={setOnWordOf}
            problem={problems.onWordOf}
          />
          <Words
            label={onWordOf === "physician" ? "who said what, and when" : "what was found"}
            name={`clear-${s.questionId}`}
            rows={2}
            value={words}
            onChange={(e) => setWords(e.target.value)}
            problem={problems.words}
          />
          <Problem sentence={problems.form ?? problems.questionId ?? null} />
          <button type="submit" className="btn btn-sm btn-line justify-self-start">
            Clear this sign
          </button>
        </form>
      ) : (
        <p className="small mt-2">{DEED_SENTENCES["recheck.clear"]}</p>
      )}
    </div>
  );
}
