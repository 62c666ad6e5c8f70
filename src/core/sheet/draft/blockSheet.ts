import type { BlockSheet } from "../../schedule/block/block";
import { kindOfSheet, USUAL_TIMES } from "../../schedule/block/sheetKind";
import type { RunDose } from "../../schedule/block/weekRules";
import type { MuscleCredits } from "../effect/muscleCredits";
import { tissueDose } from "../effect/tissueDose";
import type { KeptLine } from "../line/keptLine";
import { effectiveSets } from "../schemes/effectiveSets";
import { type ShortFor, shortForm, shortSeconds } from "./shortForm";

/** A sheet as it was kept. */
export interface SheetKept {
  id: string;
  lines: readonly KeptLine[];
  /** of one run */
  seconds: number;
  needsGym: boolean;
}

/** A sheet as the week plans it: what a run gives and takes, whole and short, and how often it is wished; null: as usual. */
export function blockSheetOf(
  { id, lines, seconds, needsGym }: SheetKept,
  wish: { times: number; keepTimes: number } | null,
  { credit, hard, exerciseOf }: MuscleCredits,
  who: ShortFor,
): { sheet: BlockSheet; short: KeptLine[] | null } {
  const kind = kindOfSheet(lines);
  const { times, keepTimes } = wish ?? USUAL_TIMES[kind];
  const short = shortForm(lines, exerciseOf, who);
  const setsOfLines = (all: readonly KeptLine[]) =>
    all.map((l) => ({ exerciseId: l.exerciseId, sets: effectiveSets(l) }));
  const doseOfRun = (all: readonly KeptLine[], of: number): RunDose => ({
    minutes: Math.ceil(of / 60),
    sets: credit(setsOfLines(all)),
    kneecapChairS: all.reduce((sum, l) => sum + l.kneecapChairS, 0),
    tissue: all.reduce((sum, l) => sum + tissueDose(l, exerciseOf(l.exerciseId), who.sore), 0),
  });
  return {
    sheet: {
      id,
      kind,
      ...doseOfRun(lines, seconds),
      short: short && doseOfRun(short, shortSeconds(lines, short, seconds)),
      hardFor: hard(setsOfLines(lines.filter((l) => l.kind !== "holds"))),
      needsGym,
      times,
      keepTimes,
    },
    short,
  };
}
