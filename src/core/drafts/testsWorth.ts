import { judgeScore, type ScoreContext } from "../sheet/judge/judgeScore";
import type { ScoreLine } from "../sheet/line/scoreInput";
import { isPlainSets } from "../sheet/schemes/scheme";
import type { DraftFacts } from "./draftFacts";

/** From so much doubt on a load is worth a test of two minutes. Rule L11. */
const DOUBTED = 0.15;
/** More tests than this are a visit of their own [own]. */
const MOST = 2;

/** A line whose load is hardly known: by the machine that it stands on, and how far it may be off. */
export interface TestWorth {
  name: string;
  machine: string;
  /** one standard deviation, as a share */
  doubt: number;
}

/**
 * Lines that a repetition test would set right: moved on a machine, by an estimate that is far from sure, in a phase that
 * asks for strength and a joint that is not easily stirred up. Rule L11.
 */
export function testsWorth(
  lines: readonly ScoreLine[],
  facts: DraftFacts,
  context: ScoreContext,
): TestWorth[] {
  const isEarly = facts.stage === "protect" || facts.stage === "wake";
  if (isEarly || facts.isFrail || context.known.irritability === "high") return [];
  return judgeScore(lines, context)
    .flatMap((j): TestWorth[] => {
      const machine = j.load?.setUp?.chosen.machine.name;
      if (
        !isPlainSets(j.line.scheme) ||
        !machine ||
        j.load?.basis === "felt" ||
        !j.exercise ||
        !j.load?.setting?.loads.length
      )
        return [];
      return j.load.shareError > DOUBTED
        ? [{ name: j.exercise.name, machine, doubt: j.load.shareError }]
        : [];
    })
    .filter((t, i, all) => all.findIndex((o) => o.machine === t.machine) === i)
    .slice(0, MOST);
}
