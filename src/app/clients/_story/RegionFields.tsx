import { MOST_FOLLOWED } from "@/core/story/regions";
import { PAIN_REGION_IDS, type PainRegion } from "@/core/units/painRegion";
import { Field } from "@/ui/form/Field";
import { Pick } from "@/ui/form/Pick";
import { PAIN_REGIONS } from "@/words/en/story";
import { RowList } from "./RowList";
import type { StoryPart } from "./StoryForm";

const SCORE = { unit: "/10", inputMode: "numeric", className: "!w-11" } as const;

/** What else hurts and is followed: its own usual pain and bound, asked where a line loads it and the morning after. */
export function RegionFields({ part: { draft, set, problem } }: { part: StoryPart }) {
  const free = PAIN_REGION_IDS.filter((id) => !draft.regions.some((r) => r.region === id));
  // what is marked in the picture is offered first
  const next = free.find((id) => draft.painMarks.includes(id)) ?? (free[0] as PainRegion);
  return (
    <RowList
      heading={
        <h3 className="text-[16px]">
          Also followed{" "}
          <span className="quiet text-[15px] font-normal">
            pain beside the joint, asked where it is loaded
          </span>
        </h3>
      }
      problem={problem("episode.regions")}
      rows={draft.regions}
      most={MOST_FOLLOWED}
      noun="region"
      fresh={() => ({ region: next, usual: "", most: "" })}
      rowClass="flex flex-wrap items-end gap-x-4 gap-y-1"
      onChange={(regions) => set({ regions })}
    >
      {(r, i, change, takeOut) => (
        <>
          <div className="w-[190px]">
            <Pick
              label="region"
              name={`region-${i}`}
              options={PAIN_REGION_IDS.map((id): [string, string] => [id, PAIN_REGIONS[id]])}
              value={r.region}
              onChange={(e) => change({ region: e.target.value as PainRegion })}
            />
          </div>
          <Field
            {...SCORE}
            label="usually"
            name={`region-usual-${i}`}
            value={r.usual}
            onChange={(e) => change({ usual: e.target.value })}
            problem={problem(`episode.regions.${i}.usual`)}
          />
          <Field
            {...SCORE}
            label="at most"
            name={`region-most-${i}`}
            placeholder="rule"
            value={r.most}
            onChange={(e) => change({ most: e.target.value })}
            problem={problem(`episode.regions.${i}.most`)}
          />
          {takeOut}
        </>
      )}
    </RowList>
  );
}
