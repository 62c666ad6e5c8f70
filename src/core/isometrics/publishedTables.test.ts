import { holdForShare } from "../testdata/byFormula";
import { shareForFeltEffort } from "./effortConversion";
import { meanEnduranceS, shareOfEndurance } from "./enduranceTime";
import type { EnduranceJoint } from "./joints";

/** The tables of docs/rules.md (dosing rules A1, A4, A5), as printed there: whole seconds and percents. */
test.each<[EnduranceJoint, number[]]>([
  ["ankle", [956, 415, 229, 145, 99, 72, 55, 43]],
  ["trunk", [876, 349, 182, 109, 72, 51, 38, 29]],
  ["grip", [448, 233, 147, 102, 76, 60, 48, 40]],
  ["elbow", [630, 257, 136, 83, 56, 40, 29, 23]],
  ["knee", [399, 186, 109, 71, 51, 38, 29, 24]],
  ["shoulder", [283, 135, 79, 53, 38, 29, 22, 18]],
  ["general", [550, 246, 139, 90, 62, 46, 35, 28]],
])("mean endurance of the %s at 20 to 90 %%", (joint, seconds) => {
  seconds.forEach((s, i) => {
    expect(Math.abs(meanEnduranceS(joint, 0.2 + 0.1 * i) - s)).toBeLessThanOrEqual(0.6);
  });
});

test("joints rank as published at half of maximum", () => {
  const ranked: EnduranceJoint[] = ["ankle", "trunk", "grip", "elbow", "knee", "shoulder"];
  const times = ranked.map((j) => meanEnduranceS(j, 0.5));
  expect([...times].sort((a, b) => b - a)).toEqual(times);
});

test.each([
  [0.3, 90, 135],
  [0.4, 50, 80],
  [0.5, 35, 50],
  [0.6, 25, 35],
  [0.7, 15, 25],
  [0.8, 10, 20],
])("knee holds at %d of maximum for half and three quarters of the endurance", (f, half, threeQuarters) => {
  expect(holdForShare("knee", f, 0.5).holdS).toBe(half);
  expect(holdForShare("knee", f, 0.75).holdS).toBe(threeQuarters);
});

test("below 15 % local endurance is no limit, so no share is shown", () => {
  expect(shareOfEndurance("knee", 0.14, 600)).toBeNull();
  expect(shareOfEndurance("knee", 1, 3)).toBe(Number.POSITIVE_INFINITY);
});

/** Largest percent of maximum that ends the last hold at felt effort 6, 7, 8, 9: the practical table. */
test.each<[EnduranceJoint, [number, number, number], number[]]>([
  ["knee", [45, 5, 120], [31, 36, 41, 46]],
  ["knee", [45, 5, 60], [29, 33, 37, 42]],
  ["knee", [30, 5, 60], [34, 39, 45, 51]],
  ["knee", [30, 4, 60], [35, 40, 46, 53]],
  ["knee", [10, 10, 10], [35, 40, 46, 52]],
  ["knee", [10, 10, 20], [39, 46, 53, 61]],
  ["knee", [6, 6, 20], [47, 56, 65, 77]],
  ["trunk", [45, 5, 120], [37, 42, 47, 52]],
  ["shoulder", [30, 5, 60], [30, 35, 40, 45]],
  ["ankle", [10, 10, 20], [43, 50, 57, 66]],
])("%s, hold, times and rest %j", (joint, [holdS, reps, restS], percents) => {
  const pattern = { holdS, reps, restS, sets: 1, setRestS: 0 };
  [6, 7, 8, 9].forEach((felt, i) => {
    const percent = 100 * shareForFeltEffort(joint, pattern, felt);
    expect(Math.abs(percent - (percents[i] as number))).toBeLessThanOrEqual(0.6);
  });
});
