import type { Irritability, School } from "../../progression/painRule";
import { painRule } from "../../progression/painRule";
import type { Exercise } from "../../rules/exercises";
import { onSore } from "../../sheet/effect/tissueDose";
import type { KeptLine } from "../../sheet/line/keptLine";
import type { FollowedRegion } from "../../story/regions";
import type { PainAt, PainRegion } from "../../units/painRegion";

type ClassOf = Exercise["match"]["class"];
const THIGH_FRONT: readonly ClassOf[] = ["closed_knee", "open_knee_extension", "static_quad"];
const THIGH_BACK: readonly ClassOf[] = ["closed_knee_flexion", "open_knee_flexion", "hip_hinge"];
const LOWER_LEG: readonly ClassOf[] = ["calf", "closed_knee", "closed_knee_flexion"];

/** Whether an exercise loads a region; a stretch loads none. Rule Region 2 [own]. */
export function loadsRegion(e: Exercise, region: PainRegion): boolean {
  const { class: of } = e.match;
  if (of === "stretch") return false;
  const line = { kind: "straight" as const };
  switch (region) {
    case "back_low":
    case "back_buttock":
      return onSore(line, e, "back") > 0;
    case "hip_groin":
    case "hip_side":
      return onSore(line, e, "hip") > 0;
    case "thigh_front":
      return THIGH_FRONT.includes(of);
    case "thigh_back":
      return THIGH_BACK.includes(of);
    case "calf":
    case "shin":
    case "ankle_foot":
      return LOWER_LEG.includes(of);
    default:
      return onSore(line, e, "knee") > 0;
  }
}

/** How carefully pain is taken: the rule of the episode, bounded by what a therapist wrote for a region. */
export interface PainCare {
  school: School;
  irritability: Irritability;
}

/** What a line asks about besides the joint: the followed regions that it loads. Rule Region 2. */
export const askedIn = (
  e: Exercise,
  followed: readonly FollowedRegion[],
  { school, irritability }: PainCare,
): NonNullable<KeptLine["regions"]> =>
  followed
    .filter((f) => loadsRegion(e, f.region))
    .map(({ region, most }) => ({ region, most: painRule(school, irritability, most).max }));

/** The most that a line allows in a region: its own bound, else the line's. */
export const mostIn = (line: Pick<KeptLine, "regions" | "painMax">, region: PainRegion): number =>
  line.regions?.find((r) => r.region === region)?.most ?? line.painMax;

/** The worst of each region. */
export function worstElsewhere(all: readonly { elsewhere: readonly PainAt[] }[]): PainAt[] {
  const worst = new Map<PainRegion, number>();
  for (const { region, pain } of all.flatMap((r) => r.elsewhere))
    worst.set(region, Math.max(pain, worst.get(region) ?? 0));
  return [...worst].map(([region, pain]) => ({ region, pain }));
}
