"use client";
import type { WatchedFault } from "@/core/visit/watched/seen";
import { FAULT_CUES, FAULT_WORDS } from "@/words/en/visit/faults";
import type { Seen } from "./useSeen";

/** What was seen of the set, one tap each; what is tapped says its cue, and where in the set it began. */
export function SeenChips({ watched, seen }: { watched: readonly WatchedFault[]; seen: Seen }) {
  return (
    <fieldset>
      <legend className="text-[15px] lg:text-[17px]">Seen in it, if anything</legend>
      <div className="mt-1 flex flex-wrap gap-2">
        {watched.map((w) => {
          const isOn = seen.fromRep(w.id) !== undefined;
          return (
            <button
              key={w.id}
              type="button"
              aria-pressed={isOn}
              className={`btn min-h-[44px] px-3 text-[16px] font-normal lg:text-[18px] ${isOn ? "border-2 border-mark bg-base-100 font-bold" : "border-rule bg-base-100"}`}
              onClick={() => seen.toggle(w.id)}
            >
              {isOn ? "✓ " : ""}
              {FAULT_WORDS[w.id]}
            </button>
          );
        })}
      </div>
      {seen.faults.map((f) => (
        <p key={f.id} className="mt-1 flex flex-wrap items-center gap-2 text-[17px]" role="status">
          {watched.some((w) => w.id === f.id && w.endsSet) ? (
            <b>{FAULT_WORDS[f.id]} ends this line: this client must not load it.</b>
          ) : (
            <b>“{FAULT_CUES[f.id]}”</b>
          )}
          {f.fromRep !== null && (
            <>
              from repetition
              <button
                type="button"
                className="btn min-h-[44px] min-w-[44px] border-rule bg-base-100"
                aria-label={`${FAULT_WORDS[f.id]}: began a repetition earlier`}
                onClick={() => seen.began(f.id, -1)}
              >
                −
              </button>
              <b data-testid="from-rep">{f.fromRep}</b>
              <button
                type="button"
                className="btn min-h-[44px] min-w-[44px] border-rule bg-base-100"
                aria-label={`${FAULT_WORDS[f.id]}: began a repetition later`}
                onClick={() => seen.began(f.id, 1)}
              >
                +
              </button>
            </>
          )}
        </p>
      ))}
    </fieldset>
  );
}
