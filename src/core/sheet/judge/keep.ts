import { limbGravityTorqueNm } from "../../body/limbGravity";
import { mostOf } from "../../bounds/inForce";
import { modelIdOf } from "../../selection/fit/exerciseUse";
import { needsPins } from "../../selection/fit/needsPins";
import { heightWords } from "../../selection/setUp/quiet/heights";
import { setUpWords } from "../../selection/setUp/setUpWords";
import { InputError } from "../../units/inputError";
import { kneecapDose } from "../effect/kneecapDose";
import type { KeptLine } from "../line/keptLine";
import type { ScoreLine } from "../line/scoreInput";
import { hardOf } from "../schemes/schemeTotals";
import { type JudgedLine, type ScoreContext, windowOf } from "./judgeScore";
import { offersOf } from "./offersOf";
import { setLoads } from "./setLoads";
import { stationOfLine } from "./stationOfLine";

/** How many lighter steps a tap may go back to. */
const LIGHTER_STEPS = 4;

/** A judged line with every figure fixed, as it is saved and run. Throws InputError where the exercise is not known. */
export function keep(
  judged: JudgedLine<ScoreLine & { lineId: string }>,
  context: ScoreContext,
  machineNames: ReadonlyMap<string, string>,
): KeptLine {
  const { line, exercise, load, row, sets } = judged;
  if (!exercise) throw new InputError("exerciseId", { code: "input.exercise_gone" });
  const { scheme } = line;
  const loads = setLoads(judged);
  const window = windowOf(line) ?? row?.arc ?? null;
  return {
    lineId: line.lineId,
    exerciseId: exercise.id,
    name: exercise.name,
    kind: scheme.kind,
    scheme,
    legs: line.legs,
    sharesRests: line.sharesRests,
    machineId: judged.machineId,
    machineName: (judged.machineId && machineNames.get(judged.machineId)) || null,
    sets: sets.map((s, i) => ({ ...s, loadKg: loads[i]?.load ?? null, how: loads[i]?.how ?? null })),
    fromDeg: window ? window.fromDeg : null,
    toDeg: window ? window.toDeg : null,
    painMax: mostOf(context.sheet.limits, "joint_pain"),
    setUp: [
      ...(load?.setUp ? setUpWords(load.setUp) : []),
      ...(judged.height ? [heightWords(judged.height)] : []),
    ],
    heightCm: judged.height?.cm ?? null,
    drawing: load?.setUp
      ? {
          settings: load.setUp.settings,
          share: load.setUp.share,
          phase: load.setUp.phase,
          like: modelIdOf(exercise),
        }
      : null,
    checks: exercise.setup_checks,
    needsPins: needsPins(exercise),
    lighter: lighterOf(judged),
    isHelp: load?.setting?.isHelp ?? false,
    aimForceN: aimForceOf(judged, context),
    total: scheme.kind === "accumulated" ? scheme.total : null,
    leastReserve: scheme.kind === "accumulated" || scheme.kind === "climb" ? scheme.reserve : null,
    share: load?.share ?? null,
    basis: load?.basis ?? null,
    station: stationOfLine(judged, context),
    offers: offersOf(judged, context),
    feltAim: feltAimOf(scheme),
    kneecapChairS: kneecapDose([judged], context.sheet.chair).chairSeconds,
    hardReps: hardOf(sets) ?? 0,
  };
}

const feltAimOf = (s: ScoreLine["scheme"]): number | null =>
  s.kind === "holds" && s.effort.kind === "felt" ? s.effort.felt : null;

/** Easier real loads, the nearest first. */
function lighterOf({ load }: JudgedLine): KeptLine["lighter"] {
  const setting = load?.setting;
  if (!setting || setting.loads.length === 0) return [];
  const easier = setting.isHelp
    ? setting.loads.filter((l) => l.load > setting.load + 1e-6)
    : setting.loads.filter((l) => l.load < setting.load - 1e-6).toReversed();
  return easier.slice(0, LIGHTER_STEPS).map((l) => ({ loadKg: l.load, how: l.how }));
}

/** Force at the shin pad of a held extension: the knee's torque less the shin's own weight, over the pad's distance. */
function aimForceOf({ line, load }: JudgedLine, context: ScoreContext): number | null {
  const setUp = load?.setUp;
  const padM = setUp?.settings.padM;
  if (line.scheme.kind !== "holds" || line.scheme.atDeg === null || !setUp || !padM) return null;
  if (setUp.chosen.family.id !== "seated_knee_extension") return null;
  const outsideNm = setUp.momentNm - limbGravityTorqueNm(context.sheet.body, line.scheme.atDeg);
  return outsideNm > 0 ? outsideNm / padM : null;
}
