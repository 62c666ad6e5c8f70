import { exerciseUse } from "../../selection/fit/exerciseUse";
import { directionOf } from "../../selection/setUp/loadContext";
import { freeWeightOf } from "../../selection/setUp/quiet/freeWeights";
import { capacityStation } from "../../selection/setUp/stationModel";
import { quietStation } from "../../selection/setUp/testStation";
import { heldForm } from "../line/heldForm";
import type { KeptStation } from "../line/keptLine";
import type { JudgedLine, ScoreContext } from "./judgeScore";

/** Where a judged line's load is moved, as it is kept; null where nothing can be learnt from its sets. */
export function stationOfLine(judged: JudgedLine, { sheet }: ScoreContext): KeptStation | null {
  const { exercise, load, line, machineId } = judged;
  if (!exercise || !load) return null;
  const { setUp } = load;
  if (!setUp) {
    const legs = line.legs === "together" ? "two" : "one";
    const free = machineId === null ? freeWeightOf(exercise, sheet.body.massKg) : null;
    if (free && load.setting)
      return { ...free.lift, angles: [...free.lift.angles], family: free.id, legs, direction: null };
    if (machineId === null || (load.setting === null && load.open === null)) return null;
    const { id: _, ...station } = quietStation(machineId, legs === "two");
    return { ...station, angles: [...station.angles], family: "quiet", legs, direction: null };
  }
  const e = line.scheme.kind === "holds" ? heldForm(exercise) : exercise;
  const use = exerciseUse(e);
  const inside = setUp.angles.filter((a) => a.deg >= setUp.arc.fromDeg && a.deg <= setUp.arc.toDeg);
  const found = use && capacityStation({ e, use, chosen: setUp.chosen, inside }, sheet.strength);
  if (!use || !found) return null;
  const { id: _, ...station } = found;
  return {
    ...station,
    angles: [...station.angles],
    family: setUp.chosen.family.id,
    legs: use.legs,
    direction: directionOf(e),
  };
}
