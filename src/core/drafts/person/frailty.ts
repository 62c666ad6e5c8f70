import { sitToStandBelow } from "../../measure/sitToStand";

/** Beyond these years a session is short, slow and safe [~]. */
const OLD_YEARS = 75;

/** Over 75, or rising from a chair less often than most of that age; without a norm of one's own either norm counts. */
export function isFrail(c: {
  ageYears: number;
  normSex: "female" | "male" | null;
  /** rises in 30 seconds; null: not counted */
  rises: number | null;
}): boolean {
  if (c.ageYears > OLD_YEARS) return true;
  const { rises } = c;
  if (rises === null) return false;
  const norms = c.normSex === null ? (["F", "M"] as const) : ([c.normSex === "female" ? "F" : "M"] as const);
  return norms.some((sex) => sitToStandBelow(sex, c.ageYears, rises)?.below ?? false);
}
