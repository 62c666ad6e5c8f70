import { z } from "zod";
import type { EnduranceJoint } from "../../isometrics/joints";
import type { Said } from "../../units/said";
import type { PlannedSet, ProgressStep, RepetitionTarget, SchemeSpec, Stepped } from "./contract";
import type { SchemeFacts } from "./gates";
import { accumulated, accumulatedSchema } from "./kinds/accumulated";
import { carry, carrySchema } from "./kinds/carry";
import { climb, climbSchema } from "./kinds/climb";
import { drop, dropSchema } from "./kinds/drop";
import { holds, holdsSchema } from "./kinds/holds";
import { light, lightSchema } from "./kinds/light";
import { lowering, loweringSchema } from "./kinds/lowering";
import { partials, partialsSchema } from "./kinds/partials";
import { power, powerSchema } from "./kinds/power";
import { pulses, pulsesSchema } from "./kinds/pulses";
import { ramp, rampSchema } from "./kinds/ramp";
import { slow, slowSchema } from "./kinds/slow";
import { straight, straightSchema } from "./kinds/straight";
import { stretch, stretchSchema } from "./kinds/stretch";
import { twoUpOneDown, twoUpOneDownSchema } from "./kinds/twoUpOneDown";
import type { Tempo } from "./repetitionSeconds";

/** A way of doing an exercise, each with all it needs and nothing else. Dosing rules B, D, H. */
export const scheme = z.discriminatedUnion("kind", [
  holdsSchema,
  straightSchema,
  rampSchema,
  climbSchema,
  accumulatedSchema,
  dropSchema,
  partialsSchema,
  pulsesSchema,
  lightSchema,
  slowSchema,
  powerSchema,
  loweringSchema,
  twoUpOneDownSchema,
  carrySchema,
  stretchSchema,
]);
export type Scheme = z.infer<typeof scheme>;
export type SchemeKind = Scheme["kind"];

/** Every kind with its object: a new kind is a file, a line above and a line here. */
const SPECS: { [K in SchemeKind]: SchemeSpec<Extract<Scheme, { kind: K }>> } = {
  holds,
  straight,
  ramp,
  climb,
  accumulated,
  drop,
  partials,
  pulses,
  light,
  slow,
  power,
  lowering,
  two_up_one_down: twoUpOneDown,
  carry,
  stretch,
};
export const SCHEME_KINDS = Object.keys(SPECS) as SchemeKind[];

const specOf = (s: Scheme) => SPECS[s.kind] as SchemeSpec<Scheme>;

/** The sets of a scheme for one leg, in order; the rest of the last one is not used. Dosing rules D, H. */
export const setsOf = (s: Scheme): PlannedSet[] => specOf(s).sets(s);

/** Seconds of each part of its repetitions; null where nobody counts them. */
export const tempoOf = (s: Scheme): Tempo | null => specOf(s).tempo(s);

/** Repetitions of a set and how many are planned to be left after it; null for holds, stretches and sets to the end. */
export const repetitionTarget = (s: Scheme): RepetitionTarget | null => specOf(s).target(s);

/** Share of the one-repetition maximum at which a scheme starts; null for holds and stretches. */
export const repetitionShare = (s: Scheme): number | null => specOf(s).liftedShare(s);

/**
 * Share of what the knee can hold at its hardest angle that a scheme asks for: what its load is set to before two light
 * sets have found the real one. Null where no load is set. Estimated: the person may differ by a fifth and more.
 */
export const schemeShare = (s: Scheme, joint: EnduranceJoint = "knee", k = 1): number | null =>
  specOf(s).heldShare(s, joint, k);

/** Most of the one-repetition maximum at which a scheme is still what it is called; null where nothing bounds it. */
export const mostLiftedShare = (s: Scheme): number | null => specOf(s).mostLiftedShare?.(s) ?? null;

/** Effective sets of a scheme that counts as a whole; null where each set counts for itself. Rule D1. */
export const ownEffective = (s: Scheme, share: number | null): number | null =>
  specOf(s).effective?.(s, share) ?? null;

/** Sets of so many repetitions with so many left: what a set more, other repetitions and another reserve mean something for. */
const PLAIN = ["straight", "ramp", "light", "slow"] as const;
export type PlainSets = Extract<Scheme, { kind: (typeof PLAIN)[number] }>;
export const isPlainSets = (s: Scheme): s is PlainSets => PLAIN.some((kind) => kind === s.kind);

/** Why a scheme is barred now; empty where it may be used. */
export const schemeBars = (s: Scheme, f: SchemeFacts): Said[] =>
  [...specOf(s).gates, ...(specOf(s).ownGates?.(s) ?? [])].flatMap((gate) => gate(f) ?? []);

/** What a step makes of a scheme. */
export const progressed = (s: Scheme, step: ProgressStep): Stepped<Scheme> => specOf(s).progress(s, step);
