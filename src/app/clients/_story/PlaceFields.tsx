import { Pick } from "@/ui/form/Pick";
import { PLACES, SUPPORTS } from "@/words/en/story";
import type { StoryPart } from "./StoryForm";

const DAYS = ["Mon", "Tue", "Wed", "Thu", "Fri", "Sat", "Sun"];

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
      <fieldset>
        <legend className="small quiet">days available</legend>
        <span className="flex flex-wrap gap-x-2.5 gap-y-1">
          {DAYS.map((day, i) => (
            <label key={day} className="flex items-center gap-1">
              <input
                type="checkbox"
                className="checkbox checkbox-primary checkbox-xs"
                checked={draft.weekdays.includes(i + 1)}
                onChange={() =>
                  set({
                    weekdays: draft.weekdays.includes(i + 1)
                      ? draft.weekdays.filter((d) => d !== i + 1)
                      : [...draft.weekdays, i + 1].sort(),
                  })
                }
              />
              {day}
            </label>
          ))}
        </span>
      </fieldset>
    </section>
  );
}
