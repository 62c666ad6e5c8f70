import { momentsOf } from "../demand/tasks";
import { askedSides, comparedAt, freeOf } from "../selection/rank/asked";
import { atAngle, type Compared } from "../selection/rank/compare";
import { READY_QUESTIONS, type ReadyQuestion } from "../selection/rank/questions";
import { rowOf, type SheetInput } from "../selection/rank/rangeSheet";
import type { ReferenceTask } from "../selection/tissue/tissues";
import type { KeptLine } from "../sheet/line/keptLine";

/** An answer for the client's eyes: few words, with the client's own numbers; what is drawn beside them. */
export interface Told {
  /** large; each a short sentence */
  says: string[];
  /** set-ups that are drawn, at the angle looked at */
  sides: Compared[];
  /** how sure this is, small */
  sure: string;
}

export interface ToldFacts {
  input: SheetInput;
  chair: ReferenceTask;
}

const ESTIMATED = "Estimated by a model of this body; it compares, it does not measure.";
const EFFORT = 0.5;
const CHAIR_M = 0.46;
const cm = (m: number | null): string => `${Math.round((m ?? 0) * 100)} cm`;
const times = (x: number): string => (x < 0.05 ? "next to nothing" : `${x.toFixed(1)} chair rises`);

const press = READY_QUESTIONS.find((q) => q.id === "press-heavier") as ReadyQuestion;

/** Why so much more goes on the press than on the extension. */
export function pressHeavier({ input, chair }: ToldFacts, deg: number): Told {
  const sides = comparedAt(askedSides(press, input, EFFORT), input, chair, deg, { share: EFFORT });
  const [a, b] = sides;
  if (!a || !b || a.here.forceN === null || b.here.forceN === null)
    return { says: [`At ${deg}° the model does not reach both. Move the knee.`], sides, sure: ESTIMATED };
  const ratio = a.here.forceN / Math.max(1, b.here.forceN);
  return {
    says: [
      `Your knee does the same work on both: ${Math.round(Math.abs(a.here.kneeMomentNm))} N·m at ${deg}°.`,
      `The press pushes ${ratio.toFixed(1)} times as hard, because its push passes your knee at only ${cm(a.here.kneeArmM)}.`,
      `The extension's pad pulls at ${cm(b.here.kneeArmM)}: a longer lever needs less force.`,
    ],
    sides,
    sure: ESTIMATED,
  };
}

/** What an angle does to the kneecap, on the press and on the extension, at the same work of the knee. */
export function kneecapHere({ input, chair }: ToldFacts, deg: number): Told {
  const sides = comparedAt(askedSides(press, input, EFFORT), input, chair, deg, null);
  const [a, b] = sides;
  if (!a || !b)
    return { says: [`At ${deg}° the model does not reach both. Move the knee.`], sides, sure: ESTIMATED };
  const [more, less] = a.here.kneecapTimes >= b.here.kneecapTimes ? [a, b] : [b, a];
  return {
    says: [
      `At ${deg}° your kneecap carries ${times(a.here.kneecapTimes)} on ${a.name}.`,
      `On ${b.name} it is ${times(b.here.kneecapTimes)}.`,
      more.here.kneecapTimes - less.here.kneecapTimes < 0.15
        ? "Here it hardly matters which. Bend the knee and look again."
        : `Here ${less.name} is kinder to it.`,
    ],
    sides,
    sure: `${ESTIMATED} One chair rise is you, rising from 46 cm.`,
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
      `You hold at ${deg}°${hold ? ` for ${Math.round(hold.holdS)} seconds` : ""}: your kneecap carries ${times(here.kneecapTimes)}, and nothing moves.`,
      worst.kneecapTimes - here.kneecapTimes < 0.15
        ? "Moving would load it no more; the hold lets you choose the one angle that feels well."
        : `Moved all the way it would reach ${times(worst.kneecapTimes)}, at ${worst.deg}°.`,
      "The muscle works as hard. When this angle is quiet, the next one follows.",
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
      `“${set.how}” is what you set on ${line.machineName ?? line.name}.`,
      `Your knee feels it as ${Math.round(nm)} N·m, most of all at ${worst.deg}°.`,
      rise === null || rise < 5
        ? "On another machine the same number means something else."
        : `One chair rise asks ${Math.round(rise)} N·m of each leg: this is ${(nm / rise).toFixed(1)} of them. On another machine the same number means something else.`,
    ],
    sides: [{ name: line.name, setUp: { ...setUp, load: set.loadKg }, here: worst }],
    sure: ESTIMATED,
  };
}
