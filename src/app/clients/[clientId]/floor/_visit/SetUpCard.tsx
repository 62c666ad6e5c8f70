"use client";
import type { Worn } from "@/core/selection/setUp/aid";
import type { KeptLine } from "@/core/sheet/line/keptLine";
import type { PainfulArc } from "@/core/strength/painfulArc";
import { painfulShort } from "@/words/en/plan/painfulArc";
import { WORN } from "@/words/en/plan/setUp";
import { FAULT_CUES, FAULT_WORDS } from "@/words/en/visit/faults";

/** What is looked at before the first set of a line. The pins have a tick of their own: without it nothing starts. */
export function SetUpCard({
  line,
  checks,
  worn,
  painful,
  pins,
  onPins,
}: {
  line: KeptLine;
  /** what of the line's checks is this client's */
  checks: readonly string[];
  worn: Worn;
  /** what this line comes into */
  painful: PainfulArc | null;
  pins: boolean;
  onPins: (isIn: boolean) => void;
}) {
  return (
    <section aria-label="Set-up card" className="text-[18px] leading-snug lg:text-[20px]">
      {line.needsPins && (
        <label className="mb-3 flex min-h-[64px] cursor-pointer items-center gap-4 border-2 border-mark px-4 text-[24px] font-bold">
          <input
            type="checkbox"
            className="checkbox checkbox-lg"
            checked={pins}
            onChange={(e) => onPins(e.target.checked)}
          />
          Safety pins or stop are in, and hold
        </label>
      )}
      <ul className="grid gap-1">
        {/* what is this client's own comes first: the rest may have to be scrolled to */}
        {painful && (
          <li className="border-l-4 border-accent pl-3">
            <b>{painfulShort(painful)}</b>: slower there, and ask
          </li>
        )}
        {(line.faults ?? []).map(
          (f) =>
            f.wasSeen && (
              <li key={f.id} className="border-l-4 border-mark pl-3">
                <b>“{FAULT_CUES[f.id]}”</b>: {FAULT_WORDS[f.id]} last time
              </li>
            ),
        )}
        {checks.map((check) => (
          <li key={check} className="flex gap-3">
            <span aria-hidden className="text-primary">
              ◦
            </span>
            {check}
          </li>
        ))}
        {worn !== "none" && (
          <li className="flex gap-3">
            <span aria-hidden className="text-primary">
              ◦
            </span>
            <b>{WORN[worn]}</b>
          </li>
        )}
      </ul>
    </section>
  );
}
