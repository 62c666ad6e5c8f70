import { ACTION_WORDS, type Action } from "@/core/progression/safetyRules";
import { shortDay } from "@/ui/dates";
import { ActionMark } from "./ActionMark";

/** Decisions taken so far, newest first: what, by whom, and why. */
export function PastDecisions({
  past,
  locale,
}: {
  past: { day: string; action: Action; sentence: string; by: string }[];
  locale: string;
}) {
  return (
    <>
      <h2 className="text-[17px]">Decisions so far</h2>
      {past.length === 0 && <p className="mt-1">None yet.</p>}
      <ol className="mt-2">
        {past.slice(0, 9).map((d) => (
          <li key={d.day} className="flex gap-3 border-t border-rule py-2">
            <ActionMark action={d.action} />
            <div>
              <p>
                <b>{ACTION_WORDS[d.action]}</b>{" "}
                <span className="small quiet">
                  {shortDay(d.day, locale)} · {d.by}
                </span>
              </p>
              <p className="small">{d.sentence}</p>
            </div>
          </li>
        ))}
      </ol>
    </>
  );
}
