import type { Body } from "../body/segments";
import { capacityAtAngle } from "../strength/capacityAtAngle";
import { capacityNm, fitTorqueAngle, type TorqueAngleFit } from "../strength/fitTorqueAngle";
import { type DatedTest, testsForCurve } from "../strength/testsForCurve";
import { CURVE_TO_DEG } from "../strength/torqueAngleShape";
import { dayInWords } from "../units/dayInWords";
import { GRAVITY_M_S2, kgWords } from "../units/mass";
import type { Computed } from "../units/working/working";
import { type Moment, momentsOf, type Task, taskName } from "./tasks";

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
  | { task: Task; percent: null; hardestDeg: null; isAtLeast: false; because: string };

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
  const unknown = (because: string): Cost => ({
    task,
    percent: null,
    hardestDeg: null,
    isAtLeast: false,
    because,
  });
  const moments = momentsOf(body, task);
  if (!moments) return unknown("too low for this body in the model");
  const deepest = moments[0]?.kneeFlexionDeg ?? 0;
  const curve = testsForCurve(tests);
  const [newest] = curve;
  if (!newest) return unknown("the strength of this leg was never tested");
  const fit = fitTorqueAngle("knee_extension", curve);
  const hardest = hardestOf(moments, fit);
  if (!hardest) return unknown("the knee hardly bends in it");
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
      formula: `knee moment of ${taskName(task)} at ${m.kneeFlexionDeg.toFixed(0)}°, where it takes most, divided by what this leg can do there`,
      inputs: [
        {
          name: "knee moment of one leg",
          value: `${m.kneeNm.toFixed(0)} ± ${momentDoubtNm.toFixed(0)} N·m`,
          origin: "estimated",
          from: "static model of this body",
        },
        {
          name: "what the leg can do there",
          value: `${can.value.toFixed(0)} ± ${(can.doubt ?? 0).toFixed(0)} N·m`,
          origin: can.origin,
          from: can.working.inputs[0]?.from ?? "strength test",
        },
        { name: "body mass", value: kgWords(body.massKg), origin: "measured" },
        {
          name: "weight on this leg",
          value: `${Math.round(m.share * 100)} %`,
          origin: "default",
          from:
            task.kind === "chair" || task.kind === "half_squat" ? "both legs alike" : "the leg that works",
        },
      ],
      source: "static inverse dynamics over the torque-angle curve (mechanics 3, 5.10, 5.11, 6)",
      confidence: "own",
      cannotTell: `How fast or with how much swing it is done, and whether the other leg or the hands take more than their part. Above 100 % it is done with help of those, or not at all. Of the strength: ${can.working.cannotTell ?? ""}`,
    },
  };
}
