"use client";
import { SIGNS_SAID } from "@/core/visit/client/clientMorning";
import type { RecheckSign } from "@/core/visit/signs/recheckSigns";

/** Warning signs in a client's own words, to be marked; each as large as a thumb. */
export function SignsSaid({
  asked,
  marked,
  onMark,
}: {
  asked: readonly RecheckSign[];
  marked: readonly RecheckSign[];
  onMark: (marked: readonly RecheckSign[]) => void;
}) {
  return (
    <fieldset className="mt-4">
      <legend className="text-[17px] font-bold">What is it?</legend>
      {SIGNS_SAID.filter((s) => asked.includes(s.sign)).map((s) => (
        <label
          key={s.sign}
          className="mt-2 flex min-h-[54px] cursor-pointer items-center gap-3 rounded border border-base-content/50 bg-base-100 px-3 py-2 text-[17px] leading-snug"
        >
          <input
            type="checkbox"
            className="checkbox checkbox-lg shrink-0 border-base-content/60"
            checked={marked.includes(s.sign)}
            onChange={(e) =>
              onMark(e.target.checked ? [...marked, s.sign] : marked.filter((m) => m !== s.sign))
            }
          />
          {s.words}
        </label>
      ))}
    </fieldset>
  );
}
