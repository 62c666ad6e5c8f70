import { learn, STATION_SD } from "../../capacity/learn";
import { nextSet } from "../../capacity/nextSet";
import { demandNm } from "../../capacity/station";
import { inputOf, type VisitFacts } from "../../decision/inputOf";
import { linePast } from "../../decision/linePast";
import { nextLine } from "../../decision/nextLine";
import { decide } from "../../progression/decide";
import type { KnownStrength } from "../../selection/setUp/strengthKnown";
import { judgeScore, type ScoreContext } from "../../sheet/judge/judgeScore";
import { keep } from "../../sheet/judge/keep";
import { type KeptLine, keptStationId } from "../../sheet/line/keptLine";
import { repsLadder } from "../../sheet/line/repsLadder";
import type { ScoreLine } from "../../sheet/line/scoreInput";
import { kFactorUnbounded } from "../../strength/repetitionMaximum";
import { capacityEvents, type LineOfVisit } from "../../visit/capacity/capacityEvents";
import { lineDone } from "../../visit/lineDone";
import type { SetRecord } from "../../visit/setRecord";
import { lineIdOf } from "../keptLines";
import { DAY } from "./known";

/** Who a first visit is lived by: what they can really do against what is believed, and how they judge what is left. */
export interface MadeUpLifter {
  /** true strength over the believed middle, of every movement */
  strength: number;
  /** how a station shows otherwise than the model, by its name */
  station: (id: string) => number;
  /** so many fewer are said than are left */
  understates: number;
}

type Known = NonNullable<KeptLine["station"]>;
const LATER = "2026-01-08";

/** Repetitions that a load allows. */
function canDo(station: Known, loadKg: number, peakNm: number): number {
  const ratio = peakNm / Math.max(1e-6, demandNm(station, loadKg));
  let reps = 0;
  while (reps < 40 && kFactorUnbounded((reps + 1) / station.repetitionsFactor) <= ratio) reps++;
  return reps;
}

const legsOf = ({ legs }: KeptLine): ("both" | "left" | "right")[] =>
  legs === "one"
    ? ["left"]
    : legs === "in_turns" || legs === "one_after_other"
      ? ["left", "right"]
      : ["both"];

/** One line's sets as they would be done, taking every offer of the floor, as records of the visit. */
function doneBy(kept: KeptLine, peakNm: number, who: MadeUpLifter): SetRecord[] {
  const { station, offers } = kept;
  if (!station) return [];
  let set = null as { loadKg: number; reps: number } | null;
  const records: SetRecord[] = [];
  for (const [i, s] of kept.sets.entries()) {
    if (s.role === "ramp" || s.reps === null) continue;
    const now: { loadKg: number; reps: number } = set ?? { loadKg: s.loadKg ?? 0, reps: s.reps };
    const can = canDo(station, now.loadKg, peakNm);
    const reps = Math.min(now.reps, can);
    const isFailed = reps < now.reps;
    const reserve = isFailed ? null : Math.max(0, Math.min(10, can - reps - who.understates));
    for (const leg of legsOf(kept))
      records.push({
        ...{ id: lineIdOf(900 + records.length), lineId: kept.lineId, exerciseId: kept.exerciseId },
        ...{ setNo: i + 1, leg, boutNo: 1, corrects: null, voided: false },
        ...{
          startedAt: `${DAY}T10:00:00.000Z`,
          workedS: 40,
          reps,
          loadKg: s.loadKg === null ? null : now.loadKg,
        },
        ...{ how: null, rangeFromDeg: kept.fromDeg, rangeToDeg: kept.toDeg, painBefore: 0, pain: 0, reserve },
        ...{
          felt: null,
          early: isFailed ? "muscle" : null,
          meanForceN: null,
          countedBy: "tap",
          faults: [],
          elsewhere: [],
          worn: "none",
          help: "none",
        },
      } as SetRecord);
    const next =
      offers &&
      nextSet(
        station,
        { ...now, reps, plannedReps: now.reps, reserve, ended: isFailed ? "muscle" : "planned" },
        {
          reserve: offers.reserve,
          ladder: { least: offers.least, most: Math.max(offers.most, now.reps) },
          care: offers.care,
          loads: offers.loads.map((l) => l.loadKg),
        },
      );
    if (next) set = next;
  }
  return records;
}

/** What a first visit of one line comes to: the line as decided after it, judged by what was learnt from all lines. */
export function afterFirstVisit(
  drafted: readonly ScoreLine[],
  context: ScoreContext,
  visit: Pick<VisitFacts, "school" | "irritability">,
  who: MadeUpLifter,
) {
  const { strength } = context.sheet;
  const named = drafted.map((l, i) => ({ ...l, lineId: lineIdOf(i + 1) }));
  const judged = judgeScore(named, context);
  const kept = judged.map((j) => keep(j, context, new Map()));
  const believed = (s: Known) => (s.direction ? Math.exp(strength[s.direction].peak.mean) : null);
  const done = kept.map((k) => {
    const s = k.station;
    if (!s || k.sets.every((x) => x.reps === null)) return [];
    const own = who.station(keptStationId(k.machineId, s));
    const first = k.sets.find((x) => x.role === "work")?.loadKg ?? 0;
    // without a model: it lifts so much once against what was first set
    const peak = (believed(s) ?? demandNm(s, Math.max(first, 1)) * 1.7) * who.strength * own;
    return doneBy(k, peak, who);
  });
  const lines: LineOfVisit[] = kept.map((k, i) => ({
    visitId: lineIdOf(800),
    on: DAY,
    savedOn: DAY,
    kept: k,
    records: done[i] ?? [],
  }));
  const events = capacityEvents(lines, {
    ...{
      side: "left",
      isStrict: strength.care === "strict",
      k: 1,
      machines: new Map(),
      confirmed: new Set<string>(),
    },
  });
  const learnt: KnownStrength = {
    ...strength,
    extension: { ...strength.extension, ...relearn("extension") },
    flexion: { ...strength.flexion, ...relearn("flexion") },
    quiet: Object.fromEntries(
      [...events.quiet].flatMap(([id, own]) => {
        const asked = Math.max(...own.flatMap((e) => e.sets.map((s) => demandNm(e.station, s.loadKg))));
        const found =
          asked > 0 ? learn({ peakNm: 1.5 * asked, sd: 0.6 }, own, LATER).stations[id] : undefined;
        return found ? [[id, found]] : [];
      }),
    ),
  };
  function relearn(d: "extension" | "flexion") {
    const { peak } = strength[d];
    return learn({ peakNm: Math.exp(peak.mean), sd: Math.max(STATION_SD / 2, peak.sd) }, events[d], LATER);
  }
  const later: ScoreContext = { ...context, sheet: { ...context.sheet, strength: learnt } };
  const facts: VisitFacts = {
    ...{ ...visit, writtenPainLimit: null, usualPain: 0, redFlag: false, painAtStart: 0, painAtEnd: 0 },
    ...{
      morning: { pain: 0, swelling: 0 },
      swellingBefore: 0,
      swellingApplies: false,
      sore: null,
      room: null,
      regions: [],
      feels: [],
      lines: kept,
    },
  };
  return judged.map((j, i) => {
    const k = kept[i] as KeptLine;
    const own = done[i] ?? [];
    const lineFacts = lineDone(k, own, repsLadder(j.line)?.most ?? null);
    const past = linePast([], [], null);
    const decision = decide(inputOf(k, j.exercise, lineFacts, past, facts));
    const next = nextLine(j.line, decision.action, decision, {
      ...{ ...visit, context: later, usedKg: lineFacts.usedKg, saidLeft: lineFacts.reserve },
      setKg: k.sets.find((s) => s.role === "work")?.loadKg ?? null,
    });
    const [second] = next.line ? judgeScore([{ ...next.line, sharesRests: false }], later) : [];
    return { first: j, kept: k, decision, next, second: second ?? null };
  });
}
