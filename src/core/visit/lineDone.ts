import { nextSet } from "../capacity/nextSet";
import type { FaultId } from "../rules/faults/faults";
import { type Aid, isMoreAid, NO_AID } from "../selection/setUp/aid";
import { type KeptLine, type KeptSet, reserveOfSets } from "../sheet/line/keptLine";
import type { PainAt } from "../units/painRegion";
import { leftEnough } from "./leftEnough";
import { type SetRecord, standing } from "./setRecord";
import { isWholeHold } from "./tasks";
import { worstElsewhere } from "./watched/elsewhere";
import { cleanShare, faultsIn } from "./watched/seen";

/** What one line gave in one visit, from its own records and nothing else. */
export interface LineDone {
  painBefore: number | null;
  /** the worst in any set; null where nothing was logged */
  painDuring: number | null;
  /** repetitions or seconds against the plan: a lost set or less than 80 % is below, all of it is top. Dosing rules E4 */
  reached: "below" | "in" | "top" | "unknown";
  /** repetitions left after the last set, the worse leg's; for holds 10 minus felt effort. Null: not asked */
  reserve: number | null;
  /** range reached, % of the plan; null: not known */
  rangePct: number | null;
  /** a set ended because the position was lost */
  lostPosition: boolean;
  /** of what was done of the planned exercise the share that was clean; null: nothing was done. Rule Seen 2 */
  cleanShare: number | null;
  /** what was seen of it, each once */
  faults: FaultId[];
  /** the most that was worn or held beyond the plan; null: nothing. Rule Aid 2 */
  moreAid: Aid | null;
  /** the worst pain in other regions than the joint */
  elsewhere: PainAt[];
  /** what the next visit begins with, where it was another than planned. Rule L9 */
  usedKg: number | null;
}

/** Below this share of what was planned a set counts as missed. */
const MISSED_BELOW = 0.8;

const byLeg = (records: readonly SetRecord[]): Map<string, SetRecord[]> => {
  const legs = new Map<string, SetRecord[]>();
  for (const r of records) legs.set(r.leg, [...(legs.get(r.leg) ?? []), r]);
  return legs;
};

const legsOf = (line: Pick<KeptLine, "legs">): number =>
  line.legs === "in_turns" || line.legs === "one_after_other" ? 2 : 1;

/** `mostReps`: the top of the range that the line climbs; the planned ones where it has none. */
export function lineDone(
  line: KeptLine,
  all: readonly SetRecord[],
  mostReps: number | null = null,
): LineDone {
  const records = standing(all).filter((r) => r.lineId === line.lineId);
  const own = records.filter((r) => r.exerciseId === line.exerciseId);
  const pains = records.map((r) => r.pain);
  return {
    painBefore: records.find((r) => r.painBefore !== null)?.painBefore ?? null,
    painDuring: pains.length ? Math.max(...pains) : null,
    // swapped for today: what the planned exercise would have given is not known
    reached: own.length === 0 ? "unknown" : reachedOf(line, own, mostReps),
    reserve: reserveOf(line, own),
    rangePct: rangeOf(line, own),
    lostPosition: records.some((r) => r.early === "position"),
    cleanShare: cleanShare(own),
    faults: faultsIn(own),
    moreAid: moreAidIn(line, own),
    elsewhere: worstElsewhere(records),
    usedKg: usedOf(line, own),
  };
}

/** Of the last set that was helped more than planned. */
function moreAidIn(line: KeptLine, own: readonly SetRecord[]): Aid | null {
  const last = own.findLast((r) => isMoreAid(r, line.aid ?? NO_AID));
  return last ? { worn: last.worn, help: last.help } : null;
}

function reachedOf(line: KeptLine, own: readonly SetRecord[], mostReps: number | null): LineDone["reached"] {
  if (line.total !== null) {
    const counted = [...byLeg(own).values()].map((r) => r.reduce((sum, x) => sum + (x.reps ?? 0), 0));
    const worst = counted.length < legsOf(line) ? 0 : Math.min(...counted);
    return worst >= line.total ? "top" : worst >= MISSED_BELOW * line.total ? "in" : "below";
  }
  // a climb is what was reached: its count of sets is found in the doing
  if (line.leastReserve !== null) return own.length > 0 ? "top" : "below";
  const shares = plannedPlaces(line).map((p) => shareOf(p, own));
  if (shares.some((s) => s < MISSED_BELOW)) return "below";
  if (shares.some((s) => s < 1)) return "in";
  // ramp sets have repetitions of their own, and so has a last set in its own way
  const work = own.filter((r) => {
    const set = line.sets[r.setNo - 1];
    return set?.role !== "ramp" && !set?.last;
  });
  return mostReps !== null && work.some((r) => r.reps !== null && r.reps < mostReps) ? "in" : "top";
}

interface Place {
  setNo: number;
  boutNo: number;
  legs: number;
  set: KeptSet;
}

/** Every working set, or every hold of it, that the plan has. */
function plannedPlaces(line: KeptLine): Place[] {
  return line.sets.flatMap((set, i) =>
    set.role === "ramp"
      ? []
      : Array.from({ length: set.holds?.reps ?? 1 }, (_, bout) => ({
          setNo: i + 1,
          boutNo: bout + 1,
          legs: legsOf(line),
          set,
        })),
  );
}

/** Done against planned, the worst leg's; 0 where it was not done. */
function shareOf(p: Place, own: readonly SetRecord[]): number {
  const here = own.filter((r) => r.setNo === p.setNo && r.boutNo === p.boutNo);
  if (here.length < p.legs) return 0;
  const { holds, reps } = p.set;
  const shares = here.map((r) =>
    holds
      ? isWholeHold(r.workedS, holds.holdS)
        ? 1
        : r.workedS / holds.holdS
      : reps === null
        ? 1
        : Math.min(1, (r.reps ?? 0) / reps),
  );
  return Math.min(...shares);
}

/**
 * The last answer of each leg; the smaller one counts. A muscle that gave out left nothing, whoever was asked. A last set in its
 * own way is held against what it aimed at itself.
 */
function reserveOf(line: KeptLine, own: readonly SetRecord[]): number | null {
  const above = (r: SetRecord): number => {
    const set = line.sets[r.setNo - 1];
    return set?.last ? (reserveOfSets(line.sets) ?? 0) - (set.reserve ?? 0) : 0;
  };
  const last = [...byLeg(own).values()].map((r) => {
    if (r.at(-1)?.early === "muscle") return 0;
    const asked = r.filter((x) => x.reserve !== null || x.felt !== null).at(-1);
    if (!asked) return null;
    if (asked.reserve !== null) return asked.reserve + above(asked);
    return asked.felt === null ? null : 10 - asked.felt;
  });
  const known = last.filter((x) => x !== null);
  return known.length ? Math.min(...known) : null;
}

function rangeOf(line: KeptLine, own: readonly SetRecord[]): number | null {
  if (own.length === 0) return null;
  const measured = own.filter((r) => r.rangeFromDeg !== null && r.rangeToDeg !== null);
  const planned = line.fromDeg === null || line.toDeg === null ? 0 : line.toDeg - line.fromDeg;
  if (measured.length > 0 && planned > 0)
    return Math.min(
      100,
      ...measured.map((r) => (((r.rangeToDeg as number) - (r.rangeFromDeg as number)) / planned) * 100),
    );
  // somebody saw that range was lost and nothing measured how much
  return own.some((r) => r.early === "range") ? null : 100;
}

/**
 * The load that the next visit begins with, where it is not the planned one: the hardest that was done well, else, where the
 * muscle gave out, what the next set would have been. Rule L9.
 */
function usedOf(line: KeptLine, own: readonly SetRecord[]): number | null {
  // what was lifted with more than planned is no load of this line. Rule Aid 2
  const alike = own.filter((r) => !isMoreAid(r, line.aid ?? NO_AID));
  const working = alike.filter((r) => line.sets[r.setNo - 1]?.role !== "ramp" && r.loadKg !== null);
  if (working.length === 0) return null;
  const loads = (of: readonly SetRecord[]) => of.map((r) => r.loadKg as number);
  const hardest = (kg: readonly number[]) => (line.isHelp ? Math.min(...kg) : Math.max(...kg));
  const well = working.filter((r) => isWell(r, line.sets[r.setNo - 1]));
  const used = well.length > 0 ? hardest(loads(well)) : (lessAfter(line, working) ?? hardest(loads(working)));
  const planned = Math.max(-1, ...line.sets.map((s) => s.loadKg ?? -1));
  return Math.abs(used - planned) < 1e-6 ? null : used;
}

/** As planned or as offered, with enough left. */
const isWell = (r: SetRecord, planned: KeptSet | undefined): boolean =>
  r.early === null && leftEnough(r.reserve, planned?.reserve ?? null);

/** Where the muscle gave out: what a next set would be set to, strict or not. Null: it did not, or nothing is lighter. Rule L8. */
function lessAfter(
  { station, sets, offers, lighter }: KeptLine,
  working: readonly SetRecord[],
): number | null {
  const last = working.at(-1);
  const planned = sets[(last?.setNo ?? 0) - 1] ?? sets.findLast((s) => s.role === "work");
  const plannedReps = planned?.reps ?? null;
  if (!station || last?.early !== "muscle" || last.reps === null || plannedReps === null) return null;
  const loadKg = last.loadKg as number;
  const reserve = planned?.reserve ?? 0;
  const next = nextSet(
    station,
    { loadKg, reps: Math.max(1, last.reps), plannedReps, reserve: null, ended: "muscle" },
    {
      reserve,
      ladder: { least: plannedReps, most: plannedReps },
      care: "low",
      loads: [...new Set([...lighter, ...(offers?.loads ?? [])].map((l) => l.loadKg))],
    },
  );
  return next && Math.abs(next.loadKg - loadKg) > 1e-6 ? next.loadKg : null;
}
