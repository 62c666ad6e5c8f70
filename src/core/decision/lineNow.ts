import { demandNm, type Lift } from "../capacity/station";
import type { Irritability, School } from "../progression/painRule";
import { type JudgedLine, judgeScore, type ScoreContext, standingBars } from "../sheet/judge/judgeScore";
import { stationOfLine } from "../sheet/judge/stationOfLine";
import { repsLadder } from "../sheet/line/repsLadder";
import { type ScoreLine, scoreLine } from "../sheet/line/scoreInput";

export interface NextFacts {
  school: School;
  irritability: Irritability;
  context: ScoreContext;
  /** the load that the version was kept with; null: none was set */
  setKg?: number | null;
  /** the load that was really used last, where it was not the planned one */
  usedKg: number | null;
  /** repetitions that were said to be left after the last set; missing or null: nobody said */
  saidLeft?: number | null;
  /** days since slow and heavy came to its repetitions; missing: it has only just */
  daysOnRung?: number;
}

/** The line judged as it stands today; null where its exercise is gone. */
export const judgedOf = (line: ScoreLine, { context }: NextFacts): JudgedLine | null =>
  judgeScore([{ ...line, sharesRests: false }], context)[0] ?? null;

/** Whether a line may be saved as it is: its numbers are such as can be entered, and nothing bars it. */
export function isOpen(line: ScoreLine, facts: NextFacts): boolean {
  if (!scoreLine.safeParse(line).success) return false;
  const judged = judgedOf(line, facts);
  return judged !== null && standingBars(judged).length === 0;
}

/**
 * The line with what a decision leaves as it is: the load that was really set and the ladder that it climbs. What is not
 * the one named change stays to the digit. Rule P1.
 */
export function pinned(line: ScoreLine, facts: NextFacts): ScoreLine {
  const ladder = repsLadder(line);
  // slow and heavy has its course, a rung at a time
  const isKept = ladder !== null && !line.ladder && line.scheme.kind !== "slow";
  const withLadder = isKept ? { ...line, ladder: { of: "reps" as const, ...ladder } } : line;
  if (line.scheme.kind === "holds") return line;
  const kg = facts.usedKg ?? line.loadKg ?? facts.setKg ?? null;
  return kg === null ? withLadder : { ...withLadder, loadKg: kg };
}

/** What a line is set to, with all other real loads of its machine by how much more or less they ask of the muscle. */
export interface Loads {
  kg: number;
  how: string;
  isHelp: boolean;
  /** demand against what is set now: above 1 harder, below 1 easier; the nearest first */
  harder: readonly { load: number; how: string; ratio: number }[];
  easier: readonly { load: number; how: string; ratio: number }[];
  repetitionsFactor: number;
  /** null: nothing is known of what it asks */
  lift: Lift | null;
}

/** Null where the body alone is the load, or nothing is set. */
export function loadsOf(judged: JudgedLine, facts: NextFacts): Loads | null {
  const setting = judged.load?.setting ?? null;
  if (!setting || setting.loads.length === 0) return null;
  const station: Lift | null = stationOfLine(judged, facts.context);
  const asks = (kg: number): number => (station ? demandNm(station, kg) : kg);
  const now = asks(setting.load);
  const all = setting.loads
    .filter((l) => Math.abs(l.load - setting.load) > 1e-6)
    .map((l) => ({
      ...l,
      // what asks nothing now is harder by any load
      ratio: now > 1e-6 ? asks(l.load) / now : setting.isHelp === l.load < setting.load ? NEARLY_NOTHING : 0,
      isHarder: setting.isHelp ? l.load < setting.load : l.load > setting.load,
    }));
  const byNearness = (a: { load: number }, b: { load: number }) =>
    Math.abs(a.load - setting.load) - Math.abs(b.load - setting.load);
  return {
    kg: setting.load,
    how: setting.how,
    isHelp: setting.isHelp,
    // near straight a little more on a press asks no more of the knee: that is no step
    harder: all.filter((l) => l.isHarder && l.ratio > 1 + 1e-6).sort(byNearness),
    easier: all.filter((l) => !l.isHarder && l.ratio < 1 - 1e-6).sort(byNearness),
    repetitionsFactor: station?.repetitionsFactor ?? 1,
    lift: station,
  };
}

/** A first load where nothing is set yet is no great step. */
const NEARLY_NOTHING = 1.05;
