import { momentsOf } from "../demand/tasks";
import { askedSides, comparedAt, freeOf } from "../selection/rank/asked";
import { atAngle, type Compared } from "../selection/rank/compare";
import { READY_QUESTIONS, type ReadyQuestion } from "../selection/rank/questions";
import { rowOf, type SheetInput } from "../selection/rank/rangeSheet";
import type { ReferenceTask } from "../selection/tissue/tissues";
import type { KeptLine } from "../sheet/line/keptLine";
import { GRAVITY_M_S2 } from "../units/mass";
import { type Said, saidWith } from "../units/said";

/** An answer for the client's eyes: few words, with the client's own numbers; what is drawn beside them. */
export interface Told {
  /** large, each short */
  says: Said[];
  /** set-ups that are drawn, at the angle looked at */
  sides: Compared[];
  /** how sure this is, small */
  sure: Said;
}

export interface ToldFacts {
  input: SheetInput;
  chair: ReferenceTask;
}

const ESTIMATED = { code: "told.estimated" };
const notReached = (deg: number): Said => saidWith("told.not_reached", { deg });
const EFFORT = 0.5;
const CHAIR_M = 0.46;

const press = READY_QUESTIONS.find((q) => q.id === "press-heavier") as ReadyQuestion;

/** Why so much more goes on the press than on the extension. */
export function pressHeavier({ input, chair }: ToldFacts, deg: number): Told {
  const sides = comparedAt(askedSides(press, input, EFFORT), input, chair, deg, { share: EFFORT });
  const [a, b] = sides;
  if (!a || !b || a.here.forceN === null || b.here.forceN === null)
    return { says: [notReached(deg)], sides, sure: ESTIMATED };
  const ratio = a.here.forceN / Math.max(1, b.here.forceN);
  return {
    says: [
      saidWith("told.same_work", { nm: Math.abs(a.here.kneeMomentNm), deg }),
      saidWith("told.press_harder", { ratio, armM: a.here.kneeArmM ?? 0 }),
      saidWith("told.longer_lever", { armM: b.here.kneeArmM ?? 0 }),
    ],
    sides,
    sure: ESTIMATED,
  };
}

/** How the leg became stronger, by everything that was done; null where too little is known. Rule L6. */
export function grownStronger({ input }: ToldFacts): Told | null {
  const { peak } = input.strength.extension;
  const moved = input.strength.extension.moved.filter((m) => m.odd !== "waits");
  const first = moved.find((m) => m.kind !== "daily");
  if (!first || moved.length < LEAST_MOVED) return null;
  // the push at the shin that the torque stands for, in kilograms that anybody can picture
  const pushKg = (nm: number) => nm / (input.body.shankLengthM * GRAVITY_M_S2);
  const [was, is] = [pushKg(first.toNm), pushKg(Math.exp(peak.mean))];
  const isSure = Math.abs(Math.log(is / was)) > peak.sd;
  return {
    says: [
      saidWith("told.push_then", { kg: was, on: first.on }),
      saidWith("told.push_now", { kg: is, isMore: is > was, isSure }),
      saidWith("told.learnt_from", { n: moved.length }),
    ],
    sides: [],
    sure: saidWith("told.push_sure", { share: peak.sd }),
  };
}
const LEAST_MOVED = 2;

/** What an angle does to the kneecap, on the press and on the extension, at the same work of the knee. */
export function kneecapHere({ input, chair }: ToldFacts, deg: number): Told {
  const sides = comparedAt(askedSides(press, input, EFFORT), input, chair, deg, null);
  const [a, b] = sides;
  if (!a || !b) return { says: [notReached(deg)], sides, sure: ESTIMATED };
  const [more, less] = a.here.kneecapTimes >= b.here.kneecapTimes ? [a, b] : [b, a];
  return {
    says: [
      saidWith("told.kneecap_carries", { deg, times: a.here.kneecapTimes, name: a.name }),
      saidWith("told.kneecap_other", { times: b.here.kneecapTimes, name: b.name }),
      more.here.kneecapTimes - less.here.kneecapTimes < 0.15
        ? { code: "told.hardly_matters" }
        : saidWith("told.kinder", { name: less.name }),
    ],
    sides,
    sure: { code: "told.estimated_rise" },
  };
}

/** Why a line is held and not moved: the kneecap at the held angle against the worst on the way. Null without a model. */
export function whyHold({ input, chair }: ToldFacts, line: KeptLine): Told | null {
  const e = input.exercises.find((x) => x.id === line.exerciseId);
  const deg = line.fromDeg;
  if (!e || deg === null || line.kind !== "holds") return null;
  const row = rowOf(e, freeOf(input, { kind: "effort", share: EFFORT }), {
    ...(line.drawing ? { settings: line.drawing.settings } : {}),
    machineId: line.machineId,
  });
  const load = line.sets.find((s) => s.role === "work")?.loadKg ?? null;
  const setUp = Array.isArray(row) ? null : row.computed;
  if (!setUp) return null;
  const set = load === null ? setUp : { ...setUp, load };
  const here = atAngle(input.body, set, chair, Math.round(deg / 5) * 5);
  const all = set.angles.flatMap((a) => atAngle(input.body, set, chair, a.deg) ?? []);
  const worst = all.reduce<Compared["here"] | null>(
    (w, x) => (w && w.kneecapTimes >= x.kneecapTimes ? w : x),
    null,
  );
  if (!here || !worst) return null;
  const hold = line.sets.find((s) => s.holds)?.holds;
  return {
    says: [
      saidWith("told.hold_carries", { deg, holdS: hold?.holdS ?? null, times: here.kneecapTimes }),
      worst.kneecapTimes - here.kneecapTimes < 0.15
        ? { code: "told.moving_no_more" }
        : saidWith("told.moving_reaches", { times: worst.kneecapTimes, deg: worst.deg }),
      { code: "told.next_angle" },
    ],
    sides: [{ name: line.name, setUp: set, here }],
    sure: ESTIMATED,
  };
}

/** What the number on the stack means on this machine; null where nothing is set or there is no model. */
export function stackNumber({ input, chair }: ToldFacts, line: KeptLine): Told | null {
  const e = input.exercises.find((x) => x.id === line.exerciseId);
  const set = line.sets.find((s) => s.role === "work");
  if (!e || set?.loadKg == null || set.how === null || line.isHelp) return null;
  const row = rowOf(e, freeOf(input, { kind: "effort", share: EFFORT }), {
    ...(line.drawing ? { settings: line.drawing.settings } : {}),
    machineId: line.machineId,
    load: set.loadKg,
  });
  const setUp = Array.isArray(row) ? null : row.computed;
  if (!setUp) return null;
  const inside = setUp.angles.filter(
    (a) => a.deg >= (line.fromDeg ?? 0) - 2.5 && a.deg <= (line.toDeg ?? 130) + 2.5,
  );
  const all = inside.flatMap(
    (a) => atAngle(input.body, { ...setUp, load: set.loadKg as number }, chair, a.deg) ?? [],
  );
  const worst = all.reduce<Compared["here"] | null>(
    (w, x) => (w && Math.abs(w.kneeMomentNm) >= Math.abs(x.kneeMomentNm) ? w : x),
    null,
  );
  const rise = momentsOf(input.body, { kind: "chair", seatM: CHAIR_M })?.[0]?.kneeNm ?? null;
  if (!worst) return null;
  const nm = Math.abs(worst.kneeMomentNm);
  return {
    says: [
      saidWith("told.what_is_set", { how: set.how, on: line.machineName ?? line.name }),
      saidWith("told.knee_feels", { nm, deg: worst.deg }),
      rise === null || rise < 5
        ? { code: "told.number_differs" }
        : saidWith("told.rises", { riseNm: rise, rises: nm / rise }),
    ],
    sides: [{ name: line.name, setUp: { ...setUp, load: set.loadKg }, here: worst }],
    sure: ESTIMATED,
  };
}
