import type { KeptLine } from "@/core/sheet/line/keptLine";
import { PAIN_REGION_IDS, type PainRegion } from "@/core/units/painRegion";
import { mostIn } from "@/core/visit/watched/elsewhere";
import { ScoreKeys } from "@/ui/pain/ScoreKeys";
import { PAIN_REGIONS } from "@/words/en/story";
import type { Elsewhere } from "./useElsewhere";

const followedIn = (line: KeptLine): PainRegion[] => (line.regions ?? []).map((r) => r.region);

/** Pain in other regions than the joint: those that are followed and loaded, and the one that was named. Nothing waits for it. */
export function ElsewhereKeys({ line, elsewhere }: { line: KeptLine; elsewhere: Elsewhere }) {
  const asked = [...followedIn(line), ...(elsewhere.added ? [elsewhere.added] : [])];
  return (
    <div className="mt-2 grid max-w-[420px] gap-2">
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
    </div>
  );
}

/** A region that nobody follows, named for this set. */
export function ElsewherePick({ line, elsewhere }: { line: KeptLine; elsewhere: Elsewhere }) {
  const followed = followedIn(line);
  return (
    <label className="mt-2 flex flex-wrap items-center gap-2 text-[15px] lg:text-[17px]">
      pain elsewhere
      <select
        className="select min-h-[44px] w-auto border-rule bg-base-100 text-[16px] lg:text-[18px]"
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
  );
}
