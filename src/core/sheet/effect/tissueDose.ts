import type { Exercise } from "../../rules/exercises";
import type { KeptLine } from "../line/keptLine";

/** What is sore when it is, as far as lines can be told apart by it; null: they cannot. */
export type SorePart = "knee" | "hip" | "back" | null;

type Line = Pick<KeptLine, "kind" | "sets" | "share">;

/** Work in which the knee stays as it is. */
export const QUIET_AT_THE_KNEE: ReadonlySet<Exercise["match"]["class"]> = new Set([
  "hip_open",
  "calf",
  "hip_hinge",
  "trunk",
]);
const QUIET_AT_THE_HIP: ReadonlySet<Exercise["match"]["class"]> = new Set([
  "open_knee_extension",
  "open_knee_flexion",
  "static_quad",
  "calf",
  "trunk",
]);
/** What a line is taken to ask where nothing says how much. */
const UNKNOWN_SHARE = 0.5;
/** A dose of one: ten repetitions at 60 % of what can be lifted once. */
const ONE = 6;
/** So many seconds of a hold are a repetition. Rule W4. */
const HOLD_S = 4;

/** How much of a line's work lands on what is sore: all, a part, or nothing of it. */
export function onSore(line: Pick<Line, "kind">, e: Exercise | null, sore: SorePart): number {
  if (!e || line.kind === "stretch" || e.match.class === "stretch") return 0;
  if (sore === "back") return e.lumbar.demand_0_3 / 3;
  if (sore === "hip") return QUIET_AT_THE_HIP.has(e.match.class) ? 0 : 1;
  return sore === "knee" && QUIET_AT_THE_KNEE.has(e.match.class) ? 0 : 1;
}

/** One region can be told apart by what its lines load; several at once cannot. */
export function sorePartOf(regions: Iterable<string>): SorePart {
  const [region, ...more] = new Set(regions);
  if (region === undefined || more.length > 0) return null;
  return PART_OF[region] ?? null;
}
const PART_OF: Readonly<Record<string, SorePart>> = { knee: "knee", hip: "hip", lumbar: "back" };

const repsOf = (s: Line["sets"][number]): number =>
  s.reps ?? (s.holds ? s.holds.reps * s.holds.holdS : s.tensionS) / HOLD_S;

/** Repetitions of a line as planned, a hold's seconds among them. */
const repsPlanned = ({ sets }: Pick<Line, "sets">): number => sets.reduce((sum, s) => sum + repsOf(s), 0);

/**
 * What one run of a line puts on what is sore, of one leg: repetitions by the share of what can be lifted once; the load on
 * the tissue itself is not known of every exercise. Compares visits of one client only. Rule W4 [own].
 */
export function tissueDose(line: Line, e: Exercise | null, sore: SorePart): number {
  const share = line.share ?? UNKNOWN_SHARE;
  return (
    (onSore(line, e, sore) * line.sets.reduce((sum, s) => sum + repsOf(s) * share * s.loadShare, 0)) / ONE
  );
}

/** What was done of it counts, and what was done beyond it no further than so much of it. */
const MOST_SHARE = 1.5;

/** The same by what one leg really did: repetitions, and seconds of holds. */
export function tissueDone(
  line: Line,
  e: Exercise | null,
  sore: SorePart,
  did: { reps: number; heldS: number },
): number {
  const share = (did.reps + did.heldS / HOLD_S) / Math.max(1, repsPlanned(line));
  return tissueDose(line, e, sore) * Math.min(MOST_SHARE, share);
}
