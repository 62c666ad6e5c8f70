import { lineOf, type VisitState } from "@/core/visit/run";
import type { VisitEvent } from "@/core/visit/visitEvent";
import { FEEL_IDS, type Feel, feelOpen } from "@/core/visit/watched/feel";
import { ScoreKeys } from "@/ui/pain/ScoreKeys";
import { FEEL_CHIPS } from "@/words/en/visit/feel";

/** The line of the last set that was done, and what is still to be asked of it; null: nothing. */
export function feelAsked(state: VisitState, past: readonly Feel[]) {
  const last = state.done.at(-1)?.task;
  const lineId = last?.lineId;
  const line = lineId === undefined ? null : lineOf(state, lineId);
  // a ramp set is too light to be felt anywhere
  if (last && line?.sets[last.set]?.role === "ramp") return null;
  const ask =
    line &&
    feelOpen(
      line,
      state.feels.find((f) => f.lineId === lineId),
      past,
    );
  return ask && { line, ask };
}

/** Where the last line was felt, then how sure somebody is of it: one tap each, in the rest. Nothing waits for it. */
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
    <div>
      {ask.where ? (
        <fieldset>
          <legend className="text-[17px] leading-tight">{line.name}: where was it felt?</legend>
          <div className="mt-1 grid grid-cols-2 gap-2">
            {FEEL_IDS.map((where) => (
              <button
                key={where}
                type="button"
                className="btn min-h-[48px] border-rule bg-base-100 px-2 text-[17px] font-normal"
                onClick={() => say({ where })}
              >
                {FEEL_CHIPS[where]}
              </button>
            ))}
          </div>
        </fieldset>
      ) : (
        <ScoreKeys
          label={`${line.name}: how sure of it, 0 to 10?`}
          value={null}
          onPick={(sure) => say({ sure })}
          size="floor"
          isNarrow
        />
      )}
    </div>
  );
}
