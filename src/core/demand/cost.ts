import type { Body } from "../body/segments";
import { capacityAtAngle } from "../strength/capacityAtAngle";
import { capacityNm, fitTorqueAngle, type TorqueAngleFit } from "../strength/fitTorqueAngle";
import { type DatedTest, testsForCurve } from "../strength/testsForCurve";
import { CURVE_TO_DEG } from "../strength/torqueAngleShape";
import { dayInWords } from "../units/dayInWords";
import { GRAVITY_M_S2, kgWords } from "../units/mass";
import { type Coded, saidWith } from "../units/said";
import type { Computed } from "../units/working/working";
import { type Moment, momentsOf, type Task } from "./tasks";

/** What a task takes of a leg: a number with its working, or why nobody can say. */
export type Cost =
  | {
      task: Task;
      percent: Computed;
      hardestDeg: number;
      /** the task bends the knee past the curve: it takes this much or more */
      isAtLeast: boolean;
      because: null;
    }
  | { task: Task; percent: null; hardestDeg: null; isAtLeast: false; because: Coded };

/** Where under the foot the weight is pressed may be wrong by so much; the model's largest doubt (mechanics rules 8). */
const PRESSURE_DOUBT_M = 0.03;
/** Below this share of the peak the curve's own error is as large as what it says [own]. */
const LEAST_DEG = 20;

/**
 * A task as a share of what the leg can do at the angle where it takes most of it: knee moment over the strength curve,
 * from the deepest angle up. Past the curve's end nothing is carried on: there it is the least that it takes. Not known where
 * nobody tested the leg.
 * `tests` are knee extension tests of this leg up to the day asked about; `body` the body of that day.
 */
export function costOf(body: Body, task: Task, tests: readonly DatedTest[]): Cost {
  const unknown = (because: Coded): Cost => ({
    task,
    percent: null,
    hardestDeg: null,
    isAtLeast: false,
    because,
  });
  const moments = momentsOf(body, task);
  if (!moments) return unknown({ code: "work.too_low" });
  const deepest = moments[0]?.kneeFlexionDeg ?? 0;
  const curve = testsForCurve(tests);
  const [newest] = curve;
  if (!newest) return unknown({ code: "work.never_tested" });
  const fit = fitTorqueAngle("knee_extension", curve);
  const hardest = hardestOf(moments, fit);
  if (!hardest) return unknown({ code: "work.hardly_bends" });
  return {
    task,
    percent: percentOf(
      body,
      task,
      hardest,
      capacityAtAngle(fit, hardest.kneeFlexionDeg, dayInWords(newest.takenOn)),
    ),
    hardestDeg: hardest.kneeFlexionDeg,
    isAtLeast: deepest > CURVE_TO_DEG,
    because: null,
  };
}

function hardestOf(moments: readonly Moment[], fit: TorqueAngleFit): Moment | null {
  const share = (m: Moment): number => m.kneeNm / capacityNm(fit, m.kneeFlexionDeg);
  return moments
    .filter((m) => m.kneeFlexionDeg >= LEAST_DEG && m.kneeFlexionDeg <= CURVE_TO_DEG)
    .reduce<Moment | null>((most, m) => (most && share(most) >= share(m) ? most : m), null);
}

function percentOf(body: Body, task: Task, m: Moment, can: Computed): Computed {
  const value = (100 * m.kneeNm) / can.value;
  const momentDoubtNm = PRESSURE_DOUBT_M * m.share * body.massKg * GRAVITY_M_S2;
  const relative = Math.hypot(momentDoubtNm / m.kneeNm, (can.doubt ?? 0) / can.value);
  return {
    value,
    unit: "%",
    doubt: value * relative,
    origin: "estimated",
    working: {
      formulaId: "demand.cost",
      formula: saidWith("work.cost_formula", { task, deg: m.kneeFlexionDeg }),
      inputs: [
        {
          name: { code: "work.knee_moment" },
          value: `${m.kneeNm.toFixed(0)} ± ${momentDoubtNm.toFixed(0)} N·m`,
          origin: "estimated",
          from: { code: "work.body_model" },
        },
        {
          name: { code: "work.can_do" },
          value: `${can.value.toFixed(0)} ± ${(can.doubt ?? 0).toFixed(0)} N·m`,
          origin: can.origin,
          from: can.working.inputs[0]?.from ?? { code: "work.strength_test" },
        },
        { name: { code: "work.body_mass" }, value: kgWords(body.massKg), origin: "measured" },
        {
          name: { code: "work.weight_share" },
          value: `${Math.round(m.share * 100)} %`,
          origin: "default",
          from:
            task.kind === "chair" || task.kind === "half_squat"
              ? { code: "work.both_alike" }
              : { code: "work.working_leg" },
        },
      ],
      source: { code: "work.cost_source" },
      confidence: "own",
      cannotTell: saidWith("work.cost_cannot", { strength: can.working.cannotTell ?? "" }),
    },
  };
}
