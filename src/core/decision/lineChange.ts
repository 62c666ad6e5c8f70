import type { ScoreLine } from "../sheet/line/scoreInput";
import type { Said } from "../units/said";

/** What changes of a line, as a code with what stood before and what stands after; words are made elsewhere. */
export type LineChange =
  | { code: "stop" | "same" | "full" | "at_goal" | "at_least" }
  /** the same again, with a word about how, or set up in another way. Rule Seen 3 */
  | { code: "cue" | "set_up" }
  /** nothing of the line itself is left to take: the next exercise of its kind, by name, where there is one */
  | { code: "harder_form"; name: string | null }
  /** the next step is not open, and why */
  | { code: "barred"; because: Said }
  | {
      code:
        | "rung"
        | "seconds"
        | "holds"
        | "felt"
        | "percent"
        | "tolerated"
        | "distance"
        | "carried"
        | "reps"
        | "sets"
        | "lowering"
        | "pause"
        | "height";
      from: number;
      to: number;
    }
  | { code: "reps_first"; from: number; to: number; needed: number; nextHow: string }
  | {
      code: "load";
      fromHow: string;
      /** missing in what was decided before it was kept */
      fromKg?: number;
      toKg?: number;
      toHow: string;
      /** repetitions before and after; null where they stay or nobody counts them */
      fromReps: number | null;
      reps: number | null;
      isHelp: boolean;
      isUp: boolean;
    }
  /** less is held on to. Rule P3 */
  | { code: "help"; from: NonNullable<ScoreLine["help"]>; to: NonNullable<ScoreLine["help"]> }
  | { code: "range"; fromDeg: number; toDeg: number };

export interface NextLine {
  /** null: no more of it until a therapist has seen the client */
  line: ScoreLine | null;
  changes: LineChange[];
}

type Plain = "same" | "full" | "at_goal" | "at_least";

/** The line as it is, and why nothing of it changes. */
export const stays = (line: ScoreLine, change: Plain | LineChange = "same"): NextLine => ({
  line,
  changes: [typeof change === "string" ? { code: change } : change],
});

/** The same line with other numbers of its scheme, where there are such. */
export const withScheme = (line: ScoreLine, part: object): ScoreLine =>
  ({ ...line, scheme: { ...line.scheme, ...part } }) as ScoreLine;
