import { withGap } from "../drafts/person/weakGroups";
import { GOALS } from "../rules/goals";
import { movement } from "../strength/movements";
import type { DatedStrength } from "./findings";
import { largestGap, type NeedOfGoal, type NeedsKnown, needsOfGoals } from "./goalNeeds";
import {
  MEASUREMENT_KIND_IDS,
  type MeasurementKind,
  measurementKind,
  realChangeFrom,
} from "./measurementKinds";
import { shortReach } from "./shortReach";

const DAY = "2026-06-01";
const m = (
  kind: MeasurementKind,
  value: number,
  over: { side?: "left" | "right" | null; takenOn?: string; armsUsed?: boolean; stepM?: number } = {},
) => ({ kind, value, way: null, side: "right" as "left" | "right" | null, takenOn: DAY, ...over });
const s = (side: "left" | "right", torqueNm: number, over: Partial<DatedStrength> = {}): DatedStrength => ({
  ...{
    movement: "knee_extension" as const,
    side,
    torqueNm,
    kneeFlexionDeg: 60,
    isReliable: true,
    takenOn: DAY,
  },
  ...over,
});
const known = (over: Partial<NeedsKnown> = {}): NeedsKnown => ({
  ...{ measurements: [], strength: [], side: "right", bodyMassKg: 70, ageYears: 45, normSex: null },
  ...over,
});
const of = (goalIds: string[], over: Partial<NeedsKnown>, measure: string): NeedOfGoal => {
  const found = needsOfGoals(goalIds, known(over)).find((n) => n.measure === measure);
  if (!found) throw new Error(`no need of ${measure}`);
  return found;
};

test("every number that a goal's need is read from is something that Bexlo measures", () => {
  const by = GOALS.flatMap((g) => g.needs.flatMap((n) => n.by ?? []));
  expect(by.length).toBeGreaterThan(25);
  for (const { measure, as } of by) {
    const isStrength = movement.safeParse(measure).success;
    expect(isStrength || MEASUREMENT_KIND_IDS.includes(measure as MeasurementKind)).toBe(true);
    if (as === "per_kg") expect(isStrength).toBe(true);
    if (as === "symmetry" && !isStrength)
      expect(measurementKind(measure as MeasurementKind).isSided).toBe(true);
  }
  // every goal has one, so that none is without a number
  for (const g of GOALS) expect(needsOfGoals([g.id], known()).length).toBeGreaterThan(0);
});

test("the largest gap stands first, then what nobody measured, then what is met", () => {
  const needs = needsOfGoals(
    ["walk_30"],
    known({
      measurements: [
        m("walk_10m", 0.95, { side: null }),
        m("walk_6min", 200, { side: null }),
        m("knee_straightening", 0),
        m("single_leg_balance", 9),
      ],
    }),
  );
  expect(needs.map((n) => [n.measure, n.shortfall && Math.round(n.shortfall * 100)])).toEqual([
    ["walk_6min", 50],
    ["single_leg_balance", 10],
    ["walk_10m", 5],
    ["heel_raises", null],
    ["daily_pain", null],
    ["knee_straightening", 0],
  ]);
  expect(largestGap(needs)?.measure).toBe("walk_6min");
  expect(largestGap(needsOfGoals(["walk_30"], known()))).toBeNull();
});

test("a gap within the measure's own error leads nothing, and the next clear one does", () => {
  const led = (over: Partial<NeedsKnown>, goal = "walk_30") =>
    largestGap(needsOfGoals([goal], known(over)))?.measure;
  expect(led({ measurements: [m("heel_raises", 9)] })).toBeUndefined();
  expect(led({ measurements: [m("heel_raises", 8)] })).toBe("heel_raises");
  // a tenth of one heel raise more is the larger share, and no clear one
  expect(led({ measurements: [m("heel_raises", 9), m("walk_6min", 365, { side: null })] })).toBe("walk_6min");
  expect(led({ strength: [s("right", 76), s("left", 100)] }, "stairs")).toBeUndefined();
  expect(led({ strength: [s("right", 70), s("left", 100)] }, "stairs")).toBe("knee_extension");
});

test("where less is better the gap is what is too much, and of a need of none the share of the scale", () => {
  expect(
    of(["floor"], { measurements: [m("floor_rise", 18, { side: null })] }, "floor_rise").shortfall,
  ).toBeCloseTo(0.2);
  expect(of(["floor"], { measurements: [m("floor_rise", 12, { side: null })] }, "floor_rise").shortfall).toBe(
    0,
  );
  expect(of(["run"], { measurements: [m("swelling", 2)] }, "swelling").shortfall).toBe(0.5);
});

test("of several goals the hardest counts; the treated side is looked at, the newest of it", () => {
  const measurements = [
    m("heel_raises", 25, { takenOn: "2026-05-01" }),
    m("heel_raises", 15),
    m("heel_raises", 30, { side: "left" }),
  ];
  const need = of(["stairs", "run"], { measurements }, "heel_raises");
  expect(need).toMatchObject({ goalId: "run", need: 20, have: { value: 15, on: DAY }, shortfall: 0.25 });
});

test("rises with the arms and step-downs from less than a stair say nothing of what is asked", () => {
  expect(
    of(
      ["low_chair"],
      { measurements: [m("sit_to_stand_30s", 14, { armsUsed: true, side: null })] },
      "sit_to_stand_30s",
    ).have,
  ).toBeNull();
  expect(
    of(["stairs"], { measurements: [m("step_downs_30s", 12, { stepM: 0.1 })] }, "step_downs_30s").have,
  ).toBeNull();
  expect(
    of(["stairs"], { measurements: [m("step_downs_30s", 12, { stepM: 0.2 })] }, "step_downs_30s").shortfall,
  ).toBe(0);
});

test("counts of rising are asked by age and sex where the table has them", () => {
  const rises = (ageYears: number, normSex: NeedsKnown["normSex"]) =>
    of(["low_chair"], { ageYears, normSex }, "sit_to_stand_30s").need;
  expect(rises(82, "female")).toBe(9);
  expect(rises(72, "male")).toBe(12);
  expect(rises(82, null)).toBe(12);
  expect(of(["low_chair"], { ageYears: 82 }, "five_rises").need).toBe(14.8);
});

test("symmetry and torque for the body's mass come from the strength tests", () => {
  const strength = [s("right", 90), s("left", 150)];
  expect(of(["stairs"], { strength }, "knee_extension")).toMatchObject({
    as: "symmetry",
    have: { value: 60 },
    unit: "%",
  });
  const perKg = needsOfGoals(["sport"], known({ strength })).find((n) => n.as === "per_kg");
  expect(perKg).toMatchObject({ have: { value: 1.3 }, need: 2.5, unit: "N·m/kg" });
  // outside 60 to 90 degrees, or where the trials did not agree, it is not compared
  for (const over of [{ kneeFlexionDeg: 30 }, { isReliable: false }])
    expect(
      needsOfGoals(["sport"], known({ strength: [s("right", 90, over)] })).find((n) => n.as === "per_kg")
        ?.have,
    ).toBeNull();
});

test("a gap that stands on one muscle group leads the weak ones, any other leaves them", () => {
  const gap = (measure: NeedOfGoal["measure"]): NeedOfGoal => ({
    ...of(["stairs"], {}, "knee_bend"),
    measure,
  });
  expect(withGap(["quadriceps"], gap("heel_raises"))).toEqual(["calf", "quadriceps"]);
  expect(withGap(["quadriceps", "calf"], gap("heel_raises"))).toEqual(["calf", "quadriceps"]);
  expect(withGap(["quadriceps"], gap("knee_bend"))).toEqual(["quadriceps"]);
  expect(withGap(["quadriceps"], null)).toEqual(["quadriceps"]);
});

test("reach that is short names its stretch once, what is not short none", () => {
  const found = shortReach(
    [
      m("straight_leg_raise", 60),
      m("toe_touch", 15, { side: null }),
      m("knee_to_wall", 9),
      m("heel_to_buttock", 12),
    ],
    "right",
  );
  expect(found.map((f) => [f.kind, f.stretchId])).toEqual([
    ["straight_leg_raise", "str_hamstring"],
    ["heel_to_buttock", "str_quad_standing"],
  ]);
  expect(shortReach([m("straight_leg_raise", 60)], "left")).toEqual([]);
});

test("a change counts by the kind's own error, or by its share of the value before", () => {
  expect(realChangeFrom("up_and_go", 12)).toBe(1.2);
  expect(realChangeFrom("hop_distance", 150)).toBeCloseTo(9);
  expect(realChangeFrom("standing_reach", 60)).toBeNull();
});
