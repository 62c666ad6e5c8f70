import { type Exercise, withOwn } from "../../rules/exercises";
import type { SheetInput } from "../../selection/rank/rangeSheet";
import type { Tissue } from "../../selection/tissue/tissues";
import type { ScoreContext } from "./judgeScore";

/** What a session is judged by as it is read and sent: the catalogue itself stands in the code. */
export interface PlainScoreFacts extends Omit<ScoreContext, "sheet"> {
  choose: Omit<SheetInput, "exercises" | "chair" | "tissue" | "capTimes" | "basis"> & {
    ownExercises: readonly Exercise[];
    firstTissue: Tissue;
  };
  chair: SheetInput["chair"];
}

/** The same with the catalogue; rows are compared at half effort. */
export const scoreContextOf = ({ choose, chair, ...rest }: PlainScoreFacts): ScoreContext => ({
  ...rest,
  sheet: {
    ...choose,
    exercises: withOwn(choose.ownExercises),
    chair,
    tissue: choose.firstTissue,
    capTimes: null,
    basis: { kind: "effort", share: 0.5 },
  },
});
