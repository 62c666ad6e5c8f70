import { z } from "zod";
import { painScore } from "../units/fields";
import { painRegion } from "../units/painRegion";

/** A region that is followed beside the joint: its usual pain, and the most that a therapist allows there. Rule Region 1. */
const followedRegion = z.object({
  region: painRegion,
  usual: painScore,
  /** null: as the pain rule says */
  most: painScore.nullable(),
});
export type FollowedRegion = z.infer<typeof followedRegion>;

/** The joint is the first of three. */
export const MOST_FOLLOWED = 2;

export const followedRegions = z
  .array(followedRegion)
  .max(MOST_FOLLOWED, { error: "input.many_followed" })
  .refine((all) => new Set(all.map((x) => x.region)).size === all.length, { error: "input.region_once" });
