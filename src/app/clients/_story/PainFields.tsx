import type { BringsOn, SettlesIn } from "@/core/story/irritabilityFrom";
import { Choice } from "@/ui/form/Choice";
import { Field } from "@/ui/form/Field";
import { BRINGS_ON, SETTLES_IN } from "@/words/en/story";
import { PainPicture } from "./PainPicture";
import type { StoryPart } from "./StoryForm";

/** What hurts, where, how much, how easily it is stirred up and how long it stays so. */
export function PainFields({ part }: { part: StoryPart }) {
  const { draft, set, problem } = part;
  const score = (label: string, name: "painNow" | "painWorst" | "painBest") => (
    <Field
      isNeeded
      label={label}
      name={name}
      inputMode="numeric"
      className="!w-14"
      value={draft[name]}
      onChange={(e) => set({ [name]: e.target.value })}
      problem={problem(`episode.${name}`)}
    />
  );
  return (
    <section className="grid grid-cols-1 sm:grid-cols-[250px_minmax(0,1fr)] gap-x-5">
      <PainPicture side={draft.side} marked={draft.painMarks} onChange={(painMarks) => set({ painMarks })} />
      <div className="grid content-start gap-2">
        <Choice
          isNeeded
          legend="side"
          name="side"
          options={[
            ["left", "left"],
            ["right", "right"],
          ]}
          value={draft.side}
          onChange={(side) => set({ side })}
          problem={problem("episode.side")}
        />
        <p className="small quiet">pain in the joint: 0 none, 10 the worst there is</p>
        {score("pain now", "painNow")}
        {score("worst this week", "painWorst")}
        {score("best this week", "painBest")}
        <Choice<BringsOn>
          isNeeded
          legend="it takes to stir it up"
          name="bringsOn"
          isInline={false}
          options={Object.entries(BRINGS_ON) as [BringsOn, string][]}
          value={draft.bringsOn}
          onChange={(bringsOn) => set({ bringsOn })}
          problem={problem("episode.bringsOn")}
        />
        <Choice<SettlesIn>
          isNeeded
          legend="it settles"
          name="settlesIn"
          isInline={false}
          options={Object.entries(SETTLES_IN) as [SettlesIn, string][]}
          value={draft.settlesIn}
          onChange={(settlesIn) => set({ settlesIn })}
          problem={problem("episode.settlesIn")}
        />
      </div>
    </section>
  );
}
