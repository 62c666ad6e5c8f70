import type { Exercise } from "../../rules/exercises";
import { type ByMuscle, creditedTo, hardFor, type Muscle } from "../../schedule/balance";
import { workKindOf } from "../line/workKind";

type SetsOf = readonly { exerciseId: string; sets: number }[];

/** What effective sets of exercises are to muscle groups. */
export interface MuscleCredits {
  /** credited to the groups that do them */
  credit: (work: SetsOf) => ByMuscle;
  /** the groups for which all of it on one day is hard */
  hard: (work: SetsOf) => Muscle[];
  exerciseOf: (id: string) => Exercise | null;
}

export function muscleCreditsOf(exercises: readonly Exercise[]): MuscleCredits {
  const byId = new Map(exercises.map((e) => [e.id, { e, kind: workKindOf(e) }]));
  const kindsOf = (work: SetsOf) =>
    work.flatMap((w) => {
      const kind = byId.get(w.exerciseId)?.kind;
      return kind ? [{ kind, amount: w.sets }] : [];
    });
  return {
    credit: (work) => creditedTo(kindsOf(work)),
    hard: (work) => hardFor(kindsOf(work)),
    exerciseOf: (id) => byId.get(id)?.e ?? null,
  };
}
