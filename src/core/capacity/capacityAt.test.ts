import { InputError } from "../units/inputError";
import { type CurveCan, capacityAt } from "./capacityAt";

const can = (over: Partial<CurveCan> = {}): CurveCan => ({
  movement: "knee_extension",
  peak: { mean: Math.log(120), sd: 0.1 },
  from: "trials",
  peakDeg: null,
  testedDeg: [60],
  ...over,
});
const doubtShare = (c: CurveCan, deg: number) => {
  const { value, doubt } = capacityAt(c, deg);
  return (doubt ?? 0) / value;
};

test("at a tested angle the doubt is that of the estimate, for eight of ten; away from it the shape's comes on top", () => {
  expect(doubtShare(can(), 60)).toBeCloseTo(1.28 * 0.1, 9);
  expect(doubtShare(can(), 30)).toBeGreaterThan(doubtShare(can(), 60));
  expect(doubtShare(can({ testedDeg: [30, 60] }), 30)).toBeCloseTo(1.28 * 0.1, 9);
  expect(doubtShare(can({ peak: { mean: 4, sd: 0.3 } }), 60)).toBeCloseTo(1.28 * 0.3, 9);
});

test("its peak is where the curve's is, and its own where enough angles were tested", () => {
  expect(capacityAt(can(), 64.9).value).toBeCloseTo(120, 1);
  expect(capacityAt(can({ peakDeg: 75 }), 75).value).toBeCloseTo(120, 6);
});

test("a guess says that it is one, the ends of the curve that they are doubtful, and beyond them nothing is said", () => {
  expect(capacityAt(can({ from: "prior" }), 60)).toMatchObject({
    origin: "default",
    working: { formula: { code: "work.can_prior" }, cannotTell: { code: "work.nobody_showed" } },
  });
  expect(capacityAt(can(), 105).working.cannotTell).toEqual({ code: "work.curve_doubtful" });
  expect(capacityAt(can(), 60).working.cannotTell).toEqual({ code: "work.curve_cannot" });
  for (const deg of [5, 115, Number.NaN]) expect(() => capacityAt(can(), deg)).toThrow(InputError);
});
