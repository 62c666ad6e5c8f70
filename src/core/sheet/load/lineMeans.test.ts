import { sayPlainly } from "@/words/say";
import { spreadFactor } from "../../isometrics/effortConversion";
import { rangeSheet } from "../../selection/rank/rangeSheet";
import { realLoads } from "../../selection/setUp/machineFor";
import { surely } from "../../testdata/capacity/known";
import { inWords } from "../../testdata/inWords";
import { EXAMPLES, line, scoreContext, withTests } from "../../testdata/scoreContext";
import { itemsOf } from "../effect/scoreItems";
import { judgeScore, type ScoreContext } from "../judge/judgeScore";
import { setLoads } from "../judge/setLoads";
import { scoreTotals } from "../order/sessionScore";
import type { Scheme } from "../schemes/scheme";
import { nextMeansDown } from "./nextMeans";
import { enduranceComputed, shareComputed } from "./shareWorking";

const judgeOne = (l: ReturnType<typeof line>, context: ScoreContext) => {
  const [judged] = judgeScore([l], context);
  if (!judged) throw new Error("nothing judged");
  return judged;
};

/** A knee so weak that a stack's first plate is too much. */
function weakContext(): ScoreContext {
  const base = scoreContext();
  const weak = surely("extension", 45);
  return { ...base, sheet: { ...base.sheet, strength: { ...base.sheet.strength, extension: weak } } };
}

test("where the lightest step is too heavy, it is said, never rounded up, and the next means down is offered", () => {
  const context = weakContext();
  const gentle: Scheme = { ...EXAMPLES.holds, holdS: 20, effort: { kind: "felt", felt: 3 } };
  const judged = judgeOne(line("kext_iso_machine", gentle, { legs: "one_after_other" }), context);
  expect(inWords(judged.load?.tooHeavyBecause)).toMatch(/% of its strength|lightest step/);
  expect(judged.bars.map(sayPlainly).join()).toMatch(/the lightest it has is too heavy, because/);
  const { rows } = rangeSheet(context.sheet);
  const lighter = nextMeansDown(judged, rows, context);
  expect(lighter).not.toBeNull();
  const other = judgeOne(lighter?.line ?? line("", gentle), context);
  expect(other.bars).toEqual([]);
  expect(other.load?.tooHeavyBecause).toBeNull();
  expect(other.exercise?.match.class).toBe("open_knee_extension");
  expect(other.load?.share ?? 1).toBeLessThanOrEqual(other.load?.wantedShare ?? 0);
  const strong = judgeOne(line("kext_iso_machine", gentle, { legs: "one_after_other" }), scoreContext());
  expect(nextMeansDown(strong, rows, context)).toBeNull();
});

test("every set of every scheme is on a real step, ramp and drop sets never above their share", () => {
  const context = scoreContext({});
  for (const scheme of [EXAMPLES.ramp, EXAMPLES.drop, EXAMPLES.climb, EXAMPLES.straight] as const) {
    const judged = judgeOne(line("lp_horizontal", scheme), context);
    const setUp = judged.load?.setUp;
    if (!setUp) throw new Error("no set-up");
    const real = realLoads(setUp.chosen.machine, setUp.chosen.family).map((l) => l.load);
    const loads = setLoads(judged);
    expect(loads).toHaveLength(judged.sets.length);
    for (const [i, l] of loads.entries()) {
      if (!l) continue;
      expect(real).toContain(l.load);
      if (scheme.kind !== "climb")
        expect(l.load).toBeLessThanOrEqual(
          // a warm-up is never lighter than the lightest there is
          Math.max(
            judged.sets[i]?.role === "ramp" ? (real[0] as number) : 0,
            setUp.load * (judged.sets[i]?.loadShare ?? 0),
          ) + 1e-9,
        );
    }
    if (scheme.kind === "climb") {
      const climbed = loads.flatMap((l) => (l ? [l.load] : []));
      expect(climbed).toEqual([...climbed].sort((a, b) => a - b));
    }
  }
});

test("a machine that leaves the knee quiet gets its load from a repetition test on it, a real step; without one it is felt", () => {
  const context = scoreContext();
  const machine = context.sheet.machines.find((m) => m.family === "hip_abduction");
  if (!machine) throw new Error("no hip machine");
  const test = {
    machineName: machine.name,
    twoLegs: true,
    loadKg: 40,
    reps: 10,
    reserve: 2,
  };
  const tested = withTests(context, [test]);
  const judged = judgeOne(line("hip_abd", { ...EXAMPLES.straight, reps: 10, reserve: 2 }), tested);
  expect(judged.load?.basis).toBe("sets");
  expect(Math.abs((judged.load?.setting?.load ?? 0) - 40)).toBeLessThanOrEqual(5);
  expect(judged.load?.setting?.loads.map((l) => l.load)).toContain(judged.load?.setting?.load);
  expect(setLoads(judged).every((l) => l?.how === judged.load?.setting?.how)).toBe(true);
  expect(judgeOne(line("hip_abd", EXAMPLES.straight), context).load?.setting).toBeNull();
  const tooHeavy = withTests(context, [{ ...test, loadKg: 2 }]);
  expect(inWords(judgeOne(line("hip_abd", EXAMPLES.straight), tooHeavy).load?.tooHeavyBecause)).toMatch(
    /lightest step/,
  );
});

test("calves on the press plate stand on the press: one set-up, a short move between", () => {
  const lines = [
    line("lp_horizontal", EXAMPLES.straight),
    line("calf_press", EXAMPLES.straight, { sharesRests: true }),
  ];
  const judged = judgeScore(lines, scoreContext());
  expect(judged[0]?.machineId).not.toBeNull();
  expect(judged[1]?.machineId).toBe(judged[0]?.machineId);
  const { steps } = scoreTotals(itemsOf(judged, (_, i) => String(i)));
  expect(steps.filter((s) => s.kind === "set_up")).toHaveLength(1);
  expect(steps.find((s) => s.kind === "move")?.seconds).toBe(10);
});

test("the doubt of a share is half its error at 95 %, and of an endurance what the person's own holds leave open", () => {
  const context = scoreContext();
  const press = judgeOne(line("lp_horizontal", EXAMPLES.straight), context);
  const { share, shareError } = press.load ?? {};
  expect(share).toBeGreaterThan(0);
  expect(shareComputed(press)?.doubt).toBeCloseTo(98 * (share ?? 0) * (shareError ?? 0), 9);
  const hold = judgeOne(line("kext_iso_machine", EXAMPLES.holds), context);
  for (const holds of [0, 3, 12]) {
    const known = enduranceComputed(hold, { k: 1, holds });
    expect(known?.doubt).toBeCloseTo((known?.value ?? 0) * (spreadFactor(holds) - 1), 9);
  }
});
