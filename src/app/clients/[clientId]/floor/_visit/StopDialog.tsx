"use client";
import type { Ref } from "react";
import type { RecheckSign } from "@/core/visit/signs/recheckSigns";
import { STOP_REASONS, stopSaid } from "@/core/visit/signs/stopReasons";
import { Dialog } from "@/ui/Dialog";
import { sayPlainly } from "@/words/say";

/** Stops the visit with a reason; one that is a warning sign also closes the floor until a therapist clears it. */
export function StopDialog({
  ref,
  onStop,
}: {
  ref: Ref<HTMLDialogElement>;
  onStop: (reason: string, signs: RecheckSign[]) => void;
}) {
  return (
    <Dialog ref={ref} label="Stop the visit" size="wide">
      <form method="dialog" className="text-lg">
        <h2 className="text-2xl">Stop the visit, because</h2>
        <p className="quiet">◆ closes the floor until a therapist has cleared it.</p>
        <div className="mt-3 grid grid-cols-2 gap-x-4 gap-y-1.5">
          {STOP_REASONS.map((r) => (
            <button
              key={r.id}
              type="submit"
              className="cursor-pointer rounded border border-rule bg-base-200 px-3 py-2 text-left leading-snug hover:border-base-content"
              onClick={() => onStop(r.id, r.sign ? [r.sign] : [])}
            >
              {r.sign && <span className="text-mark">◆ </span>}
              {sayPlainly(stopSaid(r.id))}
            </button>
          ))}
        </div>
        <button type="submit" className="btn mt-4">
          Go on with the visit
        </button>
      </form>
    </Dialog>
  );
}
