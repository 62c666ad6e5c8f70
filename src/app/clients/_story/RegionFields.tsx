import { PAIN_REGION_IDS, type PainRegion } from "@/core/units/painRegion";
import { Field } from "@/ui/form/Field";
import { Pick } from "@/ui/form/Pick";
import { PAIN_REGIONS } from "@/words/en/story";
import type { StoryPart } from "./StoryForm";
import type { StoryDraft } from "./storyDraft";

const MOST = 2;
type RegionDraft = StoryDraft["regions"][number];

/** What else hurts and is followed: its own usual pain and bound, asked where a line loads it and the morning after. */
export function RegionFields({ part }: { part: StoryPart }) {
  const { draft, set, problem } = part;
  const put = (regions: RegionDraft[]) => set({ regions });
  const change = (at: number, by: Partial<RegionDraft>) =>
    put(draft.regions.map((r, i) => (i === at ? { ...r, ...by } : r)));
  const isFree = (id: PainRegion) => !draft.regions.some((r) => r.region === id);
  // what is marked in the picture is offered first
  const free = PAIN_REGION_IDS.filter(isFree);
  const next = free.find((id) => draft.painMarks.includes(id)) ?? (free[0] as PainRegion);
  return (
    <section className="grid gap-2">
      <h3 className="text-[16px]">
        Also followed{" "}
        <span className="quiet text-[15px] font-normal">pain beside the joint, asked where it is loaded</span>
      </h3>
      {problem("episode.regions") && (
        <p className="small text-error" role="alert">
          {problem("episode.regions")}
        </p>
      )}
      {draft.regions.map((r, i) => (
        <div
          // biome-ignore lint/suspicious/noArrayIndexKey: rows have no other identity while they are typed
          key={i}
          className="flex flex-wrap items-end gap-x-4 gap-y-1"
        >
          <div className="w-[190px]">
            <Pick
              label="region"
              name={`region-${i}`}
              options={PAIN_REGION_IDS.map((id): [string, string] => [id, PAIN_REGIONS[id]])}
              value={r.region}
              onChange={(e) => change(i, { region: e.target.value as PainRegion })}
            />
          </div>
          <Field
            label="usually"
            name={`region-usual-${i}`}
            unit="/10"
            inputMode="numeric"
            className="!w-11"
            value={r.usual}
            onChange={(e) => change(i, { usual: e.target.value })}
            problem={problem(`episode.regions.${i}.usual`)}
          />
          <Field
            label="at most"
            name={`region-most-${i}`}
            unit="/10"
            inputMode="numeric"
            className="!w-11"
            placeholder="rule"
            value={r.most}
            onChange={(e) => change(i, { most: e.target.value })}
            problem={problem(`episode.regions.${i}.most`)}
          />
          <button
            type="button"
            className="small cursor-pointer pb-2 underline"
            onClick={() => put(draft.regions.filter((_, k) => k !== i))}
          >
            take out
          </button>
        </div>
      ))}
      {draft.regions.length < MOST && (
        <button
          type="button"
          className="small cursor-pointer justify-self-start underline"
          onClick={() => put([...draft.regions, { region: next, usual: "", most: "" }])}
        >
          {draft.regions.length === 0 ? "a region" : "another region"}
        </button>
      )}
    </section>
  );
}
