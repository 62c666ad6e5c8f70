import type { Background, Climbs, Rises } from "@/core/story/daily";
import { Choice } from "@/ui/form/Choice";
import { BACKGROUNDS, CLIMBS, RISES } from "@/words/en/story";
import type { StoryPart } from "./StoryForm";

/** What is done every day: it bounds the strength that nobody has tested yet. */
export function DailyFields({ part }: { part: StoryPart }) {
  const { draft, set } = part;
  return (
    <section className="grid gap-1">
      <h2 className="text-[17px]">
        Every day now{" "}
        <span className="quiet text-[15px] font-normal">stands in until strength is tested</span>
      </h2>
      <Choice<Rises>
        legend="rises from a usual chair"
        name="rises"
        isInline={false}
        options={Object.entries(RISES) as [Rises, string][]}
        value={draft.rises}
        onChange={(rises) => set({ rises })}
      />
      <Choice<Climbs>
        legend="climbs stairs"
        name="climbs"
        isInline={false}
        options={Object.entries(CLIMBS) as [Climbs, string][]}
        value={draft.climbs}
        onChange={(climbs) => set({ climbs })}
      />
      <Choice<"yes" | "no">
        legend="half a year and more without training"
        name="isInactive"
        isInline={false}
        options={[
          ["yes", "yes"],
          ["no", "no"],
        ]}
        value={draft.isInactive === null ? null : draft.isInactive ? "yes" : "no"}
        onChange={(v) => set({ isInactive: v === "yes" })}
      />
      <Choice<Background>
        legend="trained with loads"
        name="background"
        isInline={false}
        options={Object.entries(BACKGROUNDS) as [Background, string][]}
        value={draft.background}
        onChange={(background) => set({ background })}
      />
    </section>
  );
}
