import type { ReactNode } from "react";
import type { Answer } from "@/core/screening/screening";
import { CONSEQUENCE_WORDS, ConsequenceMark } from "./ConsequenceMark";
import type { ScreenQuestion } from "./ScreenDesk";

const ANSWERS: readonly Answer[] = ["no", "unsure", "yes"];

/** One question with its answer; a yes shows at once what it means and what to do. */
export function QuestionRow({
  question: q,
  answer,
  escalations,
  isAsking,
  isCurrent,
  problem,
  onAnswer,
  onEscalate,
  children,
}: {
  question: ScreenQuestion;
  answer: Answer | null;
  escalations: readonly string[];
  isAsking: boolean;
  /** the one that the keys answer */
  isCurrent: boolean;
  problem?: string;
  onAnswer: (a: Answer) => void;
  onEscalate: (list: string[]) => void;
  children: ReactNode;
}) {
  const isPositive = answer === "yes" || answer === "unsure";
  return (
    <div
      data-question={q.id}
      aria-current={isCurrent ? "step" : undefined}
      className={`border-t border-rule py-1.5 ${isPositive ? "border-l-4 border-l-accent pl-3" : isCurrent ? "border-l-4 border-l-primary bg-base-100 pl-3" : ""}`}
    >
      <fieldset className="grid grid-cols-[minmax(0,1fr)_auto] items-baseline gap-4">
        <legend className="sr-only">{q.question}</legend>
        <span>{q.question}</span>
        {isAsking ? (
          <span className="flex gap-3">
            {ANSWERS.map((a) => (
              <label key={a} className="flex items-center gap-1">
                <input
                  type="radio"
                  name={q.id}
                  value={a}
                  className="radio radio-primary radio-xs"
                  checked={answer === a}
                  onChange={() => onAnswer(a)}
                />
                {a}
              </label>
            ))}
          </span>
        ) : (
          <span className={isPositive ? "font-bold text-accent" : "quiet"}>{answer ?? "not asked"}</span>
        )}
      </fieldset>
      {problem && !answer && (
        <p className="small text-error" role="alert">
          {problem}
        </p>
      )}
      {isPositive && (
        <div className="small mt-1">
          <p>
            <ConsequenceMark consequence={q.consequence} /> <b>{CONSEQUENCE_WORDS[q.consequence]}</b>{" "}
            {q.timeFrame}. {q.doNow}
          </p>
          {isAsking &&
            q.escalations.map((e) => (
              <label key={e} className="mt-1 flex items-center gap-2">
                <input
                  type="checkbox"
                  className="checkbox checkbox-primary checkbox-xs"
                  checked={escalations.includes(e)}
                  onChange={() =>
                    onEscalate(
                      escalations.includes(e) ? escalations.filter((x) => x !== e) : [...escalations, e],
                    )
                  }
                />
                {e}
              </label>
            ))}
        </div>
      )}
      {children}
    </div>
  );
}
