"use client";
import type { RecheckSign } from "@/core/visit/signs/recheckSigns";
import { useLabels, useSay } from "@/ui/reader";

/** What a knee does comes before what else there may be. */
const FIRST_ASKED: readonly RecheckSign[] = [
  "swelling",
  "calf_chest",
  "nerve",
  "giving_way",
  "change",
  "unwell",
  "wound",
];

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
  const [say, t] = [useSay(), useLabels("link")];
  return (
    <fieldset className="mt-4">
      <legend className="text-[17px] font-bold">{t("what_is_it")}</legend>
      {FIRST_ASKED.filter((sign) => asked.includes(sign)).map((sign) => (
        <label
          key={sign}
          className="mt-2 flex min-h-[54px] cursor-pointer items-center gap-3 rounded border border-base-content/50 bg-base-100 px-3 py-2 text-[17px] leading-snug"
        >
          <input
            type="checkbox"
            className="checkbox checkbox-lg shrink-0 border-base-content/60"
            checked={marked.includes(sign)}
            onChange={(e) => onMark(e.target.checked ? [...marked, sign] : marked.filter((m) => m !== sign))}
          />
          {say({ code: "visit.sign_by_client", sign })}
        </label>
      ))}
    </fieldset>
  );
}
