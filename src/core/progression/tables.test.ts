import fc from "fast-check";
import { ladder } from "./ladder";
import { type Irritability, irritability, painRule, type School, school } from "./painRule";
import { stepSizes } from "./stepSizes";

const each = <T>(work: (s: School, i: Irritability) => T): T[] =>
  school.options.flatMap((s) => irritability.options.map((i) => work(s, i)));

test("the pain rule: green up to most for each school and irritability", () => {
  const table = each((s, i) => `${s} ${i} ${painRule(s, i).green}/${painRule(s, i).max}`);
  expect(table).toEqual([
    "pain_free low 2/2",
    "pain_free moderate 2/2",
    "pain_free high 1/2",
    "monitoring low 2/5",
    "monitoring moderate 2/4",
    "monitoring high 2/3",
    "post_op low 2/2",
    "post_op moderate 1/2",
    "post_op high 1/2",
  ]);
});

test("a written limit only ever tightens the pain rule", () => {
  for (let written = 0; written <= 10; written++)
    each((s, i) => {
      const [plain, limited] = [painRule(s, i), painRule(s, i, written)];
      expect(limited.max).toBe(Math.min(plain.max, written));
      expect(limited.green).toBeLessThanOrEqual(Math.min(plain.green, limited.max));
    });
});

test("after surgery steps are never larger and steps back never smaller", () => {
  for (const i of irritability.options) {
    const [plain, postOp] = [stepSizes("monitoring", i), stepSizes("post_op", i)];
    expect(postOp.upPct).toBeLessThanOrEqual(plain.upPct);
    expect(postOp.bigUpPct).toBeLessThanOrEqual(plain.bigUpPct);
    expect(postOp.backPct).toBeGreaterThanOrEqual(plain.backPct);
    expect(postOp.angleDeg).toBeLessThanOrEqual(plain.angleDeg);
    expect(postOp.sessionsPerStep).toBeGreaterThanOrEqual(plain.sessionsPerStep);
  }
});

test("a ladder starts at its start, ends at its goal, steps no further than allowed and skips what is barred", () => {
  const deg = fc.integer({ min: 10, max: 110 });
  fc.assert(
    fc.property(
      deg,
      deg,
      fc.constantFrom(...school.options),
      fc.constantFrom(...irritability.options),
      deg,
      (fromDeg, toDeg, s, i, barredTo) => {
        const open = ladder({ fromDeg, toDeg, school: s, irritability: i, blockedDeg: [] });
        expect(open[0]).toBe(fromDeg);
        expect(open[open.length - 1]).toBe(toDeg);
        for (let k = 1; k < open.length; k++) {
          const step = ((open[k] as number) - (open[k - 1] as number)) * Math.sign(toDeg - fromDeg);
          expect(step).toBeGreaterThan(0);
          expect(step).toBeLessThanOrEqual(stepSizes(s, i).angleDeg);
        }
        const barred = ladder({ fromDeg, toDeg, school: s, irritability: i, blockedDeg: [[0, barredTo]] });
        expect(barred).toEqual(open.filter((d) => d > barredTo));
      },
    ),
  );
});
