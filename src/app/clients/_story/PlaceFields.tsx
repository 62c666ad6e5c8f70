import { Pick } from "@/ui/form/Pick";
import { PLACES, SUPPORTS } from "@/words/en/story";
import type { StoryPart } from "./StoryForm";
import { Weekdays } from "./Weekdays";

/** Where and when they can train, and with what around the joint. */
export function PlaceFields({ part }: { part: StoryPart }) {
  const { draft, set, problem } = part;
  return (
    <section className="grid gap-2">
      <h2 className="text-[17px]">Where and when</h2>
      <div className="grid grid-cols-2 gap-3">
        <Pick
          label="trains at"
          name="trainsAt"
          options={Object.entries(PLACES)}
          value={draft.trainsAt}
          onChange={(e) => set({ trainsAt: e.target.value })}
        />
        <Pick
          isNeeded
          label="wrap or brace"
          name="support"
          options={[["", "choose"], ...Object.entries(SUPPORTS)]}
          value={draft.support}
          onChange={(e) => set({ support: e.target.value })}
          problem={problem("episode.support")}
        />
      </div>
      <label className="flex items-center gap-2">
        <input
          type="checkbox"
          name="isAlone"
          className="checkbox checkbox-primary checkbox-sm"
          checked={draft.isAlone ?? false}
          onChange={(e) => set({ isAlone: e.target.checked })}
        />
        trains alone
      </label>
      <Weekdays legend="days available" value={draft.weekdays} onChange={(weekdays) => set({ weekdays })} />
    </section>
  );
}
