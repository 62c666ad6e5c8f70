import "server-only";
import { EXERCISES, type Exercise, exercise, exerciseById, exerciseProblem } from "@/core/rules/exercises";
import { InputError } from "@/core/units/inputError";
import { audit } from "../base/audit";
import { type Ctx, mustMay, once } from "../base/context";
import { Refused } from "../base/refused";
import { isRepeat } from "../base/sameId";

/** An exercise of the clinic: the catalogue's, the clinic's copy of it, or one of its own. */
export interface ClinicExercise {
  exercise: Exercise;
  /** 0: the catalogue's own, never changed here */
  version: number;
  origin: "catalogue" | "changed_here" | "own";
}

/** One change of an exercise, newest first in a history. */
export interface ExerciseVersion {
  version: number;
  reason: string;
  by: string;
  at: Date;
  isBackToCatalogue: boolean;
}

/** The catalogue with the clinic's changes laid over it, own exercises behind. */
export const exercisesOf = (ctx: Ctx): Promise<ClinicExercise[]> =>
  once(ctx, "exercises", () => readExercises(ctx));

async function readExercises(ctx: Ctx): Promise<ClinicExercise[]> {
  const rows = await ctx.tx`
    select distinct on (exercise_id) exercise_id, version, record from clinic_exercise
    order by exercise_id, version desc`;
  const changed = new Map(rows.map((r) => [r.exercise_id as string, r]));
  const known: ClinicExercise[] = EXERCISES.map((e) => {
    const r = changed.get(e.id);
    return r?.record
      ? { exercise: exercise.parse(r.record), version: r.version, origin: "changed_here" }
      : { exercise: e, version: r?.version ?? 0, origin: "catalogue" };
  });
  const own: ClinicExercise[] = rows
    .filter((r) => r.record && !exerciseById(r.exercise_id))
    .map((r) => ({ exercise: exercise.parse(r.record), version: r.version, origin: "own" }));
  return [...known, ...own];
}

export async function clinicExercise(ctx: Ctx, id: string): Promise<ClinicExercise> {
  const found = (await exercisesOf(ctx)).find((x) => x.exercise.id === id);
  if (!found) throw new Refused("missing", "There is no such exercise in the library.");
  return found;
}

export async function exerciseHistory(ctx: Ctx, id: string): Promise<ExerciseVersion[]> {
  const rows = await ctx.tx`
    select c.version, c.reason, c.made_at, c.record is null as is_back, p.name
    from clinic_exercise c join person p on p.id = c.made_by
    where exercise_id = ${id} order by version desc`;
  return rows.map((r) => ({
    version: r.version,
    reason: r.reason,
    by: r.name,
    at: r.made_at,
    isBackToCatalogue: r.is_back,
  }));
}

/** Saves the clinic's copy of an exercise, or one of its own; null takes it back to the catalogue's. */
export async function writeExercise(
  ctx: Ctx,
  input: { id: string; exerciseId: string; baseVersion: number; record: Exercise | null; reason: string },
): Promise<void> {
  mustMay(ctx, "exercise.write");
  if (await isRepeat(ctx, "exercise", null, input)) return;
  const { tx, actor } = ctx;
  if (input.record && input.record.id !== input.exerciseId)
    throw new Refused("conflict", "An exercise keeps its identifier. Add a new one instead.");
  const wrong = input.record && exerciseProblem(input.record);
  if (wrong) throw new InputError(`record.${wrong.field}`, wrong.sentence);
  if (!input.record && !exerciseById(input.exerciseId))
    throw new Refused(
      "conflict",
      "This is the clinic's own exercise: there is no catalogue copy to go back to.",
    );
  const [newest] = await tx`
    select c.id, c.version, c.record, p.name from clinic_exercise c join person p on p.id = c.made_by
    where exercise_id = ${input.exerciseId} order by version desc limit 1`;
  const changedMeanwhile = new Refused(
    "conflict",
    `${newest?.name ?? "Somebody"} changed this exercise meanwhile. What you typed is still here: reload in another window, compare and save again.`,
  );
  if ((newest?.version ?? 0) !== input.baseVersion) throw changedMeanwhile;
  const rows = await tx`
    insert into clinic_exercise (id, clinic_id, exercise_id, version, record, reason, made_by, made_at)
    values (${input.id}, ${actor.clinicId}, ${input.exerciseId}, ${input.baseVersion + 1},
      ${input.record === null ? null : tx.json(input.record as never)}, ${input.reason}, ${actor.personId}, ${ctx.now})
    on conflict do nothing returning id`;
  if (rows.length === 0) throw changedMeanwhile;
  await audit(
    ctx,
    "exercise.write",
    "clinic_exercise",
    input.id,
    newest?.record ?? exerciseById(input.exerciseId),
    input.record ?? { back: "to the catalogue's own" },
  );
}
