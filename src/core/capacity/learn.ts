import { daysBetween } from "../units/days";
import { type Belief, begin, drift, type Prior, type Seen, withStation } from "./filter";
import {
  type DoneHolds,
  type DoneSet,
  provedBy,
  seeDaily,
  seeHolds,
  seeTrial,
  seeVisit,
  type Trial,
} from "./observe";
import { peakOf, type Shown, shows } from "./shows";
import { demandNm, hardestOf, type Station } from "./station";

/** Something that says what a leg can do, on an ISO day of the clinic; `id` is that of the visit or test it comes from. */
export type CapacityEvent = { on: string; id: string } & (
  | ({ kind: "trial" } & Trial)
  | ({ kind: "daily" } & { demandNm: number; shape: number })
  /** back after days of which some were spent in bed, ill or in a brace */
  | { kind: "away"; bedDays: number }
  | ({ kind: "holds" } & DoneHolds)
  | {
      kind: "sets";
      station: Station;
      stationSd: number;
      sets: readonly DoneSet[];
      isTrusted: boolean;
      /** done with something worn or held: nothing was shown of the leg alone. Rule Aid 1 */
      isAided?: boolean;
      /** the hardest load that was done as planned; null: none was */
      doneKg: number | null;
    }
);

/** One visit on a station: its sets, and what was believed of it before and after. */
export interface VisitOnStation {
  on: string;
  id: string;
  sets: readonly DoneSet[];
  before: Shown;
  after: Shown;
  odd: Moved["odd"];
  /** logarithm of the peak torque that the sets prove by being done; null: they prove nothing */
  proved: number | null;
}

/** What a station shows, and what was done there. */
export interface StationLearnt {
  shown: Shown;
  /** the last visits, the newest last */
  course: readonly VisitOnStation[];
  /** the most that sets of the last weeks prove by being done; null: nothing */
  proved: number | null;
  /** visits on which somebody said what was left, or a muscle gave out */
  visits: number;
  /** the hardest load that was done as planned, kg; null: none was */
  doneKg: number | null;
  lastOn: string;
}

/** One thing that moved what is believed: peak torque before and after. */
export interface Moved {
  on: string;
  id: string;
  kind: CapacityEvent["kind"];
  stationId: string | null;
  fromNm: number;
  toNm: number;
  /** doubt afterwards */
  sd: number;
  /** too far from what was believed: counts for nothing until somebody's word, or was cut. Rule L7 */
  odd: "waits" | "cut" | null;
}

/** What one movement of one side can do by everything that was done. */
export interface Learnt {
  peak: Shown;
  /** the surest kind of thing that it was learnt from */
  from: "prior" | "sets" | "trials";
  stations: Readonly<Record<string, StationLearnt>>;
  /** the newest last; with what was too odd to move anything */
  moved: readonly Moved[];
}

const MOST_MOVED = 60;
/** So many visits of a station are shown. */
const MOST_VISITS = 12;
/** What was done so long ago proves nothing for today. */
export const PROVES_FOR_DAYS = 28;

const RANK: Record<CapacityEvent["kind"], number> = { away: 0, daily: 1, trial: 2, holds: 3, sets: 4 };

/** What an event is, without the names that another clinic gives it: two of a day stand in one order everywhere. */
function whatOf(e: CapacityEvent): string {
  switch (e.kind) {
    case "trial":
      return `${e.shape} ${e.torqueNm}`;
    case "away":
      return `${e.bedDays}`;
    case "daily":
    case "holds":
      return `${e.demandNm}`;
    case "sets":
      return `${e.station.id.split("|")[1]} ${e.sets.map((s) => `${s.loadKg} ${s.reps} ${s.reserve}`).join()}`;
  }
}

/** The clinic's days, whatever order records arrive in; on one day tests first, then what was done. */
function inOrder(a: CapacityEvent, b: CapacityEvent): number {
  if (a.on !== b.on) return a.on < b.on ? -1 : 1;
  if (a.kind !== b.kind) return RANK[a.kind] - RANK[b.kind];
  const [x, y] = [whatOf(a), whatOf(b)];
  if (x !== y) return x < y ? -1 : 1;
  return a.id < b.id ? -1 : a.id > b.id ? 1 : 0;
}

const isWork = (e: CapacityEvent): boolean => e.kind === "sets" || e.kind === "holds";
const saysReserve = (sets: readonly DoneSet[]): boolean =>
  sets.some((s) => s.ended === "muscle" || (s.ended === "planned" && s.reserve !== null));

/**
 * Folds everything that was done, in the order of the clinic's days, into what a movement can do today. Nothing is kept
 * between two folds: a correction folds again. Rules L1 to L7.
 */
export function learn(prior: Prior, events: readonly CapacityEvent[], today: string): Learnt {
  let belief = begin(prior);
  let from: Learnt["from"] = "prior";
  let last = null as string | null;
  let worked = null as string | null;
  const done = new Map<string, Omit<StationLearnt, "shown" | "proved">>();
  const inTurn = [...events].sort(inOrder);
  // what was believed at the time is asked for the visits that are shown, and for no others of ten years
  const left = new Map<string, number>();
  for (const e of inTurn) if (e.kind === "sets") left.set(e.station.id, (left.get(e.station.id) ?? 0) + 1);
  const moved: Moved[] = [];
  const waits: Waiting = new Map();
  const passTo = (on: string, bedDays = 0) => {
    if (last !== null && (on > last || bedDays > 0)) {
      const days = daysBetween(last, on);
      // worked on the last day that anything is known of, it is the same number
      belief = drift(
        belief,
        days,
        worked === null || worked === last ? days : daysBetween(worked, on),
        bedDays,
      );
    }
    last = on;
  };
  for (const e of inTurn) {
    if (e.kind === "away") {
      const fromNm = Math.exp(belief.mean[0] as number);
      passTo(e.on, e.bedDays);
      const toNm = Math.exp(belief.mean[0] as number);
      moved.push({
        ...{ on: e.on, id: e.id, kind: e.kind, stationId: null, odd: null },
        fromNm,
        toNm,
        sd: peakOf(belief).sd,
      });
      continue;
    }
    passTo(e.on);
    const stationId = e.kind === "sets" ? e.station.id : null;
    if (e.kind === "sets" && !belief.stations.some((s) => s.id === e.station.id))
      belief = withStation(belief, { id: e.station.id, sd: e.stationSd, isOwn: e.station.isOwn });
    const fromNm = Math.exp(belief.mean[0] as number);
    const isShown = e.kind === "sets" && (left.get(e.station.id) ?? 0) <= MOST_VISITS;
    const before = isShown ? shows(belief, e.station.id) : null;
    const after = seeOrRepeated(belief, e, waits);
    belief = after.belief;
    const odd: Moved["odd"] = !after.seen.isOdd
      ? null
      : !after.seen.used
        ? "waits"
        : e.kind === "trial"
          ? null
          : "cut";
    if (after.seen.used) {
      if (e.kind === "trial") from = "trials";
      else if (e.kind !== "daily" && !(e.kind === "sets" && e.isAided) && from === "prior") from = "sets";
    }
    if (after.seen.used || after.seen.isOdd)
      moved.push({
        on: e.on,
        id: e.id,
        kind: e.kind,
        stationId,
        fromNm,
        toNm: Math.exp(belief.mean[0] as number),
        sd: peakOf(belief).sd,
        odd,
      });
    if (isWork(e)) worked = e.on;
    if (e.kind === "sets") {
      const { id } = e.station;
      left.set(id, (left.get(id) ?? 0) - 1);
      const visit = before && {
        on: e.on,
        id: e.id,
        sets: e.sets,
        before,
        after: shows(belief, id),
        odd,
        proved: provedIn(e, odd),
      };
      done.set(id, stationAfter(done.get(id), e, visit));
    }
  }
  if (last !== null && today > last) passTo(today);
  const provedNow = (d: Pick<StationLearnt, "course">): number | null => {
    const lately = d.course.filter((v) => v.proved !== null && daysBetween(v.on, today) <= PROVES_FOR_DAYS);
    return lately.length === 0 ? null : Math.max(...lately.map((v) => v.proved as number));
  };
  return {
    peak: peakOf(belief),
    from,
    stations: Object.fromEntries(
      [...done].map(([id, d]) => [id, { ...d, proved: provedNow(d), shown: shows(belief, id) }]),
    ),
    moved: moved.slice(-MOST_MOVED),
  };
}

/** Odd sets that wait, by station: the day on which they were done, and what they asked at the most. */
type Waiting = Map<string, { on: string; nm: number }>;
/** Another day repeats what was odd within these: in days, and in what it asks. */
const REPEATED_WITHIN_DAYS = 28;
const REPEATED_WITHIN = 1.1;

/** What was too odd to count and is repeated on another day soon after counts from then on; a greater oddity waits anew. Rule L7. */
function seeOrRepeated(
  b: Belief,
  e: Exclude<CapacityEvent, { kind: "away" }>,
  waits: Waiting,
): { belief: Belief; seen: Seen } {
  const first = see(b, e);
  if (e.kind !== "sets" || first.seen.used || !first.seen.isOdd) return first;
  const nm = Math.max(...e.sets.map((s) => demandNm(e.station, s.loadKg)));
  const before = waits.get(e.station.id);
  waits.set(e.station.id, { on: e.on, nm });
  const isRepeat =
    before !== undefined &&
    before.on !== e.on &&
    daysBetween(before.on, e.on) <= REPEATED_WITHIN_DAYS &&
    nm <= REPEATED_WITHIN * before.nm;
  return isRepeat ? see(b, { ...e, isTrusted: true }) : first;
}

/** What waits for somebody's word proves nothing. */
function provedIn(e: Extract<CapacityEvent, { kind: "sets" }>, odd: Moved["odd"]): number | null {
  if (odd === "waits" || !e.isTrusted) return null;
  const all = e.sets.map((s) => provedBy(e.station, s)).filter((x) => x !== null);
  return all.length === 0 ? null : Math.max(...all);
}

function see(b: Belief, e: Exclude<CapacityEvent, { kind: "away" }>): { belief: Belief; seen: Seen } {
  switch (e.kind) {
    case "trial":
      return seeTrial(b, e);
    case "daily":
      return seeDaily(b, e);
    case "holds":
      return seeHolds(b, e);
    case "sets":
      return seeVisit(b, e.station, e.sets, e.isTrusted);
  }
}

function stationAfter(
  before: Omit<StationLearnt, "shown" | "proved"> | undefined,
  e: Extract<CapacityEvent, { kind: "sets" }>,
  visit: VisitOnStation | null,
): Omit<StationLearnt, "shown" | "proved"> {
  const kg = [before?.doneKg ?? null, e.doneKg].filter((x) => x !== null);
  return {
    course: [...(before?.course ?? []), ...(visit ? [visit] : [])],
    visits: (before?.visits ?? 0) + (saysReserve(e.sets) ? 1 : 0),
    doneKg: kg.length === 0 ? null : hardestOf(e.station, kg),
    lastOn: e.on,
  };
}

/** Doubt of a station that nobody worked on, against what the model says: calibrated, and not. Rule L2. */
export const CALIBRATED_SD = 0.1;
export const STATION_SD = 0.2;

/** What a movement shows on a station: as learnt there, else what the leg can do with the doubt of any station. */
export const shownOn = (l: Pick<Learnt, "peak" | "stations">, stationId: string | null): Shown =>
  stationId === null
    ? l.peak
    : (l.stations[stationId]?.shown ?? { mean: l.peak.mean, sd: Math.hypot(l.peak.sd, STATION_SD) });
