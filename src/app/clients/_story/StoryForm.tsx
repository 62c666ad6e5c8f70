"use client";
import { useRef, useState } from "react";
import { z } from "zod";
import type { MassUnit } from "@/core/units/mass";
import { focusFirstGap } from "@/ui/form/focusFirstGap";
import { Problem } from "@/ui/form/Problem";
import { problemsByField } from "@/ui/form/problemsByField";
import { UnsavedBar } from "@/ui/form/UnsavedBar";
import { useUnsaved } from "@/ui/form/useUnsaved";
import { KeysHelp } from "@/ui/keys/KeysHelp";
import type { Sent } from "@/ui/send";
import { ActivityFields } from "./ActivityFields";
import type { StoryChoices } from "./choices";
import { DailyFields } from "./DailyFields";
import { GoalFields } from "./GoalFields";
import { MarkerFields } from "./MarkerFields";
import { PainFields } from "./PainFields";
import { PersonFields } from "./PersonFields";
import { PlaceFields } from "./PlaceFields";
import { ProblemFields } from "./ProblemFields";
import { RegionFields } from "./RegionFields";
import { type StoryDraft, storyDraft, storyFrom } from "./storyDraft";

export interface StoryPart {
  draft: StoryDraft;
  set: (change: Partial<StoryDraft>) => void;
  /** the sentence at a field, by its path as the route names it */
  problem: (path: string) => string | undefined;
}

const KEPT = z.object({ version: z.number(), story: storyDraft });

/** The whole story on one screen: who, what and since when, what hurts, what the leg must do again. */
export function StoryForm({
  place,
  version,
  start,
  choices,
  massUnit,
  saveWords,
  savedWords,
  onSave,
}: {
  /** where changes are kept on the device until they are saved */
  place: string;
  /** of the story that stands; 0: none yet */
  version: number;
  start: StoryDraft;
  choices: StoryChoices;
  massUnit: MassUnit;
  saveWords: string;
  savedWords: string;
  /** `evenIfChanged`: the person has read that a colleague changed it meanwhile */
  onSave: (story: ReturnType<typeof storyFrom>, evenIfChanged: boolean) => Promise<Sent<unknown>>;
}) {
  const form = useRef<HTMLFormElement>(null);
  const [draft, setDraft] = useState(start);
  const [base, setBase] = useState(start);
  const [problems, setProblems] = useState<Record<string, string>>({});
  const [isBusy, setBusy] = useState(false);
  const [isSaved, setSaved] = useState(false);
  const [isBehind, setBehind] = useState(false);
  const left = useUnsaved({
    place,
    shape: KEPT,
    draft: { version, story: draft },
    isChanged: JSON.stringify(draft) !== JSON.stringify(base),
  });
  const part: StoryPart = {
    draft,
    set: (change) => {
      setSaved(false);
      setDraft((d) => ({ ...d, ...change }));
    },
    problem: (path) => problems[path],
  };
  const save = async () => {
    if (isBusy) return;
    setBusy(true);
    const sent = await onSave(storyFrom(draft, massUnit), isBehind);
    setBusy(false);
    setBehind(!sent.ok && sent.status === 409);
    setProblems(sent.ok ? {} : problemsByField(sent.problems));
    setSaved(sent.ok);
    if (!sent.ok) return focusFirstGap(form.current);
    setBase(draft);
    left.drop();
  };
  const count = Object.keys(problems).filter((k) => k !== "form").length;
  return (
    <>
      {left.found && (
        <UnsavedBar
          what="the story"
          since={
            left.found.version === version
              ? undefined
              : "somebody saved another story since: look at what you take over."
          }
          onTake={() => {
            if (left.found) setDraft(left.found.story);
            left.settled();
          }}
          onDrop={left.drop}
        />
      )}
      <form
        ref={form}
        noValidate
        onSubmit={(e) => {
          e.preventDefault();
          save();
        }}
      >
        <fieldset className="grid grid-cols-1 gap-x-7 gap-y-5 lg:grid-cols-[220px_minmax(0,1fr)] xl:grid-cols-[220px_minmax(0,1.35fr)_minmax(0,1fr)]">
          <legend className="sr-only">Story</legend>
          <PersonFields part={part} massUnit={massUnit} />
          <div className="grid content-start gap-3">
            <h2 className="text-[17px]">2 The joint</h2>
            <PainFields part={part} />
            <ProblemFields part={part} choices={choices} />
            <RegionFields part={part} />
            <MarkerFields part={part} />
          </div>
          <div className="grid content-start gap-x-7 gap-y-4 lg:col-span-2 lg:grid-cols-2 xl:col-span-1 xl:grid-cols-1">
            <GoalFields part={part} goals={choices.goals} />
            <DailyFields part={part} />
            <PlaceFields part={part} />
            <ActivityFields part={part} />
          </div>
        </fieldset>
        <div className="mt-4 flex items-center gap-4 border-t border-rule pt-3">
          <button type="submit" className="btn btn-primary btn-sm" disabled={isBusy}>
            {isBehind ? "Save mine over theirs" : saveWords} <kbd>S</kbd>
          </button>
          <Problem
            sentence={
              problems.form ??
              (count
                ? `${count} ${count === 1 ? "field needs" : "fields need"} mending; nothing was saved yet.`
                : null)
            }
          />
          <span className="small quiet" aria-live="polite">
            {isSaved && savedWords}
          </span>
        </div>
      </form>
      <div className="mt-1 text-right">
        <KeysHelp deeds={[{ key: "s", words: saveWords.toLowerCase(), run: save }]} />
      </div>
    </>
  );
}
