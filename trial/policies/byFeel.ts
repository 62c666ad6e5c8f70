import { settingsOf } from "@/core/equipment/loadSteps";
import { loadOfStep } from "@/core/selection/setUp/machineFor";
import type { JudgedLine, ScoreContext } from "@/core/sheet/judge/judgeScore";
import { quietMachineOf } from "@/core/sheet/load/quietLoad";

/** Real loads of a machine of which nothing is known, so that its load is found by feel; null where something is set. */
export function loadsByFeel(j: JudgedLine, context: ScoreContext): number[] | null {
  const machine = j.exercise && quietMachineOf(j.exercise, context.sheet, j.machineId);
  if (!machine || !j.load || j.load.setting) return null;
  return settingsOf(machine.steps).map((x) => loadOfStep(machine.steps, x));
}
