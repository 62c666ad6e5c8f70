import { type InForce, mostOf } from "../../bounds/inForce";
import type { Irritability, School } from "../../progression/painRule";

/**
 * Felt effort that holds are planned for: lower after surgery and when easily stirred up, and never above a limit. Dosing
 * rules C [own].
 */
export const effortCap = (s: School, i: Irritability, bounds: InForce): number =>
  Math.min(s === "post_op" || i === "high" ? 6 : 8, mostOf(bounds, "felt_effort"));
