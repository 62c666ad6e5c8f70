import { DayField } from "@/ui/form/DayField";
import { Field } from "@/ui/form/Field";
import { Pick } from "@/ui/form/Pick";
import { Words } from "@/ui/form/Words";
import type { StoryPart } from "./StoryForm";
import { type GoalDraft, NO_GOAL } from "./storyDraft";

const MOST = 4;

/** What the leg must do again, from the list or in own words, and how hard it is now. */
export function GoalFields({ part, goals }: { part: StoryPart; goals: [string, string][] }) {
  const { draft, set, problem } = part;
  const change = (at: number, by: Partial<GoalDraft>) =>
    set({ goals: draft.goals.map((g, i) => (i === at ? { ...g, ...by } : g)) });
  return (
    <section className="grid gap-2">
      <h2 className="text-[17px]">
        <span className="needed">3 The goal</span>{" "}
        <span className="quiet text-[15px] font-normal">how hard now: 0 easy, 10 impossible</span>
      </h2>
      {problem("episode.goals") && (
        <p className="small text-error" role="alert">
          {problem("episode.goals")}
        </p>
      )}
      {draft.goals.map((g, i) => (
        <div
          // biome-ignore lint/suspicious/noArrayIndexKey: rows have no other identity while they are typed
          key={i}
          className="grid grid-cols-[minmax(0,1fr)_92px] items-end gap-2 border-b border-rule pb-2"
        >
          <div className="col-span-2">
            <Pick
              label="it must"
              name={`goal-${i}`}
              options={[["", "own words"], ...goals]}
              value={g.goalId ?? ""}
              onChange={(e) => change(i, { goalId: e.target.value || null })}
            />
          </div>
          <Words
            label={g.goalId ? "more exactly" : "in own words"}
            name={`goal-words-${i}`}
            value={g.words}
            onChange={(e) => change(i, { words: e.target.value })}
            problem={problem(`episode.goals.${i}.words`)}
          />
          <Field
            label=""
            aria-label="how hard now"
            name={`goal-hard-${i}`}
            unit="/10"
            inputMode="numeric"
            className="!w-11"
            value={g.hard}
            onChange={(e) => change(i, { hard: e.target.value })}
            problem={problem(`episode.goals.${i}.hard`)}
          />
          {(g.goalId !== null || g.words.trim() !== "") && (
            <div className="col-span-2 max-w-[200px]">
              <DayField
                label="for a day (empty: none)"
                name={`goal-on-${i}`}
                value={g.on}
                onChange={(on) => change(i, { on })}
                problem={problem(`episode.goals.${i}.on`)}
              />
            </div>
          )}
        </div>
      ))}
      {draft.goals.length < MOST && (
        <button
          type="button"
          className="small cursor-pointer justify-self-start underline"
          onClick={() => set({ goals: [...draft.goals, NO_GOAL] })}
        >
          another goal
        </button>
      )}
    </section>
  );
}
