import { lineOf, type VisitState } from "@/core/visit/run";
import type { VisitEvent } from "@/core/visit/visitEvent";
import { FEEL_IDS, type Feel, feelOpen } from "@/core/visit/watched/feel";
import { ScoreKeys } from "@/ui/pain/ScoreKeys";
import { FEEL_CHIPS } from "@/words/en/visit/feel";

/** The line of the last set that was done, and what is still to be asked of it; null: nothing. */
export function feelAsked(state: VisitState, past: readonly Feel[]) {
  const lineId = state.done.at(-1)?.task.lineId;
  const line = lineId === undefined ? null : lineOf(state, lineId);
  const ask =
    line &&
    feelOpen(
      line,
      state.feels.find((f) => f.lineId === lineId),
      past,
    );
  return ask && { line, ask };
}

/** Where the last line was felt, and how sure somebody is of it: one tap each, in the rest. Nothing waits for it. */
export function FeelKeys({
  asked: { line, ask },
  happen,
}: {
  asked: NonNullable<ReturnType<typeof feelAsked>>;
  happen: (event: VisitEvent) => void;
}) {
  const say = (what: Partial<Pick<Feel, "where" | "sure">>) =>
    happen({ type: "feel", lineId: line.lineId, where: null, sure: null, ...what, at: Date.now() });
  return (
    <div className="grid gap-3">
      {ask.where && (
        <fieldset>
          <legend className="text-[17px]">Where was it felt: {line.name}</legend>
          <div className="mt-1 flex flex-wrap gap-2">
            {FEEL_IDS.map((where) => (
              <button
                key={where}
                type="button"
                className="btn min-h-[48px] border-rule bg-base-100 px-3 text-[17px] font-normal"
                onClick={() => say({ where })}
              >
                {FEEL_CHIPS[where]}
              </button>
            ))}
          </div>
        </fieldset>
      )}
      {ask.sure && (
        <ScoreKeys
          label={`How sure of it, 0 to 10: ${line.name}`}
          value={null}
          onPick={(sure) => say({ sure })}
          size="floor"
          isNarrow
        />
      )}
    </div>
  );
}
