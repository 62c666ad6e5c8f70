import type { Body } from "../body/segments";
import { type CurveCan, capacityAt, torqueAt } from "../capacity/capacityAt";
import { LEAST_SPARED_SHARE, SPARED_STEP_SHARE } from "../mechanics/postures/dailyTasks";
import { CURVE_TO_DEG } from "../strength/torqueAngleShape";
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
      /** as it is really done, where alike it would be more than this leg can; null: alike is enough, or nobody does it */
      spared: { share: number; percent: Computed } | null;
      because: null;
    }
  | { task: Task; percent: null; hardestDeg: null; isAtLeast: false; spared: null; because: Coded };

/** Where under the foot the weight is pressed may be wrong by so much; the model's largest doubt (mechanics rules 8). */
const PRESSURE_DOUBT_M = 0.03;
/** Below this share of the peak the curve's own error is as large as what it says [own]. */
const LEAST_DEG = 20;
/** The other leg takes more and more, by so much a time, until what is done every day fits. Rule C [own]. */
const SPARED_BY = 0.05;

/** What somebody does every day without help, as they said. */
export interface DoesDaily {
  /** from a usual chair without hands */
  chair: boolean;
  /** foot over foot without the rail */
  stairs: boolean;
}

/** A usual chair, m: who rises from it rises from any higher one. */
const USUAL_SEAT_M = 0.46;

const isDone = (does: DoesDaily, t: Task): boolean => {
  if (t.kind === "chair") return does.chair && t.seatM >= USUAL_SEAT_M;
  return t.kind === "stairs_up" && does.stairs;
};

/**
 * A task as a share of what the leg can do at the angle where it takes most of it: knee moment over the strength curve,
 * from the deepest angle up. Past the curve's end nothing is carried on: there it is the least that it takes. Of what is
 * done every day nobody needs more than they have: where both legs alike would, the trunk leans and the other leg takes
 * more, as far as it takes. Rule C.
 */
export function costOf(body: Body, task: Task, can: CurveCan, does: DoesDaily): Cost {
  const unknown = (because: Coded): Cost => ({
    ...{ task, percent: null, hardestDeg: null, isAtLeast: false, spared: null, because },
  });
  const moments = momentsOf(body, task);
  if (!moments) return unknown({ code: "work.too_low" });
  const deepest = moments[0]?.kneeFlexionDeg ?? 0;
  const hardest = hardestOf(moments, can);
  if (!hardest) return unknown({ code: "work.hardly_bends" });
  const percent = percentOf(body, task, hardest, capacityAt(can, hardest.kneeFlexionDeg), "alike");
  return {
    task,
    percent,
    hardestDeg: hardest.kneeFlexionDeg,
    isAtLeast: deepest > CURVE_TO_DEG,
    spared: percent.value > 100 && isDone(does, task) ? sparedBy(body, task, can) : null,
    because: null,
  };
}

/** The least that the other leg must take more for this one to be able, as far as a leg can be spared. */
function sparedBy(body: Body, task: Task, can: CurveCan): { share: number; percent: Computed } | null {
  const least = task.kind === "chair" ? LEAST_SPARED_SHARE : SPARED_STEP_SHARE;
  for (let step = 3; step >= 0; step--) {
    const share = least + SPARED_BY * step;
    const moments = momentsOf(body, task, share);
    const hardest = moments && hardestOf(moments, can);
    if (!hardest) return null;
    const percent = percentOf(body, task, hardest, capacityAt(can, hardest.kneeFlexionDeg), "spared");
    if (percent.value <= 100 || step === 0) return { share, percent };
  }
  return null;
}

function hardestOf(moments: readonly Moment[], can: CurveCan): Moment | null {
  const share = (m: Moment): number => m.kneeNm / torqueAt(can, m.kneeFlexionDeg);
  return moments
    .filter((m) => m.kneeFlexionDeg >= LEAST_DEG && m.kneeFlexionDeg <= CURVE_TO_DEG)
    .reduce<Moment | null>((most, m) => (most && share(most) >= share(m) ? most : m), null);
}

function percentOf(body: Body, task: Task, m: Moment, can: Computed, way: "alike" | "spared"): Computed {
  const value = (100 * m.kneeNm) / can.value;
  const momentDoubtNm = PRESSURE_DOUBT_M * m.share * body.massKg * GRAVITY_M_S2;
  const relative = Math.hypot(momentDoubtNm / m.kneeNm, (can.doubt ?? 0) / can.value);
  const isTwoLegged = task.kind === "chair" || task.kind === "half_squat";
  const shared = way === "spared" ? "work.spared" : isTwoLegged ? "work.both_alike" : "work.working_leg";
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
          from: can.working.formula,
        },
        { name: { code: "work.body_mass" }, value: kgWords(body.massKg), origin: "measured" },
        {
          name: { code: "work.weight_share" },
          value: `${Math.round(m.share * 100)} %`,
          origin: "default",
          from: { code: shared },
        },
      ],
      source: { code: "work.cost_source" },
      confidence: "own",
      cannotTell: saidWith("work.cost_cannot", { strength: can.working.cannotTell ?? "" }),
    },
  };
}
