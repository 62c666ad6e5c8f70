"use client";
import { type Ref, useState } from "react";
import { SWAP_REASON_IDS, type SwapReason } from "@/core/selection/swap/swap";
import type { KeptLine } from "@/core/sheet/line/keptLine";
import type { SwapForToday } from "@/server/visits/swapForToday";
import { Dialog } from "@/ui/Dialog";
import { Problem } from "@/ui/form/Problem";
import { SaidAll } from "@/ui/reader";
import { send } from "@/ui/send";
import { FIRST_QUESTIONS, SWAP_REASONS, swapBecause } from "@/words/en/plan/swap";

/** Another exercise in place of what is left of a line, for today: why first, then what the clinic computes for it. */
export function SwapDialog({
  ref,
  visitId,
  line,
  onSwap,
}: {
  ref: Ref<HTMLDialogElement>;
  visitId: string;
  line: Pick<KeptLine, "lineId" | "name"> | null;
  onSwap: (to: KeptLine, why: SwapReason) => void;
}) {
  const [reason, setReason] = useState<SwapReason | null>(null);
  const [found, setFound] = useState<SwapForToday[] | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const ask = async (why: SwapReason) => {
    setReason(why);
    setFound(null);
    setProblem(null);
    const sent = await send<SwapForToday[]>(`/api/visits/${visitId}/swaps`, {
      lineId: line?.lineId,
      reason: why,
    });
    if (sent.ok) setFound(sent.result);
    else setProblem(sent.problems[0]?.sentence ?? "Nothing could be asked. Try again.");
  };
  return (
    <Dialog ref={ref} label="Swap for today" size="wide">
      <form method="dialog" className="text-lg">
        <h2 className="text-2xl">In place of {line?.name}, today</h2>
        <div className="mt-3 flex flex-wrap gap-2">
          {SWAP_REASON_IDS.map((r) => (
            <button
              key={r}
              type="button"
              aria-pressed={reason === r}
              className={`btn btn-lg border-rule ${reason === r ? "btn-primary" : "bg-base-200"}`}
              onClick={() => ask(r)}
            >
              {SWAP_REASONS[r]}
            </button>
          ))}
        </div>
        {reason && <p className="mt-3 border-l-4 border-mark pl-3">{FIRST_QUESTIONS[reason]}</p>}
        <Problem sentence={problem} />
        <div aria-live="polite">
          {reason && !found && !problem && <p className="mt-3">Looking for what fits today …</p>}
          {found?.length === 0 && (
            <p className="mt-3">Nothing fits today: leave it out, and tell the therapist.</p>
          )}
          <ul className="mt-2 grid gap-2">
            {found?.map((s) => (
              <li key={s.exerciseId}>
                <button
                  type="submit"
                  className="w-full cursor-pointer rounded border border-rule bg-base-200 px-4 py-3 text-left hover:border-base-content"
                  onClick={() => reason && onSwap(s.to, reason)}
                >
                  <b>{s.name}</b> {s.to.sets[0]?.how && <span>· {s.to.sets[0].how}</span>}
                  <span className="quiet block text-[17px]">
                    {swapBecause(s.because)}
                    {s.changes.length > 0 && (
                      <>
                        ; set differently: <SaidAll of={s.changes} />
                      </>
                    )}
                  </span>
                </button>
              </li>
            ))}
          </ul>
        </div>
        <button type="submit" className="btn mt-4">
          Go on without a swap
        </button>
      </form>
    </Dialog>
  );
}
