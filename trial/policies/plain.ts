import type { Muscle } from "@/core/schedule/balance";
import type { KnownStrength } from "@/core/selection/setUp/strengthKnown";
import { judgeScore } from "@/core/sheet/judge/judgeScore";
import { keep } from "@/core/sheet/judge/keep";
import { type KeptLine, keptStationId } from "@/core/sheet/line/keptLine";
import { SCHEME_KINDS, type Scheme } from "@/core/sheet/schemes/scheme";
import { kFactorUnbounded } from "@/core/strength/repetitionMaximum";
import { capacityNm, demandOf, doseOf, onSoreTissue, setOf } from "../body";
import { clientOf, contextOn, draftOn, nextPhase, strengthOn } from "../client";
import { type TrialPerson, weekdaysOf } from "../person";
import { add, emptyDay, formOf, lift, type OnDay, UNKNOWN_SHARE } from "../visit";
import { loadsByFeel } from "./byFeel";
import type { Policy } from "./policy";

/** One exercise as it is done without the product: a load, so many sets of so many. */
export interface PlainLine {
  kept: KeptLine;
  /** real loads, the lightest first; empty: the body alone */
  loads: readonly number[];
  /** the hardest that limits leave; null: nothing bounds it */
  mostKg: number | null;
  loadKg: number;
  reps: number;
  sets: number;
}

/** What a plain way of dosing decides: everything else is the same for all of them. */
export interface PlainRule {
  daysAWeek: number;
  /** knows the truth: what bounds its loads is asked of what the leg can really do, every fourth week anew */
  isAllKnowing?: boolean;
  /** when a line is first met, and at the beginning of a phase */
  begin: (l: PlainLine, on: OnDay) => void;
  /** before each visit */
  plan?: (lines: PlainLine[], on: OnDay) => void;
  /** after the morning: whether all was done, and whether it flared */
  heard?: (
    lines: PlainLine[],
    went: { allDone: boolean; isFlare: boolean; isLastOfWeek: boolean },
    on: OnDay,
  ) => void;
}

/** The largest load that asks no more than so much; the lightest where none does. */
export const loadUnder = (l: PlainLine, mostNm: number): number => {
  const { station } = l.kept;
  if (!station || l.loads.length === 0) return l.loadKg;
  const fits = l.loads.filter((kg) => demandOf(station, kg) <= mostNm);
  return fits.at(-1) ?? (l.loads[0] as number);
};

/** What a line's muscle can do today, N·m. */
export function trueNm(l: PlainLine, on: OnDay): number {
  const { station } = l.kept;
  if (!station) return 0;
  const believed = on.believedNm(station) ?? 1.7 * demandOf(station, Math.max(1, l.loadKg));
  const id = `${l.kept.exerciseId}|${keptStationId(l.kept.machineId, station)}`;
  return capacityNm(on.body, id, on.exerciseOf(l.kept.exerciseId), believed, on.p, on.chance, on.day);
}

/** The dose of so many sets, as only somebody who sees the tissue knows it. */
export function trueDose(l: PlainLine, on: OnDay): number {
  const { station } = l.kept;
  const e = on.exerciseOf(l.kept.exerciseId);
  if (!station) return l.sets * doseOf(l.reps, UNKNOWN_SHARE, 1, onSoreTissue(e, on.region));
  const id = `${l.kept.exerciseId}|${keptStationId(l.kept.machineId, station)}`;
  const start = on.body.startsNm.get(id) ?? 1;
  const onTissue = onSoreTissue(on.exerciseOf(l.kept.exerciseId), on.region);
  return l.sets * doseOf(l.reps, demandOf(station, l.loadKg), start, onTissue);
}

const MOVED: ReadonlySet<string> = new Set(
  SCHEME_KINDS.filter((k) => !["holds", "stretch", "carry"].includes(k)),
);
const TEMPO = { liftS: 2, topS: 0, lowerS: 2, bottomS: 0 };
const straight = (reps: number): Scheme => ({
  ...{ kind: "straight", sets: 3, reps, reserve: 2, tempo: TEMPO, restS: 90 },
});

/** What is believed, put right by the truth. */
function asItIs(known: KnownStrength, on: OnDay): KnownStrength {
  const of = (d: "extension" | "flexion", m: Muscle) => ({
    ...known[d],
    peak: {
      mean: known[d].peak.mean + Math.log(on.p.truth.errorOfGuess * on.body.strength[m]),
      sd: 0.01,
    },
  });
  return { ...known, extension: of("extension", "quads"), flexion: of("flexion", "hams") };
}

/** The exercises of the rules' own draft, dosed plainly. */
export function plain(p: TrialPerson, rule: PlainRule): Policy {
  let c = clientOf(p);
  let lines: PlainLine[] = [];
  let isNew = true;
  let toDraft: number | null = null;
  let seen: { allDone: boolean; isFlare: boolean; isLastOfWeek: boolean } | null = null;
  let last: OnDay | null = null;
  let wanted: number[] = [];
  const faults = { outsideLimits: 0, deadEnds: 0, decisions: {} };
  const draft = (week: number, on: OnDay) => {
    const believed = strengthOn(c, [], "2026-01-05", 0);
    const known = rule.isAllKnowing ? asItIs(believed, on) : believed;
    const plainly = contextOn(c, known, { week, visits: 0, lastPain: null });
    const context = rule.isAllKnowing
      ? { ...plainly, sheet: { ...plainly.sheet, startCapIsLifted: true } }
      : plainly;
    const drafted = draftOn(c, context, 0).filter((l) => MOVED.has(l.scheme.kind));
    const plans = drafted.map((l, i) => ({
      ...l,
      scheme: straight(10),
      lineId: `line ${i}`,
      sharesRests: false,
    }));
    const before = new Map(lines.map((l) => [l.kept.exerciseId, l]));
    lines = judgeScore(plans, context).flatMap((j): PlainLine[] => {
      if (!j.load) return [];
      const kept = keep(j, context, new Map());
      const loads = (j.load.setting?.loads ?? []).map((x) => x.load);
      const old = before.get(kept.exerciseId);
      const own = loadsByFeel(j, context);
      const first = kept.sets.find((s) => s.role === "work")?.loadKg ?? own?.[0] ?? 0;
      return [
        {
          kept,
          loads: own ?? (kept.isHelp ? [...loads].reverse() : loads),
          mostKg: own && rule.isAllKnowing ? null : (j.load.open?.most ?? null),
          ...{ loadKg: old?.loadKg ?? first, reps: old?.reps ?? 10, sets: old?.sets ?? 3 },
        },
      ];
    });
  };
  return {
    week: (week) => {
      const next = nextPhase(c, week);
      if (next) c = clientOf(p, next.id);
      if (next || week === 0) isNew = true;
      if (isNew || (rule.isAllKnowing && week % 4 === 0)) toDraft = week;
      const free = weekdaysOf(p);
      wanted = free.filter((_, i) => i % Math.max(1, Math.floor(free.length / rule.daysAWeek)) === 0);
      wanted = wanted.slice(0, rule.daysAWeek).map((d) => 7 * week + d);
      return wanted;
    },
    run: (on) => {
      if (toDraft !== null) draft(toDraft, on);
      toDraft = null;
      if (isNew) for (const l of lines) rule.begin(l, on);
      isNew = false;
      rule.plan?.(lines, on);
      const truth = emptyDay();
      const form = formOf(on);
      let allDone = true;
      for (const l of lines) {
        if (l.mostKg !== null && l.loadKg > l.mostKg + 1e-6 && !l.kept.isHelp) faults.outsideLimits++;
        for (let i = 0; i < l.sets; i++) {
          const lifted = lift(on, l.kept, l.loadKg, form, i);
          const set = setOf(on.body, on.chance, lifted.ratio, l.reps, l.kept.station?.repetitionsFactor ?? 1);
          if (set.hasFailed) allDone = false;
          add(truth, on, l.kept, set, lifted);
        }
      }
      seen = { allDone, isFlare: false, isLastOfWeek: on.day === wanted.at(-1) };
      last = on;
      return truth;
    },
    heard: (morning) => {
      if (seen && last) rule.heard?.(lines, { ...seen, isFlare: morning?.isFlare ?? false }, last);
      seen = null;
    },
    faults: () => faults,
  };
}

/** What a line may at most lift once for so many repetitions with so many left. */
export const forReps = (peakNm: number, l: PlainLine, reps: number): number =>
  peakNm / kFactorUnbounded(reps / (l.kept.station?.repetitionsFactor ?? 1));
