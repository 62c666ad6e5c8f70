import { z } from "zod";
import { painScore } from "./fields";

/** Regions of the body picture that can be marked as painful: leg and back, seen from the front, the back and the side. */
export const PAIN_REGION_IDS = [
  "back_low",
  "back_buttock",
  "hip_groin",
  "hip_side",
  "thigh_front",
  "thigh_back",
  "knee_above",
  "knee_cap",
  "knee_tendon",
  "knee_inner",
  "knee_outer",
  "knee_back",
  "calf",
  "shin",
  "ankle_foot",
] as const;
export type PainRegion = (typeof PAIN_REGION_IDS)[number];

export const painRegion = z.enum(PAIN_REGION_IDS, { error: "input.choose_region" });

/** How much one region hurts. */
export const painAt = z.object({ region: painRegion, pain: painScore });
export type PainAt = z.infer<typeof painAt>;

/** So many are asked for at once. */
export const MOST_ELSEWHERE = 4;

/** Regions other than the joint that the episode is about, each once. Rule Region 1. */
export const painsElsewhere = z
  .array(painAt)
  .max(MOST_ELSEWHERE, { error: "input.many_regions" })
  .refine((all) => new Set(all.map((x) => x.region)).size === all.length, { error: "input.region_once" });

/** The same with what was said of a region, in place of what was said before. */
export const withPain = (all: readonly PainAt[], region: PainRegion, pain: number): PainAt[] => [
  ...all.filter((x) => x.region !== region),
  { region, pain },
];
