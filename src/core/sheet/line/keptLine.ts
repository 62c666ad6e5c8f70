import { z } from "zod";
import { faultId } from "../../rules/faults/faults";
import { aid } from "../../selection/setUp/aid";
import { uuid } from "../../units/fields";
import { painRegion } from "../../units/painRegion";
import type { PlannedSet } from "../schemes/contract";
import { lastSet } from "../schemes/lastSet";
import { SCHEME_KINDS, type SchemeKind, scheme } from "../schemes/scheme";
import { legs } from "./legs";

/** A set with what is set for it. Loads are in the machine's unit; null where nothing is set. */
export const keptSet = z.object({
  role: z.enum(["ramp", "work"]),
  workS: z.number(),
  tensionS: z.number(),
  restS: z.number(),
  reps: z.number().nullable(),
  holds: z.object({ reps: z.number(), holdS: z.number(), restS: z.number() }).nullable(),
  loadShare: z.number(),
  reserve: z.number().nullable(),
  loadKg: z.number().nullable(),
  how: z.string().nullable(),
  /** how it was planned to be set, where the day leaves less */
  aboveToday: z.string().optional(),
  /** how it differs from the sets before it. Rule X4 */
  last: lastSet.optional(),
}) satisfies z.ZodType<PlannedSet & { loadKg: number | null; how: string | null }>;
export type KeptSet = z.infer<typeof keptSet>;

/** Repetitions that the sets of work leave; null: nothing says. A last set in its own way has an aim of its own. Rule X4. */
export const reserveOfSets = (sets: readonly KeptSet[]): number | null =>
  sets.filter((s) => s.role === "work" && s.reserve !== null && !s.last).at(-1)?.reserve ?? null;

/** Where a line's load is moved: all that is needed to learn from its sets without computing any geometry again. Rule L12. */
export const keptStation = z.object({
  /** the kind of thing and the legs; with the machine of the line it names the station, which keeps its name in another clinic */
  family: z.string().max(60),
  legs: z.string().max(20),
  /** null: the knee has no part in it, kilograms are learnt for themselves */
  direction: z.enum(["extension", "flexion"]).nullable(),
  angles: z.array(z.object({ bareNm: z.number(), perKgNm: z.number(), shape: z.number() })).max(40),
  eta: z.number(),
  isOwn: z.boolean(),
  repetitionsFactor: z.number(),
});
export type KeptStation = z.infer<typeof keptStation>;

/** The name of a kept line's station: as `stationIdOf` has it for what is not kept yet. */
export const keptStationId = (machineId: string | null, s: Pick<KeptStation, "family" | "legs">): string =>
  `${machineId ?? s.family}|${s.legs}`;

/** Repetitions to be left, fewest and most of a set, and the real loads that were open when it was saved. */
export const keptOffers = z.object({
  reserve: z.number(),
  least: z.number(),
  most: z.number(),
  care: z.enum(["low", "moderate", "strict"]),
  loads: z.array(z.object({ loadKg: z.number(), how: z.string() })).max(80),
});
export type KeptOffers = z.infer<typeof keptOffers>;

/** A line of a sheet with every figure that was computed when it was saved: what is run is this and nothing else. */
export const keptLine = z.object({
  lineId: uuid,
  exerciseId: z.string(),
  name: z.string(),
  kind: z.enum(SCHEME_KINDS as [SchemeKind, ...SchemeKind[]]),
  /** how it is done, with every number that was planned; missing in what was saved before it was kept */
  scheme: scheme.optional(),
  legs,
  sharesRests: z.boolean(),
  machineId: z.string().nullable(),
  machineName: z.string().nullable(),
  sets: z.array(keptSet).max(60),
  /** knee flexion of a hold, or the range of repetitions; null where the knee has none of its own */
  fromDeg: z.number().nullable(),
  toDeg: z.number().nullable(),
  /** joint pain above this ends the line */
  painMax: z.number(),
  /** what to set, in words, each with its notch; by its key it is said in another language */
  setUp: z.array(z.object({ key: z.string().optional(), name: z.string(), value: z.string() })),
  /** of the seat, box or pad, cm; missing or null: it has none */
  heightCm: z.number().nullish(),
  /** how it is drawn: the settings behind the words; null where there is no model of it */
  drawing: z
    .object({
      settings: z.record(z.string(), z.number()),
      share: z.number(),
      phase: z.literal([-1, 0, 1]),
      /** the exercise by whose model it is computed; missing: its own */
      like: z.string().optional(),
    })
    .nullable(),
  /** what is looked at before the first set */
  checks: z.array(z.string()),
  /** it may not start before safety pins or stops were checked */
  needsPins: z.boolean(),
  /** real loads from the lightest to what was planned, for a tap that eases; empty where nothing is set */
  lighter: z.array(z.object({ loadKg: z.number(), how: z.string() })),
  /** more of what is set makes it easier */
  isHelp: z.boolean(),
  /** force between shin and pad that is aimed at, N */
  aimForceN: z.number().nullable(),
  /** an accumulated set counts to this */
  total: z.number().nullable(),
  /** a climb or an accumulated set ends before it would leave fewer */
  leastReserve: z.number().nullable(),
  /** of the one-repetition maximum, for holds of what can be held at the angle; null where nothing says */
  share: z.number().nullable(),
  basis: z
    // what was kept before it was a code, and comes in files of that time
    .preprocess(
      (b) => (typeof b === "string" ? b.replace(" ", "_") : b),
      z.enum(["felt", "default_strength", "strength_test", "repetition_test", "sets"]),
    )
    .nullable(),
  /** where its load is moved, as capacity sees it; none: nothing is learnt from it */
  station: keptStation.nullish(),
  /** what is looked for while it is done, of the visit that runs it; missing: nothing. Rules Seen 1, Seen 3 */
  faults: z
    .array(z.object({ id: faultId, endsSet: z.boolean(), wasSeen: z.boolean().optional() }))
    .optional(),
  /** what is worn and held as planned, of the visit that runs it; missing: nothing. Rule Aid 1 */
  aid: aid.optional(),
  /** what is set where the aid is taken away, of the visit that runs it; null or missing: nobody knows */
  bare: z.object({ loadKg: z.number(), how: z.string() }).nullish(),
  /** what is asked besides the joint, with the most that is allowed there; missing: nothing. Rule Region 2 */
  regions: z.array(z.object({ region: painRegion, most: z.number() })).optional(),
  /** what its next set may become by how the last one went; none: it stays as planned. Rule L8 */
  offers: keptOffers.nullish(),
  /** felt effort that is aimed at, 0 to 10 */
  feltAim: z.number().nullable(),
  /** of the whole line as planned: kneecap load in seconds of a chair rise, hard repetitions of one leg */
  kneecapChairS: z.number(),
  hardReps: z.number(),
});
export type KeptLine = z.infer<typeof keptLine>;
