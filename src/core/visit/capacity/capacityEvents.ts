import { CALIBRATED_SD, type CapacityEvent, STATION_SD } from "../../capacity/learn";
import type { DoneSet } from "../../capacity/observe";
import { demandNm, hardestOf } from "../../capacity/station";
import { shareForFeltEffort } from "../../isometrics/effortConversion";
import { aidedStationId, aidKey } from "../../selection/setUp/aid";
import { type KeptLine, keptStationId } from "../../sheet/line/keptLine";
import { clamp } from "../../units/clamp";
import type { Side } from "../../units/fields";
import { leftEnough } from "../leftEnough";
import type { SetRecord } from "../setRecord";

/** One line of one visit: how it was planned and what was logged of it, in the order in which it was done. */
export interface LineOfVisit {
  visitId: string;
  /** ISO day at the clinic */
  on: string;
  /** ISO day on which its version was saved: how its machine was known then */
  savedOn: string;
  kept: Pick<KeptLine, "station" | "machineId" | "sets" | "scheme" | "offers">;
  records: readonly Pick<
    SetRecord,
    "leg" | "setNo" | "loadKg" | "reps" | "reserve" | "felt" | "early" | "workedS" | "pain" | "worn" | "help"
  >[];
}

export interface LearnFrom {
  side: Side;
  /** after surgery or easily stirred up */
  isStrict: boolean;
  /** how long this person holds */
  k: number;
  /** days on which a machine was changed, and on which it was calibrated; missing: never */
  machines: ReadonlyMap<string, { changedOn: readonly string[]; calibratedOn: readonly string[] }>;
  /** visits of which somebody said that what was odd was really so */
  confirmed: ReadonlySet<string>;
  /** the first visits of somebody who is new to training or long away; missing: none. Rule Background */
  noviceVisits?: number;
}

/** What is learnt from, by what it speaks of. */
export interface CapacityEvents {
  extension: CapacityEvent[];
  flexion: CapacityEvent[];
  /** by station: machines that leave the knee quiet */
  quiet: Map<string, Extract<CapacityEvent, { kind: "sets" }>[]>;
}

/** Above this joint pain a hold says nothing of strength. */
const GREEN_PAIN = 2;
/** More than a tenth above what was set or offered waits for somebody's word. Rule L7. */
const MOST_ABOVE_PLAN = 1.1;

type Sets = Extract<CapacityEvent, { kind: "sets" }>;

/** What the lines of visits say of one leg: repetitions by station, holds by the knee itself. Rules L3, L4, L7. */
export function capacityEvents(lines: readonly LineOfVisit[], from: LearnFrom): CapacityEvents {
  const found: CapacityEvents = { extension: [], flexion: [], quiet: new Map() };
  const novice = new Set([...new Set(lines.map((l) => l.visitId))].slice(0, from.noviceVisits ?? 0));
  for (const l of lines) {
    const { station } = l.kept;
    const own = l.records.filter((r) => r.leg === "both" || r.leg === from.side);
    if (!station || own.length === 0) continue;
    if (l.kept.scheme?.kind === "holds") {
      const alone = own.filter((r) => aidKey(r) === "");
      const held = station.direction && heldBy(l, alone, from);
      if (held && station.direction) found[station.direction].push(held);
      continue;
    }
    for (const key of new Set(own.map(aidKey))) {
      const sets = setsBy(
        l,
        own.filter((r) => aidKey(r) === key),
        key,
        from,
        novice.has(l.visitId),
      );
      if (!sets) continue;
      if (station.direction) found[station.direction].push(sets);
      else found.quiet.set(sets.station.id, [...(found.quiet.get(sets.station.id) ?? []), sets]);
    }
  }
  return found;
}

/** What an aid carries differs from day to day by so much. Rule Aid 1 [~]. */
const AID_SD = 0.1;

function setsBy(
  l: LineOfVisit,
  own: LineOfVisit["records"],
  key: string,
  from: LearnFrom,
  isNovice: boolean,
): Sets | null {
  const { station, sets: planned } = l.kept;
  // a warm-up says nothing that the sets after it do not say better
  const done = own.filter(
    (r) => r.reps !== null && r.loadKg !== null && planned[r.setNo - 1]?.role !== "ramp",
  );
  if (!station || done.length === 0) return null;
  const sets = done.map(
    (r): DoneSet => ({
      loadKg: r.loadKg as number,
      reps: r.reps as number,
      reserve: r.reserve,
      ended: r.early === null ? "planned" : r.early === "muscle" ? "muscle" : "other",
      isStrict: from.isStrict,
      ...(isNovice && { isNovice }),
    }),
  );
  const open = [...planned.map((s) => s.loadKg), ...(l.kept.offers?.loads ?? []).map((h) => h.loadKg)];
  const most = Math.max(0, ...open.flatMap((kg) => (kg === null ? [] : [demandNm(station, kg)])));
  const well = done.filter((r) => isWell(r, planned[r.setNo - 1] ?? planned.at(-1)));
  const loads = well.map((r) => r.loadKg as number);
  const past = l.kept.machineId === null ? undefined : from.machines.get(l.kept.machineId);
  const before = [
    ...(past?.changedOn ?? []).filter((day) => l.on < day),
    ...(past?.calibratedOn ?? []).filter((day) => l.savedOn < day),
  ].length;
  const plainId = keptStationId(l.kept.machineId, station);
  const id = earlierStationId(aidedStationId(plainId, key), before);
  const plainSd = past?.calibratedOn.some((day) => day <= l.savedOn) ? CALIBRATED_SD : STATION_SD;
  return {
    kind: "sets",
    on: l.on,
    id: l.visitId,
    // with an aid it speaks for itself alone
    station: { ...station, id, isOwn: station.isOwn || key !== "" },
    stationSd: key === "" ? plainSd : Math.hypot(plainSd, AID_SD),
    sets,
    isAided: key !== "",
    isTrusted:
      from.confirmed.has(l.visitId) ||
      most === 0 ||
      sets.every((s) => demandNm(station, s.loadKg) <= most * MOST_ABOVE_PLAN + 1e-9),
    doneKg: loads.length === 0 ? null : hardestOf(station, loads),
  };
}

/** A machine before it was changed or calibrated so often is another station; as it is now it has its plain name. Rule L1. */
export const earlierStationId = (id: string, changesSince: number): string =>
  changesSince === 0 ? id : `${id}~${changesSince}`;

/** Done as it was planned, with at most one less in reserve than was aimed at. */
function isWell(
  r: LineOfVisit["records"][number],
  planned: LineOfVisit["kept"]["sets"][number] | undefined,
): boolean {
  if (r.early !== null || !planned || planned.role === "ramp") return false;
  const isWhole = planned.reps === null || (r.reps ?? 0) >= planned.reps;
  return isWhole && leftEnough(r.reserve, planned.reserve);
}

/** The last hold of a line that says anything: how it felt, or that the muscle gave out. */
function heldBy(l: LineOfVisit, own: LineOfVisit["records"], from: LearnFrom): CapacityEvent | null {
  const { station, scheme } = l.kept;
  if (!station || scheme?.kind !== "holds" || own.some((r) => r.pain > GREEN_PAIN)) return null;
  const last = own.findLast((r) => r.loadKg !== null && (r.felt !== null || r.early === "muscle"));
  if (!last || last.loadKg === null) return null;
  const gaveOut = last.early === "muscle";
  const felt = gaveOut ? MOST_FELT : (last.felt as number);
  const share = feltShare(scheme, clamp(felt, LEAST_FELT, MOST_FELT), from.k);
  const nm = demandNm(station, last.loadKg);
  if (!(nm > 0)) return null;
  return { kind: "holds", on: l.on, id: l.visitId, demandNm: nm, shape: 1, share, gaveOut };
}
const MOST_FELT = 9.9;
const LEAST_FELT = 2;

// the same few holds are felt the same few ways: each is simulated once
const shares = new Map<string, number>();
const MOST_KEPT = 2000;
function feltShare(p: Parameters<typeof shareForFeltEffort>[1], felt: number, k: number): number {
  const key = `${p.sets} ${p.reps} ${p.holdS} ${p.restS} ${p.setRestS} ${felt} ${k}`;
  const known = shares.get(key);
  if (known !== undefined) return known;
  if (shares.size >= MOST_KEPT) shares.clear();
  const share = shareForFeltEffort("knee", p, felt, k);
  shares.set(key, share);
  return share;
}
