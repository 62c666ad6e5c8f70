import { LOADED } from "@/core/schedule/activity";
import { Field } from "@/ui/form/Field";
import { Words } from "@/ui/form/Words";
import { LOADED_WORDS } from "@/words/en/story";
import type { StoryPart } from "./StoryForm";
import type { ActivityDraft } from "./storyDraft";
import { Weekdays } from "./Weekdays";

const MOST = 6;
const NEW: ActivityDraft = { what: "", weekdays: [], minutes: "", hard: "", loads: ["legs"] };

/** What is done every week beside the exercises: from 6 of 10 on the legs the week is laid around it. */
export function ActivityFields({ part }: { part: StoryPart }) {
  const { draft, set, problem } = part;
  const put = (activities: ActivityDraft[]) => set({ activities });
  const change = (at: number, by: Partial<ActivityDraft>) =>
    put(draft.activities.map((a, i) => (i === at ? { ...a, ...by } : a)));
  return (
    <section className="grid gap-2">
      <h2 className="text-[17px]">
        Every week besides <span className="quiet text-[15px] font-normal">sport, garden, heavy work</span>
      </h2>
      {problem("episode.activities") && (
        <p className="small text-error" role="alert">
          {problem("episode.activities")}
        </p>
      )}
      {draft.activities.map((a, i) => {
        const at = `episode.activities.${i}`;
        return (
          <div
            // biome-ignore lint/suspicious/noArrayIndexKey: rows have no other identity while they are typed
            key={i}
            className="grid grid-cols-2 items-end gap-x-4 gap-y-1 border-b border-rule pb-2"
          >
            <div className="col-span-2">
              <Words
                label="what"
                name={`activity-${i}`}
                value={a.what}
                onChange={(e) => change(i, { what: e.target.value })}
                problem={problem(`${at}.what`)}
              />
            </div>
            <Field
              label="each time"
              name={`activity-minutes-${i}`}
              unit="min"
              inputMode="numeric"
              className="!w-11"
              value={a.minutes}
              onChange={(e) => change(i, { minutes: e.target.value })}
              problem={problem(`${at}.minutes`)}
            />
            <Field
              label="how hard"
              name={`activity-hard-${i}`}
              unit="/10"
              inputMode="numeric"
              className="!w-11"
              value={a.hard}
              onChange={(e) => change(i, { hard: e.target.value })}
              problem={problem(`${at}.hard`)}
            />
            <div className="col-span-2">
              <Weekdays legend="on" value={a.weekdays} onChange={(weekdays) => change(i, { weekdays })} />
              {problem(`${at}.weekdays`) && (
                <p className="small text-error" role="alert">
                  {problem(`${at}.weekdays`)}
                </p>
              )}
            </div>
            <div className="col-span-2 flex flex-wrap items-center gap-x-4">
              <span className="small quiet">loads</span>
              {LOADED.map((x) => (
                <label key={x} className="flex items-center gap-1">
                  <input
                    type="checkbox"
                    className="checkbox checkbox-primary checkbox-xs"
                    checked={a.loads.includes(x)}
                    onChange={() =>
                      change(i, {
                        loads: a.loads.includes(x) ? a.loads.filter((l) => l !== x) : [...a.loads, x],
                      })
                    }
                  />
                  {LOADED_WORDS[x]}
                </label>
              ))}
              <button
                type="button"
                className="small ml-auto cursor-pointer underline"
                onClick={() => put(draft.activities.filter((_, k) => k !== i))}
              >
                take out
              </button>
            </div>
          </div>
        );
      })}
      {draft.activities.length < MOST && (
        <button
          type="button"
          className="small cursor-pointer justify-self-start underline"
          onClick={() => put([...draft.activities, NEW])}
        >
          {draft.activities.length === 0 ? "an activity" : "another activity"}
        </button>
      )}
    </section>
  );
}
