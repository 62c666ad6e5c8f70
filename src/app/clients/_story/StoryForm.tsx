"use client";
import { useRef, useState } from "react";
import type { MassUnit } from "@/core/units/mass";
import { focusFirstGap } from "@/ui/form/focusFirstGap";
import { Problem } from "@/ui/form/Problem";
import { problemsByField } from "@/ui/form/problemsByField";
import { KeysHelp } from "@/ui/keys/KeysHelp";
import type { Sent } from "@/ui/send";
import type { StoryChoices } from "./choices";
import { DailyFields } from "./DailyFields";
import { GoalFields } from "./GoalFields";
import { PainFields } from "./PainFields";
import { PersonFields } from "./PersonFields";
import { ProblemFields } from "./ProblemFields";
import { type StoryDraft, storyFrom } from "./storyDraft";

export interface StoryPart {
  draft: StoryDraft;
  set: (change: Partial<StoryDraft>) => void;
  /** the sentence at a field, by its path as the route names it */
  problem: (path: string) => string | undefined;
}

/** The whole story on one screen: who, what and since when, what hurts, what the leg must do again. */
export function StoryForm({
  start,
  choices,
  massUnit,
  mayWrite,
  saveWords,
  savedWords,
  onSave,
}: {
  start: StoryDraft;
  choices: StoryChoices;
  massUnit: MassUnit;
  mayWrite: boolean;
  saveWords: string;
  savedWords: string;
  /** `evenIfChanged`: the person has read that a colleague changed it meanwhile */
  onSave: (story: ReturnType<typeof storyFrom>, evenIfChanged: boolean) => Promise<Sent<unknown>>;
}) {
  const form = useRef<HTMLFormElement>(null);
  const [draft, setDraft] = useState(start);
  const [problems, setProblems] = useState<Record<string, string>>({});
  const [isBusy, setBusy] = useState(false);
  const [isSaved, setSaved] = useState(false);
  const [isBehind, setBehind] = useState(false);
  const part: StoryPart = {
    draft,
    set: (change) => {
      setSaved(false);
      setDraft((d) => ({ ...d, ...change }));
    },
    problem: (path) => problems[path],
  };
  const save = async () => {
    if (isBusy || !mayWrite) return;
    setBusy(true);
    const sent = await onSave(storyFrom(draft, massUnit), isBehind);
    setBusy(false);
    setBehind(!sent.ok && sent.status === 409);
    setProblems(sent.ok ? {} : problemsByField(sent.problems));
    setSaved(sent.ok);
    if (!sent.ok) focusFirstGap(form.current);
  };
  const count = Object.keys(problems).filter((k) => k !== "form").length;
  return (
    <>
      <form
        ref={form}
        noValidate
        onSubmit={(e) => {
          e.preventDefault();
          save();
        }}
      >
        <fieldset
          disabled={!mayWrite}
          className="grid grid-cols-1 lg:grid-cols-[240px_minmax(0,1fr)_minmax(0,1.12fr)] gap-x-7 gap-y-5"
        >
          <legend className="sr-only">Story</legend>
          <PersonFields part={part} massUnit={massUnit} />
          <ProblemFields part={part} choices={choices} />
          <div className="grid content-start gap-4">
            <PainFields part={part} isFixed={!mayWrite} />
            <DailyFields part={part} />
            <GoalFields part={part} goals={choices.goals} />
          </div>
        </fieldset>
        {mayWrite && (
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
        )}
      </form>
      {mayWrite && (
        <div className="mt-1 text-right">
          <KeysHelp deeds={[{ key: "s", words: saveWords.toLowerCase(), run: save }]} />
        </div>
      )}
    </>
  );
}
