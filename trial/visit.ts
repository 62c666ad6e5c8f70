import type { Exercise } from "@/core/rules/exercises";
import { CREDITS, type Muscle } from "@/core/schedule/balance";
import type { KeptLine } from "@/core/sheet/line/keptLine";
import { keptStationId } from "@/core/sheet/line/keptLine";
import { workKindOf } from "@/core/sheet/line/workKind";
import { askedOf } from "@/core/visit/between/askedOf";
import { offerFor } from "@/core/visit/between/offer";
import { recordOf } from "@/core/visit/recordOf";
import { after, currentTask, lineOf, startOf, type VisitState } from "@/core/visit/run";
import type { SetRecord } from "@/core/visit/setRecord";
import type { VisitEvent } from "@/core/visit/visitEvent";
import { type Body, capacityNm, demandOf, doseOf, feltAt, graftToday, onSoreTissue, setOf } from "./body";
import type { Chance } from "./chance";
import type { TrialPerson } from "./person";

/** One person on one day, and what is believed of the leg that nobody tested. */
export interface OnDay {
  p: TrialPerson;
  body: Body;
  chance: Chance;
  day: number;
  region: string;
  exerciseOf: (id: string) => Exercise | null;
  /** believed at the start, N·m; null: nothing is believed of this station */
  believedNm: (station: NonNullable<KeptLine["station"]>) => number | null;
}

/** What a day really was, for the harness alone. */
export interface TrueDay {
  dose: number;
  effective: Partial<Record<Muscle, number>>;
  sets: number;
  failed: number;
  /** the hardest set against what could be lifted once that day */
  worstShare: number;
  /** sets that asked more of a graft or a repair than it bore */
  crossings: number;
}

export const emptyDay = (): TrueDay => ({
  dose: 0,
  effective: {},
  sets: 0,
  failed: 0,
  worstShare: 0,
  crossings: 0,
});

const DAY_SD = 0.04;
const TIRED_A_SET = 0.02;
/** Once a machine of which nothing is believed, against what is first set on it. */
const OF_FIRST = 1.7;
/** The body alone, where no model says what it asks. */
export const UNKNOWN_SHARE = 0.4;

interface Lifted {
  ratio: number;
  demand: number;
  startNm: number;
  isAnswered: boolean;
}

/** What a load asks of a line's muscle, against what it can do today. */
export function lift(
  on: OnDay,
  line: KeptLine,
  loadKg: number,
  dayShare: number,
  setsBefore: number,
): Lifted {
  const { station } = line;
  if (!station) return { ratio: 1 / UNKNOWN_SHARE, demand: UNKNOWN_SHARE, startNm: 1, isAnswered: false };
  const first = line.sets.find((s) => s.role === "work")?.loadKg ?? 0;
  const believed = on.believedNm(station) ?? OF_FIRST * demandOf(station, Math.max(1, first));
  const id = `${line.exerciseId}|${keptStationId(line.machineId, station)}`;
  const e = on.exerciseOf(line.exerciseId);
  const can = capacityNm(on.body, id, e, believed, on.p, on.chance, on.day) * dayShare;
  const demand = demandOf(station, loadKg);
  return {
    ratio: (can * (1 - TIRED_A_SET * setsBefore)) / demand,
    demand,
    startNm: on.body.startsNm.get(id) ?? believed,
    isAnswered: true,
  };
}

/** Adds one set to what the day was. */
export function add(
  to: TrueDay,
  on: OnDay,
  line: KeptLine,
  set: { reps: number; effective: number; hasFailed: boolean; share: number },
  lifted: Lifted,
): void {
  const e = on.exerciseOf(line.exerciseId);
  const kind = e && workKindOf(e);
  to.sets++;
  if (set.hasFailed) to.failed++;
  to.dose += doseOf(set.reps, lifted.demand, lifted.startNm, onSoreTissue(e, on.region));
  if (on.body.graftNm !== null && e?.match.class === "open_knee_extension")
    to.crossings += lifted.demand > graftToday(on.body, on.p, on.day) ? 1 : 0;
  if (lifted.isAnswered) to.worstShare = Math.max(to.worstShare, set.share);
  if (!kind) return;
  for (const [m, credit] of Object.entries(CREDITS[kind]) as [Muscle, number][])
    to.effective[m] = (to.effective[m] ?? 0) + credit * set.effective;
}

/** The day's form, for all its sets. */
export const formOf = ({ chance }: OnDay): number => Math.exp(DAY_SD * chance.normal());

const SAID_NOISE = 0.4;
/** Joint pain as it is said before or in a set, after so much of what the tissue takes. */
export function painSaid({ body, chance }: OnDay, doseSoFar: number, rested: number): number {
  const over = 1.5 * Math.max(0, doseSoFar / body.takes - 1);
  const felt = rested * body.usual + over + SAID_NOISE * chance.normal() - body.keepsBack;
  return Math.max(0, Math.min(10, Math.round(felt)));
}

/** Whoever presses the wrong key says any number. */
const SLIPS = 0.01;

export interface LivedVisit {
  records: SetRecord[];
  painAtStart: number;
  painAtEnd: number;
  truth: TrueDay;
  isStopped: boolean;
}

/** A visit as the floor runs it: every set done as far as the body can, every offer taken. */
export function liveVisit(lines: readonly KeptLine[], on: OnDay, ids: () => string): LivedVisit {
  const truth = emptyDay();
  const { chance, p } = on;
  const form = formOf(on);
  const setsOf = new Map<string, number>();
  let s: VisitState = startOf(lines);
  let ms = 330_000;
  let painAtStart: number | null = null;
  let last: { left: number | null; felt: number | null } = { left: null, felt: null };
  const happen = (e: VisitEvent) => {
    s = after(s, e);
  };
  for (let i = 0; i < 2000 && s.phase !== "finished"; i++) {
    const task = currentTask(s);
    if (s.phase === "closing") {
      happen({ type: "finish", painAtEnd: painSaid(on, truth.dose, 0.8), at: ms });
      continue;
    }
    const line = task && lineOf(s, task.lineId);
    if (!task || !line) break;
    if (s.phase === "set-up") happen({ type: "set-up", lineId: task.lineId, pins: true, at: ms });
    else if (s.phase === "pain-before") {
      const score = painSaid(on, truth.dose, 0.8);
      painAtStart ??= score;
      happen({ type: "pain-before", score, at: ms });
    } else if (s.phase === "ready") {
      const offer = offerFor(s);
      if (offer) {
        happen({ type: "take", lineId: offer.lineId, loadKg: offer.loadKg, reps: offer.reps, at: ms });
        continue;
      }
      const { lineId, set, leg, bout } = task;
      happen({ type: "start", task: { lineId, set, leg, bout }, at: ms });
    } else if (s.phase === "working") {
      ms += Math.round(task.workS * 1000);
      const isOther = task.leg === "second";
      const before = setsOf.get(task.lineId) ?? 0;
      const lifted = lift(on, line, task.loadKg ?? 0, form, before);
      let [reps, early]: [number | null, "muscle" | null] = [task.reps, null];
      if (task.reps !== null && !isOther) {
        const done = setOf(on.body, chance, lifted.ratio, task.reps, line.station?.repetitionsFactor ?? 1);
        reps = done.reps;
        early = done.hasFailed ? "muscle" : null;
        last = { left: done.said, felt: null };
        add(truth, on, line, done, lifted);
        if (task.role === "work") setsOf.set(task.lineId, before + 1);
      } else if (task.reps === null && !isOther) {
        const set = line.sets[Math.min(task.set, line.sets.length - 1)];
        const share = 1 / lifted.ratio;
        const felt = set?.holds ? feltAt(share, set.holds) + 0.5 * chance.normal() : 4;
        last = { left: null, felt: Math.max(1, Math.min(10, Math.round(2 * felt) / 2)) };
        const counted = { reps: (task.holdS ?? task.workS) / 4, hasFailed: false, share };
        add(truth, on, line, { ...counted, effective: felt >= 7 ? 0.5 : 0 }, lifted);
      } else
        last = {
          // the other leg is the stronger one
          left: task.reps === null || on.body.says === "never" ? null : Math.min(10, (last.left ?? 0) + 2),
          felt: task.reps === null ? 5 : null,
        };
      happen({ type: "end", at: ms, early, reps, meanForceN: null, range: null, countedBy: "tap" });
    } else if (s.phase === "rating") {
      const under = s.under?.task;
      if (!under) break;
      const asked = askedOf(s, under, line);
      ms += Math.round(under.thenS * 1000);
      const slipped = chance.share() < SLIPS ? Math.floor(11 * chance.share()) : null;
      happen({
        type: "rate",
        pain: painSaid(on, truth.dose, 0.6),
        reps: null,
        reserve: asked.reserve ? (slipped ?? last.left) : null,
        felt: asked.felt ? last.felt : null,
        recordId: ids(),
        at: ms,
      });
    }
  }
  return {
    records: s.done.map((d) => recordOf(d, p.side)),
    painAtStart: painAtStart ?? Math.round(on.body.usual),
    painAtEnd: s.finished?.painAtEnd ?? 0,
    truth,
    isStopped: s.stopped !== null,
  };
}
