import { type InForce, leastOf, mostOf } from "../../bounds/inForce";
import type { Exercise, UsualDose } from "../../rules/exercises";
import { clamp } from "../../units/clamp";
import type { Scheme } from "../schemes/scheme";

/** What a session is for: the catalogue has a usual dose of each exercise for each of them. */
export type Aim = "rehab_activation" | "endurance" | "size" | "strength";

const middle = ([low, high]: readonly [number, number], step = 1): number =>
  Math.round((low + high) / 2 / step) * step;

/** Ends of what the schemes take. */
const MOST_HOLD_S = 60;
const MOST_REPS = 30;

/** The usual dose of an exercise for an aim, inside what the phase asks; null where the catalogue says it does not suit. */
export function schemeByAim(
  e: Exercise,
  aim: Aim,
  limits: InForce,
  hold: { atDeg: number | null; mostS: number | null },
): Scheme | null {
  const dose = e.dose_by_goal?.[aim];
  if (!dose || dose.not_suited) return null;
  if (e.match.class === "stretch") return stretched(dose);
  if (dose.hold_s && dose.effort_pct_max) return held(dose, limits, hold);
  if (!dose.reps) return null;
  const reserve = clamp(Math.max(leastOf(limits, "reserve"), middle(dose.reps_in_reserve ?? [2, 4])), 0, 8);
  const [liftS = 2, topS = 0, lowerS = 3] = (dose.tempo_lift_hold_lower_s ?? "2-0-3").split("-").map(Number);
  return {
    kind: "straight",
    sets: dose.sets[0],
    reps: Math.min(MOST_REPS, middle(dose.reps)),
    reserve,
    tempo: { liftS, topS, lowerS, bottomS: 0 },
    restS: middle(dose.rest_s, 5),
  };
}

type Suited = Exclude<UsualDose, { not_suited: true }>;

/** Percents of holds are felt effort in practice (docs/rules.md, "How they meet"). */
function held(dose: Suited, limits: InForce, hold: { atDeg: number | null; mostS: number | null }): Scheme {
  const longest = Math.min(MOST_HOLD_S, hold.mostS ?? MOST_HOLD_S);
  return {
    kind: "holds",
    sets: 1,
    reps: clamp(dose.sets[0], 1, 12),
    holdS: Math.min(longest, middle(dose.hold_s ?? [20, 40], 5)),
    restS: middle(dose.rest_s, 5),
    setRestS: 0,
    effort: {
      kind: "felt",
      felt: clamp(
        middle(dose.effort_pct_max ?? [40, 60], 5) / 10,
        2,
        Math.max(2, mostOf(limits, "felt_effort")),
      ),
    },
    atDeg: hold.atDeg,
  };
}

function stretched(dose: Suited): Scheme | null {
  if (!dose.hold_s) return null;
  const toleratedS = dose.hold_s[0];
  return { kind: "stretch", totalS: dose.sets[0] * toleratedS, toleratedS };
}

/** The same holds on an exercise that is usually moved: the ladder's first steps, five holds. */
export const plainHolds = (felt: number, hold: { atDeg: number | null; mostS: number | null }): Scheme => ({
  kind: "holds",
  sets: 1,
  reps: 5,
  holdS: Math.min(30, hold.mostS ?? 30),
  restS: 60,
  setRestS: 0,
  effort: { kind: "felt", felt },
  atDeg: hold.atDeg,
});
