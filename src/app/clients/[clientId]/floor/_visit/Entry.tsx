"use client";
import type { VisitState } from "@/core/visit/run";
import type { EarlyReason } from "@/core/visit/setRecord";
import { ScoreKeys } from "@/ui/pain/ScoreKeys";
import { EARLY_WORDS } from "@/words/en/visit/floor";

/** What is asked about the set that was done, beside its pain. */
export interface Asked {
  reserve: boolean;
  felt: boolean;
}

/** What is entered now: joint pain, what is left in the tank, how many it were, why it ended early. */
export function Entry({
  isQuiet,
  state,
  painMax,
  isEarly,
  asked,
  pain,
  left,
  reps,
  onPain,
  onLeft,
  onReps,
  onWhy,
}: {
  /** nothing of it is asked now */
  isQuiet: boolean;
  state: VisitState;
  painMax: number;
  isEarly: boolean;
  asked: Asked;
  pain: number | null;
  /** repetitions left, or felt effort */
  left: number | null;
  /** as many as were done; null for holds */
  reps: number | null;
  onPain: (score: number) => void;
  onLeft: (n: number) => void;
  onReps: (n: number) => void;
  onWhy: (reason: EarlyReason) => void;
}) {
  if (isEarly)
    return (
      <fieldset>
        <legend className="mb-1 text-[20px]">Why did it end early?</legend>
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
  const isRating = state.phase === "rating";
  const label =
    isRating || state.phase === "working" ? "Joint pain in it, not muscle burn" : "Joint pain now, before it";
  return (
    <div className={`grid gap-3 ${isQuiet ? "max-lg:hidden" : ""}`}>
      {isRating && reps !== null && (
        <p className="flex items-center gap-4 text-[20px]">
          did
          <button
            type="button"
            className="btn btn-lg border-rule bg-base-100"
            aria-label="one repetition fewer"
            onClick={() => onReps(Math.max(0, reps - 1))}
          >
            −
          </button>
          <b className="display text-[44px] leading-none" data-testid="reps">
            {reps}
          </b>
          <button
            type="button"
            className="btn btn-lg border-rule bg-base-100"
            aria-label="one repetition more"
            onClick={() => onReps(reps + 1)}
          >
            +
          </button>
          repetitions
        </p>
      )}
      <ScoreKeys
        label={label}
        value={isRating ? pain : state.painBefore}
        onPick={onPain}
        limit={painMax}
        disabled={state.phase === "working" && state.under?.task.holdS != null}
        size="floor"
      />
      {isRating && (asked.reserve || asked.felt) && (
        <ScoreKeys
          label={
            asked.felt
              ? "Felt effort at the hardest one (10 is all there was)"
              : "How many more were possible (10 is ten or more)"
          }
          value={left}
          onPick={onLeft}
          size="floor"
        />
      )}
    </div>
  );
}
