import type { KeptLine } from "@/core/sheet/line/keptLine";
import { PAIN_REGION_IDS, type PainRegion } from "@/core/units/painRegion";
import { mostIn } from "@/core/visit/watched/elsewhere";
import { ScoreKeys } from "@/ui/pain/ScoreKeys";
import { PAIN_REGIONS } from "@/words/en/story";
import type { Elsewhere } from "./useElsewhere";

/** Pain in other regions than the joint: those that are followed and loaded, and any other that is named. Nothing waits for it. */
export function ElsewhereKeys({ line, elsewhere }: { line: KeptLine; elsewhere: Elsewhere }) {
  const followed = (line.regions ?? []).map((r) => r.region);
  const asked = [...followed, ...(elsewhere.added ? [elsewhere.added] : [])];
  return (
    <div className="mt-2 grid gap-2">
      {asked.map((region) => (
        <ScoreKeys
          key={region}
          label={`Pain in it: ${PAIN_REGIONS[region]}`}
          value={elsewhere.painIn(region)}
          onPick={(pain) => elsewhere.say(region, pain)}
          limit={mostIn(line, region)}
          size="floor"
          isNarrow
        />
      ))}
      <label className="flex flex-wrap items-center gap-2 text-[17px]">
        pain elsewhere
        <select
          className="select min-h-[44px] w-auto border-rule bg-base-100 text-[17px]"
          value={elsewhere.added ?? ""}
          onChange={(e) => elsewhere.add((e.target.value || null) as PainRegion | null)}
        >
          <option value="">no</option>
          {PAIN_REGION_IDS.filter((r) => !followed.includes(r)).map((r) => (
            <option key={r} value={r}>
              {PAIN_REGIONS[r]}
            </option>
          ))}
        </select>
      </label>
    </div>
  );
}
