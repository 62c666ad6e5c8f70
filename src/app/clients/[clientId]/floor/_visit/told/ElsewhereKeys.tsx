import type { KeptLine } from "@/core/sheet/line/keptLine";
import { PAIN_REGION_IDS, type PainRegion } from "@/core/units/painRegion";
import { mostIn } from "@/core/visit/watched/elsewhere";
import { ScoreKeys } from "@/ui/pain/ScoreKeys";
import { PAIN_REGIONS } from "@/words/en/story";
import { FloorSelect } from "./FloorSelect";
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
  const regions = PAIN_REGION_IDS.filter((r) => !followed.includes(r));
  return (
    <div className="mt-2">
      <FloorSelect<PainRegion | "">
        label="pain elsewhere"
        value={elsewhere.added ?? ""}
        options={[["", "no"], ...regions.map((r) => [r, PAIN_REGIONS[r]] as const)]}
        onPick={(r) => elsewhere.add(r || null)}
      />
    </div>
  );
}
