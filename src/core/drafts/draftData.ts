import { z } from "zod";
import data from "../rules/data/drafts.json";
import { legs } from "../sheet/line/legs";
import type { Scheme } from "../sheet/schemes/scheme";

/** What a line is for. The task is the goal itself; it and the range after surgery are never dropped for time. Rule K19. */
const role = z.enum(["warm_up", "main", "support", "calf", "range", "task"]);
export type Role = z.infer<typeof role>;

const restS = z.number();
const tempo = z.tuple([z.number(), z.number(), z.number(), z.number()]);
/** knee bend from the most bent to the straightest, as the drafts write it */
const windowDeg = z.object({ from: z.number(), to: z.number() });

/** A scheme as the drafts write it, turned into one of the product's. */
const written = z.discriminatedUnion("kind", [
  z.object({
    kind: z.literal("holds"),
    sets: z.number(),
    reps: z.number(),
    hold_s: z.number(),
    rest_s: restS,
    set_rest_s: restS,
    felt: z.number(),
    at_deg: z.number().optional(),
  }),
  z.object({
    kind: z.enum(["straight", "ramp"]),
    sets: z.number(),
    reps: z.number(),
    reserve: z.number(),
    rest_s: restS,
    tempo_lift_top_lower_bottom_s: tempo,
    window_deg: windowDeg.optional(),
  }),
  z.object({
    kind: z.literal("light"),
    sets: z.number(),
    reps: z.number(),
    rest_s: restS,
    window_deg: windowDeg.optional(),
  }),
  z.object({
    kind: z.literal("slow"),
    sets: z.number(),
    reps: z.number(),
    reserve: z.number(),
    rest_s: restS,
    window_deg: windowDeg.optional(),
  }),
  z.object({
    kind: z.literal("lowering"),
    sets: z.number(),
    reps: z.number(),
    lower_s: z.number(),
    rest_s: restS,
    window_deg: windowDeg.optional(),
  }),
  z.object({
    kind: z.literal("partials"),
    sets: z.number(),
    reps: z.number(),
    partials: z.number(),
    end: z.enum(["stretched", "short"]),
    hold_s: z.number(),
    rest_s: restS,
    window_deg: windowDeg.optional(),
  }),
  z.object({
    kind: z.literal("carry"),
    sets: z.number(),
    distance_m: z.number(),
    carried_kg: z.number(),
    rest_s: restS,
  }),
  z.object({ kind: z.literal("stretch"), total_s: z.number(), tolerated_s: z.number() }),
]);
const scheme = written.transform((s) => ({
  scheme: plain(s),
  window: "window_deg" in s && s.window_deg ? { fromDeg: s.window_deg.to, toDeg: s.window_deg.from } : null,
}));

/** So many left, light and many still counts whole; a phase that asks for more gets more. Rule D1. */
export const LIGHT_RESERVE = 3;

function plain(s: z.infer<typeof written>): Scheme {
  switch (s.kind) {
    case "holds":
      return {
        kind: "holds",
        sets: s.sets,
        reps: s.reps,
        holdS: s.hold_s,
        restS: s.rest_s,
        setRestS: s.set_rest_s,
        effort: { kind: "felt", felt: s.felt },
        atDeg: s.at_deg ?? null,
      };
    case "straight":
    case "ramp": {
      const [liftS, topS, lowerS, bottomS] = s.tempo_lift_top_lower_bottom_s;
      return {
        kind: s.kind,
        sets: s.sets,
        reps: s.reps,
        reserve: s.reserve,
        restS: s.rest_s,
        tempo: { liftS, topS, lowerS, bottomS },
      };
    }
    case "light":
      return { kind: "light", sets: s.sets, reps: s.reps, reserve: LIGHT_RESERVE, restS: s.rest_s };
    case "slow":
      return { kind: "slow", sets: s.sets, reps: s.reps, reserve: s.reserve, restS: s.rest_s };
    case "lowering":
      return { kind: "lowering", sets: s.sets, reps: s.reps, lowerS: s.lower_s, restS: s.rest_s };
    case "partials":
      return {
        kind: "partials",
        sets: s.sets,
        reps: s.reps,
        partials: s.partials,
        end: s.end,
        holdS: s.hold_s,
        restS: s.rest_s,
      };
    case "carry":
      return {
        kind: "carry",
        sets: s.sets,
        distanceM: s.distance_m,
        carriedKg: s.carried_kg,
        restS: s.rest_s,
      };
    case "stretch":
      return { kind: "stretch", totalS: s.total_s, toleratedS: s.tolerated_s };
  }
}

const when = z.object({
  variant_id: z.string().optional(),
  school_id: z.string().optional(),
  option_id: z.string().optional(),
  why: z.string().optional(),
});
const line = z.object({
  exercise_id: z.string(),
  role,
  scheme,
  legs,
  why: z.string(),
  /** stand-ins where a variant, or one option of a school, bars the line; none: it is left out */
  instead: z
    .array(
      when.extend({
        exercise_id: z.string().optional(),
        legs: legs.optional(),
        scheme: scheme.optional(),
      }),
    )
    .default([]),
  numbers: z.array(z.object({ variant_id: z.string(), scheme })).default([]),
  asks: z.array(z.object({ variant_id: z.string(), ask: z.string() })).default([]),
});
export type WrittenLine = z.infer<typeof line>;

const version = z.object({
  lines: z.array(line).min(1),
  progress_first: z.object({ exercise_id: z.string(), what: z.string(), how: z.string() }),
});

const draft = z.object({
  condition_id: z.string(),
  phase_id: z.string(),
  default_variant_id: z.string(),
  clinic_gym: version,
  home: version,
  beside: z.array(z.string()),
});
export type WrittenDraft = z.infer<typeof draft>;

const stage = z.object({
  exercise_id: z.string().optional(),
  task: z.string().optional(),
  set: z.record(z.string(), z.union([z.string(), z.number()])),
  dose: z.string(),
  scheme: scheme.optional(),
  go_on: z.string(),
  needs_impact: z.enum(["graded", "full"]).optional(),
});
export type WrittenStage = z.infer<typeof stage>;
const ladder = z.object({
  goal_id: z.string(),
  start_rule: z.string(),
  never: z.string(),
  stages: z.array(stage).min(1),
});
export type WrittenLadder = z.infer<typeof ladder>;

const file = z.object({ drafts: z.array(draft), task_ladders: z.array(ladder) }).parse(data);

/** What a careful therapist would start with, for every condition and phase. Source: draft rules. */
export const DRAFTS: readonly WrittenDraft[] = file.drafts;
/** The stages of each goal, the easiest first. */
export const LADDERS: readonly WrittenLadder[] = file.task_ladders;
