import type { RunState } from "@/core/session/floorRun";
import { EARLY_WORDS, type EarlyReason } from "@/core/session/holdRecord";
import { ScoreKeys } from "@/ui/pain/ScoreKeys";

/** What is entered now: joint pain before or after the hold, or why it ended early. */
export function HoldEntry({
  state,
  painMax,
  isEarly,
  onScore,
  onWhy,
}: {
  state: RunState;
  painMax: number;
  isEarly: boolean;
  onScore: (score: number) => void;
  onWhy: (reason: EarlyReason) => void;
}) {
  if (isEarly)
    return (
      <fieldset className="mt-3">
        <legend className="mb-1 text-[17px]">Why did it end early?</legend>
        <div className="flex flex-wrap gap-3">
          {(Object.keys(EARLY_WORDS) as EarlyReason[]).map((reason) => (
            <button
              key={reason}
              type="button"
              className="btn btn-lg border-rule bg-base-100"
              onClick={() => onWhy(reason)}
            >
              {EARLY_WORDS[reason]}
            </button>
          ))}
        </div>
      </fieldset>
    );
  return (
    <div className="mt-3">
      <ScoreKeys
        label={
          state.phase === "pain-after"
            ? `Joint pain in hold ${state.seq}`
            : `Joint pain before hold ${state.seq}`
        }
        value={state.phase === "ready" || state.phase === "holding" ? state.painBefore : null}
        onPick={onScore}
        limit={painMax}
        disabled={state.phase === "holding"}
        size="floor"
      />
      <p className="quiet mt-1 text-[15px]">Joint pain, not muscle burn. Above the limit the holds end.</p>
    </div>
  );
}
