import type { Action } from "@/core/progression/safetyRules";
import { shortDay } from "@/ui/dates";
import { Link } from "@/ui/Link";
import { ACTION_WORDS } from "@/words/en/decide";
import { ActionMark } from "./ActionMark";

export interface PastDecision {
  key: string;
  day: string;
  /** null: all lines together */
  lineId: string | null;
  line: string;
  action: Action;
  sentence: string;
  reasons: readonly string[];
  by: string;
}

const SHOWN = 12;

/** Decisions taken so far, newest first: for which line, what, by whom, and what changed. */
export function PastDecisions({
  past,
  locale,
  clientId,
}: {
  past: readonly PastDecision[];
  locale: string;
  clientId: string;
}) {
  return (
    <>
      <h2 className="text-[17px]">
        Decisions so far{" "}
        <Link href={`/clients/${clientId}/ladder`} className="small font-normal underline">
          the way of every line
        </Link>
      </h2>
      {past.length === 0 && <p className="mt-1">None yet.</p>}
      <ol className="mt-2">
        {past.slice(0, SHOWN).map((d) => (
          <li key={d.key} className="flex gap-3 border-t border-rule py-2">
            <ActionMark action={d.action} />
            <div>
              <p>
                <b>{ACTION_WORDS[d.action]}</b>{" "}
                <span className="small quiet">
                  {d.line} · {shortDay(d.day, locale)} · {d.by}
                </span>
              </p>
              <div className="small">
                {d.sentence}
                {d.reasons.length > 0 && (
                  <details className="quiet">
                    <summary className="cursor-pointer">drafted because</summary>
                    {d.reasons.join("; ")}.
                  </details>
                )}
              </div>
            </div>
          </li>
        ))}
      </ol>
    </>
  );
}
