import { z } from "zod";
import { type Exercise, likeOf } from "../../rules/exercises";
import { exerciseUse } from "../../selection/fit/exerciseUse";
import type { SchemeKind } from "../schemes/scheme";

/** Which legs work, and in which order. In turns one leg's set is the other's rest; the weaker one begins. */
export const legs = z.enum(["together", "one", "in_turns", "one_after_other", "alternating"], {
  error: "input.choose_legs",
});
export type Legs = z.infer<typeof legs>;

/** Whether an exercise trains one leg at a time. Null: either way, its model does not say. */
function isOneLegged(e: Exercise): boolean | null {
  if (e.match.single_leg) return true;
  const use = exerciseUse(e);
  return use ? use.share === 1 : null;
}

/** Both feet carry, although one leg after the other is trained or steps: no limit on one leg alone means these. */
const STANDS_ON_BOTH: ReadonlySet<string> = new Set(["tke_standing", "carry_two"]);

/** Whether a line puts a bent knee under load on one leg alone. */
export const isOnOneLeg = (e: Exercise, legs: Legs): boolean =>
  legs !== "together" && e.match.class === "closed_knee" && !STANDS_ON_BOTH.has(likeOf(e));

const HELD: ReadonlySet<SchemeKind> = new Set(["holds", "stretch"]);

/** How the legs may share an exercise done by a scheme, the usual way first. Total over both. */
export function legsAllowed(e: Exercise, kind: SchemeKind): Legs[] {
  const single: Legs[] = HELD.has(kind)
    ? ["one_after_other", "one"]
    : ["in_turns", "one", "one_after_other", "alternating"];
  if (kind === "two_up_one_down") return ["one", "in_turns", "alternating"];
  if (kind === "carry") return ["alternating"];
  const oneLegged = isOneLegged(e);
  if (oneLegged === true) return single;
  if (oneLegged === false) return ["together"];
  return ["together", ...single];
}
