"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { z } from "zod";
import { type Exercise, exerciseById, likeOf } from "@/core/rules/exercises";
import { exerciseUse } from "@/core/selection/fit/exerciseUse";
import { readNumber } from "@/core/units/readNumber";
import { Choice } from "@/ui/form/Choice";
import { Field } from "@/ui/form/Field";
import { Problem } from "@/ui/form/Problem";
import { problemsByField } from "@/ui/form/problemsByField";
import { UnsavedBar } from "@/ui/form/UnsavedBar";
import { useUnsaved } from "@/ui/form/useUnsaved";
import { useSendOnce } from "@/ui/useSendOnce";

const LISTS = [
  ["setup_checks", "before the first repetition"],
  ["cues", "cues"],
  ["typical_mistakes", "usual mistakes"],
  ["stop_signs", "stop for"],
] as const;

const LINKS = [
  ["easier_id", "easier"],
  ["harder_id", "harder"],
  ["home_substitute_id", "at home"],
] as const;

const asLines = (text: string): string[] =>
  text
    .split("\n")
    .map((l) => l.trim())
    .filter(Boolean);

/** A name that people type becomes an identifier that does not clash with the catalogue's. */
const idOf = (name: string): string =>
  `own_${name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, "_")
    .replace(/^_+|_+$/g, "")
    .slice(0, 50)}`;

const typed = z.string();

/** An exercise as its form holds it: lists a line each. */
const exerciseDraft = z.object({
  name: typed,
  equipment: typed,
  min: typed,
  max: typed,
  setup_checks: typed,
  cues: typed,
  typical_mistakes: typed,
  stop_signs: typed,
  easier_id: typed,
  harder_id: typed,
  home_substitute_id: typed,
  /** of the clinic's own: whether its knee loads are those of the one it is like; empty: nobody has said yet */
  model: z.enum(["", "like", "none"]).default(""),
  reason: typed,
});

/** A wrong model is a wrong number: for a new one it is asked, never taken for granted. */
const modelOf = (e: Exercise, isNew: boolean) => (isNew ? "" : e.is_modelled_as_like ? "like" : "none");

/** The words of an exercise as the clinic wants them, with the reason for the change. */
export function ExerciseForm({
  exercise,
  version,
  names,
  mayGoBack,
  isNew,
}: {
  exercise: Exercise;
  version: number;
  names: { id: string; name: string }[];
  mayGoBack: boolean;
  isNew: boolean;
}) {
  const router = useRouter();
  const sendOnce = useSendOnce();
  const isOwn = isNew || exercise.like_id !== undefined;
  const like = exerciseById(likeOf(exercise));
  const hasModel = like !== null && exerciseUse(like) !== null;
  const [draft, setDraft] = useState({
    name: isNew ? "" : exercise.name,
    equipment: exercise.equipment,
    min: String(exercise.knee_angle_usable_deg.min),
    max: String(exercise.knee_angle_usable_deg.max),
    setup_checks: exercise.setup_checks.join("\n"),
    cues: exercise.cues.join("\n"),
    typical_mistakes: exercise.typical_mistakes.join("\n"),
    stop_signs: exercise.stop_signs.join("\n"),
    easier_id: exercise.easier_id ?? "",
    harder_id: exercise.harder_id ?? "",
    home_substitute_id: exercise.home_substitute_id,
    model: modelOf(exercise, isNew),
    reason: "",
  });
  const [problems, setProblems] = useState<Record<string, string>>({});
  const [saved, setSaved] = useState(false);
  const [base, setBase] = useState(draft);
  const left = useUnsaved({
    place: `exercise ${isNew ? "new" : exercise.id}`,
    shape: exerciseDraft,
    draft,
    isChanged: JSON.stringify(draft) !== JSON.stringify(base),
  });
  const set = (part: Partial<typeof draft>) => setDraft({ ...draft, ...part });
  const post = async (record: Exercise | null) => {
    const exerciseId = isNew ? idOf(draft.name) : exercise.id;
    const sent = await sendOnce("/api/exercises", (id) => ({
      id,
      exerciseId,
      baseVersion: version,
      record,
      reason: draft.reason,
    }));
    if (!sent.ok)
      return setProblems(
        problemsByField(
          sent.problems.map((p) => ({ ...p, field: p.field.replace(/^record\.([a-z_]+).*/, "$1") })),
        ),
      );
    setProblems({});
    setSaved(true);
    setBase(draft);
    left.drop();
    if (isNew) router.push(`/library/${exerciseId}`);
    else router.refresh();
  };
  const save = () => {
    const [min, max] = [readNumber(draft.min), readNumber(draft.max)];
    if (!(min >= 0 && max <= 140 && min < max))
      return setProblems({ angles: "The knee's angles run from 0 to 140 degrees, the straight end first." });
    if (isOwn && hasModel && draft.model === "")
      return setProblems({ model: "Say whether it is done as the one it is like." });
    return post({
      ...exercise,
      ...(isOwn
        ? { like_id: likeOf(exercise), is_modelled_as_like: hasModel && draft.model === "like" }
        : {}),
      id: isNew ? idOf(draft.name) : exercise.id,
      name: draft.name,
      equipment: draft.equipment,
      knee_angle_usable_deg: { min, max },
      setup_checks: asLines(draft.setup_checks),
      cues: asLines(draft.cues),
      typical_mistakes: asLines(draft.typical_mistakes),
      stop_signs: asLines(draft.stop_signs),
      easier_id: draft.easier_id || null,
      harder_id: draft.harder_id || null,
      home_substitute_id: draft.home_substitute_id,
    });
  };
  const line = (label: string, key: "name" | "equipment" | "reason", hint?: string) => (
    <label className="grid gap-0.5">
      <span className="small">{label}</span>
      <input
        name={key}
        className={`input input-sm w-full border ${problems[key] ? "border-error" : "border-rule"}`}
        value={draft[key]}
        placeholder={hint}
        onChange={(e) => set({ [key]: e.target.value })}
      />
      {problems[key] && (
        <span className="small text-error" role="alert">
          {problems[key]}
        </span>
      )}
    </label>
  );
  const said = new Set([
    "name",
    "equipment",
    "reason",
    "angles",
    "model",
    ...LISTS.map(([k]) => k as string),
  ]);
  return (
    <form
      className="mt-2 grid gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        save();
      }}
    >
      {left.found && (
        <UnsavedBar
          what="this exercise"
          onTake={() => {
            if (left.found) setDraft({ ...draft, ...left.found });
            left.settled();
          }}
          onDrop={left.drop}
        />
      )}
      <div className="grid grid-cols-1 sm:grid-cols-2 gap-x-10 gap-y-2">
        {line("name", "name")}
        {line("what it needs", "equipment")}
        {LISTS.map(([key, label]) => (
          <label key={key} className="grid gap-0.5">
            <span className="small">{label}, one a line</span>
            <textarea
              name={key}
              className="textarea textarea-sm h-24 w-full"
              value={draft[key]}
              onChange={(e) => set({ [key]: e.target.value })}
            />
            {problems[key] && (
              <span className="small text-error" role="alert">
                {problems[key]}
              </span>
            )}
          </label>
        ))}
        <div>
          <Field
            label="straightest knee"
            unit="°"
            name="min"
            inputMode="numeric"
            value={draft.min}
            onChange={(e) => set({ min: e.target.value })}
            problem={problems.angles}
          />
          <Field
            label="most bent knee"
            unit="°"
            name="max"
            inputMode="numeric"
            value={draft.max}
            onChange={(e) => set({ max: e.target.value })}
          />
        </div>
        <div className="grid gap-1">
          {LINKS.map(([key, label]) => (
            <label key={key} className="grid grid-cols-[70px_minmax(0,1fr)] items-baseline gap-2">
              <span className="small">{label}</span>
              <select
                name={key}
                className="select select-sm w-full"
                value={draft[key]}
                onChange={(e) => set({ [key]: e.target.value })}
              >
                {key !== "home_substitute_id" && <option value="">none</option>}
                {names.map((n) => (
                  <option key={n.id} value={n.id}>
                    {n.name}
                  </option>
                ))}
              </select>
            </label>
          ))}
        </div>
      </div>
      {isOwn && like && hasModel && (
        <Choice
          legend="what it does to the knee"
          name="model"
          isInline={false}
          options={[
            ["like", `computed as for “${like.name}”: same kind of machine, same feet and legs`],
            ["none", "not computed: it is done another way"],
          ]}
          value={draft.model === "" ? null : draft.model}
          onChange={(model) => set({ model })}
          problem={problems.model}
        />
      )}
      {line("why it is changed", "reason", "for the record")}
      {Object.entries(problems)
        .filter(([f]) => !said.has(f))
        .map(([f, sentence]) => (
          <Problem key={f} sentence={sentence} />
        ))}
      <p className="flex items-center gap-3">
        <button type="submit" className="btn btn-primary btn-sm">
          {isNew ? "Add it" : "Save the clinic's copy"}
        </button>
        {mayGoBack && (
          <button type="button" className="btn btn-line btn-sm" onClick={() => post(null)}>
            Back to the catalogue's own
          </button>
        )}
        {saved && <span role="status">Saved.</span>}
      </p>
    </form>
  );
}
