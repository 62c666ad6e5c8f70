import { type ByMuscle, CREDITS } from "../schedule/balance";
import { type JudgedLine, judgeScore, type ScoreContext } from "../sheet/judge/judgeScore";
import type { ScoreLine } from "../sheet/line/scoreInput";
import { workKindOf } from "../sheet/line/workKind";
import { quietMachineOf } from "../sheet/load/quietLoad";
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
  /** one standard deviation, as a share; null: nothing is known, it is found by feel */
  doubt: number | null;
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
  const isAimed = ({ exercise }: JudgedLine): boolean => {
    const kind = exercise && workKindOf(exercise);
    return kind !== null && facts.aimed.some((m) => ((CREDITS[kind] as ByMuscle)[m] ?? 0) === 1);
  };
  const judged = judgeScore(lines, context);
  // what the phase is for first; a machine whose load is found by feel is known least of all
  return [...judged.filter(isAimed), ...judged.filter((j) => !isAimed(j))]
    .flatMap((j): TestWorth[] => {
      const machine = testedOn(j, context);
      if (!isPlainSets(j.line.scheme) || !machine || !j.exercise || !j.load) return [];
      const doubt = j.load.basis === "felt" ? null : j.load.shareError;
      return doubt === null || doubt > DOUBTED ? [{ name: j.exercise.name, machine, doubt }] : [];
    })
    .filter((t, i, all) => all.findIndex((o) => o.machine === t.machine) === i)
    .slice(0, MOST);
}

/** The machine that a line's load is set on, with a model of the knee or without; null: none. */
export function testedOn({ load, exercise, machineId }: JudgedLine, { sheet }: ScoreContext): string | null {
  if (load?.setUp)
    return load.basis === "felt" || !load.setting?.loads.length ? null : load.setUp.chosen.machine.name;
  if (!exercise || !load?.open) return null;
  return quietMachineOf(exercise, sheet, machineId)?.name ?? null;
}
