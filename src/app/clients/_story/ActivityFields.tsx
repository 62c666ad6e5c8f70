import { MOST_ACTIVITIES } from "@/core/schedule/activity";
import { Field } from "@/ui/form/Field";
import { Words } from "@/ui/form/Words";
import { LoadedBoxes } from "./LoadedBoxes";
import { RowList, Wrong } from "./RowList";
import type { StoryPart } from "./StoryForm";
import type { ActivityDraft } from "./storyDraft";
import { Weekdays } from "./Weekdays";

const NEW: ActivityDraft = { what: "", weekdays: [], minutes: "", hard: "", loads: ["legs"] };
const SHORT = { inputMode: "numeric", className: "!w-11" } as const;

/** What is done every week beside the exercises: from 6 of 10 on the legs the week is laid around it. */
export function ActivityFields({ part: { draft, set, problem } }: { part: StoryPart }) {
  return (
    <RowList
      heading={
        <h2 className="text-[17px]">
          Every week besides <span className="quiet text-[15px] font-normal">sport, garden, heavy work</span>
        </h2>
      }
      problem={problem("episode.activities")}
      rows={draft.activities}
      most={MOST_ACTIVITIES}
      noun="activity"
      fresh={() => NEW}
      rowClass="grid grid-cols-2 items-end gap-x-4 gap-y-1 border-b border-rule pb-2"
      onChange={(activities) => set({ activities })}
    >
      {(a, i, change, takeOut) => (
        <>
          <div className="col-span-2">
            <Words
              label="what"
              name={`activity-${i}`}
              value={a.what}
              onChange={(e) => change({ what: e.target.value })}
              problem={problem(`episode.activities.${i}.what`)}
            />
          </div>
          <Field
            {...SHORT}
            label="each time"
            name={`activity-minutes-${i}`}
            unit="min"
            value={a.minutes}
            onChange={(e) => change({ minutes: e.target.value })}
            problem={problem(`episode.activities.${i}.minutes`)}
          />
          <Field
            {...SHORT}
            label="how hard"
            name={`activity-hard-${i}`}
            unit="/10"
            value={a.hard}
            onChange={(e) => change({ hard: e.target.value })}
            problem={problem(`episode.activities.${i}.hard`)}
          />
          <div className="col-span-2">
            <Weekdays legend="on" value={a.weekdays} onChange={(weekdays) => change({ weekdays })} />
            <Wrong sentence={problem(`episode.activities.${i}.weekdays`)} />
          </div>
          <div className="col-span-2 flex flex-wrap items-center gap-x-4">
            <span className="small quiet">loads</span>
            <LoadedBoxes value={a.loads} onChange={(loads) => change({ loads })} />
            {takeOut}
          </div>
        </>
      )}
    </RowList>
  );
}
