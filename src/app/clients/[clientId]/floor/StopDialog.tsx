"use client";
import { type Ref, useState } from "react";
import { RECHECK_SIGNS } from "@/core/session/sessionInput";

const REASONS = [
  "the client asks to stop",
  "joint pain",
  "dizzy or unwell",
  "pad, stop, pin or strap slipped",
  "no time left",
];

type Sign = (typeof RECHECK_SIGNS)[number];

/** Stops the session with a reason; a warning sign also closes the floor until a therapist clears it. */
export function StopDialog({
  ref,
  onStop,
}: {
  ref: Ref<HTMLDialogElement>;
  onStop: (reason: string, signs: Sign[]) => void;
}) {
  const [sign, setSign] = useState<Sign>(RECHECK_SIGNS[0]);
  return (
    <dialog ref={ref} className="modal" aria-label="Stop the session">
      <form method="dialog" className="modal-box border border-rule bg-base-100 text-lg">
        <h2 className="text-2xl">Stop the session, because</h2>
        <div className="mt-4 grid gap-2">
          {REASONS.map((reason) => (
            <button
              key={reason}
              type="submit"
              className="btn btn-lg justify-start border-rule bg-base-200"
              onClick={() => onStop(reason, [])}
            >
              {reason}
            </button>
          ))}
        </div>
        <div className="mt-4 border-t border-rule pt-3">
          <label className="grid gap-1">
            or a warning sign
            <select
              className="select select-lg w-full border-rule"
              value={sign}
              onChange={(e) => setSign(e.target.value as Sign)}
            >
              {RECHECK_SIGNS.map((s) => (
                <option key={s}>{s}</option>
              ))}
            </select>
          </label>
          <button
            type="submit"
            className="btn btn-accent btn-lg mt-2"
            onClick={() => onStop(`warning sign: ${sign}`, [sign])}
          >
            Stop for this warning sign
          </button>
        </div>
        <button type="submit" className="btn mt-4">
          Go on with the session
        </button>
      </form>
    </dialog>
  );
}
