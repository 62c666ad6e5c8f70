import fc from "fast-check";
import { sayPlainly } from "@/words/say";
import { seededRandom } from "../../devices/simulated/random";
import { simulateAngleSensor } from "../../devices/simulated/simulateAngleSensor";
import { conditionById } from "../rules/conditions";
import { endRangeDeg } from "../signal/endRange";
import { estimate1RM, kFactor } from "../strength/repetitionMaximum";
import { limbSymmetry, reaches } from "../strength/symmetry";
import { testBarred } from "../strength/testRules";
import { inWords } from "../testdata/inWords";
import { issueSaid } from "../units/wrong";
import { dueMeasurements } from "./dueMeasurements";
import { type DatedMeasurement, type DatedStrength, findingsFrom, pairedStrength } from "./findings";
import { measurementInput, plainMeasurement } from "./measurementInput";
import { MEASUREMENT_KIND_IDS, measurementKind } from "./measurementKinds";
import { type MeasuredArc, painfulArcsNow } from "./painfulArcs";
import { sitToStandBelow } from "./sitToStand";
import { ratioSummary, strengthSummary } from "./strengthSummary";

const ID = "3f2b8f1e-7c54-4a53-9f0f-6d2f4a0d9a11";
const DAY = "2026-06-01";
const m = (
  kind: DatedMeasurement["kind"],
  value: number,
  takenOn = DAY,
  over: object = {},
): DatedMeasurement => ({
  kind,
  side: "right",
  value,
  way: null,
  takenOn,
  ...over,
});
const s = (side: "left" | "right", torqueNm: number, over: Partial<DatedStrength> = {}): DatedStrength => ({
  movement: "knee_extension",
  side,
  kneeFlexionDeg: 60,
  torqueNm,
  isReliable: true,
  takenOn: DAY,
  ...over,
});

describe("one-repetition maximum", () => {
  test("the factor rises strictly from 1 to 40 repetitions, and is refused above", () => {
    let before = 0;
    for (let r = 1; r <= 40; r += 0.25) {
      const k = kFactor(r) as number;
      expect(k).toBeGreaterThan(before);
      before = k;
    }
    expect(kFactor(41)).toBeNull();
  });

  test("more load, more repetitions or more in reserve never lower the estimate, nor narrow its range", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 5, max: 200 }),
        fc.integer({ min: 1, max: 20 }),
        fc.integer({ min: 0, max: 5 }),
        (load, reps, reserve) => {
          const base = estimate1RM(load, reps, reserve);
          for (const more of [estimate1RM(load + 1, reps, reserve), estimate1RM(load, reps + 1, reserve)])
            expect(more.value as number).toBeGreaterThan(base.value as number);
          expect(estimate1RM(load, reps, reserve + 1).error as number).toBeGreaterThanOrEqual(
            base.error as number,
          );
        },
      ),
    );
  });

  test("a press allows more repetitions at the same share than an extension, a curl fewer", () => {
    const of = (lift: "leg_press" | "leg_curl" | "other") => estimate1RM(60, 12, 2, lift).value as number;
    expect(of("leg_press")).toBeLessThan(of("other"));
    expect(of("leg_curl")).toBeGreaterThan(of("other"));
  });
});

describe("symmetry", () => {
  test.each([
    [60, 100, 90, "below"],
    [90, 100, 90, "cannot_tell"],
    [120, 100, 90, "reached"],
  ] as const)("%i against %i is %s of %i", (own, other, wanted, words) => {
    const found = limbSymmetry(own, other);
    expect(found && reaches(found, wanted)).toBe(words);
  });

  test("is not computed against nothing, and compares with the other leg's best of the episode at the same angle", () => {
    expect(limbSymmetry(50, 0)).toBeNull();
    const tests = [
      s("right", 90),
      s("left", 120, { takenOn: "2026-05-01" }),
      s("left", 110),
      s("left", 200, { kneeFlexionDeg: 90 }),
    ];
    expect(pairedStrength(tests, "knee_extension", "right")).toMatchObject({ involvedNm: 90, otherNm: 120 });
    expect(pairedStrength([s("right", 90)], "knee_extension", "right")).toBeNull();
  });

  test("bars of both sides show what the symmetry divides, each with its error; the history is of one angle", () => {
    const tests = [
      s("right", 90),
      s("right", 70, { takenOn: "2026-04-01" }),
      s("right", 200, { kneeFlexionDeg: 90, takenOn: "2026-04-15" }),
      s("left", 120, { takenOn: "2026-05-01" }),
      s("left", 110),
    ];
    const [row] = strengthSummary(tests, "right", 75);
    expect(row?.sides.map((x) => [x.side, x.torqueNm])).toEqual([
      ["left", 120],
      ["right", 90],
    ]);
    const [left, right] = row?.sides ?? [];
    expect((100 * (right?.torqueNm ?? 0)) / (left?.torqueNm ?? 1)).toBeCloseTo(row?.symmetry?.value ?? 0);
    expect(right?.doubtNm).toBeCloseTo(90 * 0.098, 6);
    expect(row?.history).toEqual([70, 90]);
    expect(strengthSummary([s("left", 110)], "right", 75)[0]).toMatchObject({
      sides: [{ side: "left", torqueNm: 110 }],
      history: [],
    });
  });

  test("the summary gives doubt and working; an unreliable test says so", () => {
    const [row] = strengthSummary([s("right", 90), s("left", 120, { isReliable: false })], "right", 75);
    expect(row?.symmetry).toMatchObject({ value: 75, unit: "%", origin: "estimated" });
    expect(row?.symmetry?.doubt).toBeCloseTo(10.4, 1);
    expect(row?.symmetry?.working.cannotTell).toEqual({ code: "work.trials_one" });
    expect(row?.perBodyMass?.value).toBeCloseTo(1.2, 6);
    const [ratio] = ratioSummary([s("right", 100), s("right", 85, { movement: "knee_flexion" })]);
    expect(ratio).toMatchObject({ kneeFlexionDeg: 60, band: "quadriceps_first" });
    expect(
      ratioSummary([s("right", 100), s("right", 60, { movement: "knee_flexion", kneeFlexionDeg: 30 })]),
    ).toEqual([]);
  });
});

describe("findings for a phase", () => {
  const from = (measurements: DatedMeasurement[], strength: DatedStrength[] = []) =>
    findingsFrom({
      measurements,
      strength,
      side: "right",
      today: DAY,
      weeks: 8,
      weeksInPhase: 2,
      functionalMet: [],
    });

  test("take the newest of the involved side; what is older than four weeks is not measured", () => {
    const found = from([
      m("knee_bend", 100, "2026-05-10"),
      m("knee_bend", 110, "2026-05-30"),
      m("knee_bend", 140, DAY, { side: "left" }),
      m("swelling", 1, "2026-05-03"),
      m("daily_pain", 2, DAY, { side: null }),
    ]);
    expect(found).toMatchObject({
      flexionDeg: 110,
      swellingGrade: null,
      restingPain: 2,
      quadricepsLagDeg: null,
    });
  });

  test("bending back beyond straight is no straightening deficit; passive comes before active", () => {
    expect(from([m("knee_straightening", -4)]).extensionDeficitDeg).toBe(0);
    const both = [
      m("knee_straightening", 8, DAY, { way: "active" }),
      m("knee_straightening", 3, "2026-05-20", { way: "passive" }),
    ];
    expect(from(both).extensionDeficitDeg).toBe(3);
  });

  test("an old strength test gives no symmetry", () => {
    expect(from([], [s("right", 90), s("left", 100)]).quadricepsSymmetry?.lsiPct).toBe(90);
    const old = { takenOn: "2026-04-01" };
    expect(from([], [s("right", 90, old), s("left", 100, old)]).quadricepsSymmetry).toBeNull();
  });
});

test("what is due is what the phase is left by and is not fresh, with the reason; the last phase asks nothing", () => {
  const condition = conditionById("total_knee_replacement");
  if (!condition) throw new Error("no such condition");
  const due = (phaseId: string, measurements: DatedMeasurement[] = []) =>
    dueMeasurements({
      parts: condition.phases.filter((p) => p.id === phaseId).map((phase) => ({ condition, phase })),
      measurements,
      strength: [s("right", 80), s("left", 100)],
      side: "right",
      today: DAY,
    }).map((d) => inWords(d.what));
  expect(due("w2_6")).toEqual([
    "knee straightening",
    "knee bend",
    "swelling",
    "quadriceps lag",
    "pain in daily life",
  ]);
  expect(due("w2_6", [m("knee_bend", 90), m("swelling", 1, "2026-04-01")])).not.toContain("knee bend");
  expect(due("w6_12")).toContain("both legs' knee flexion");
  expect(due("w12p")).toEqual([]);
});

test("a maximal test is barred where it could hurt a graft, only on that side and only as long", () => {
  const of = (
    conditionId: string,
    variantId: string,
    weeks: number,
    side: "involved" | "other" = "involved",
  ) => ({
    conditions: [{ conditionId, variantId, weeks }],
    side,
  });
  const acl = (weeks: number, side?: "other") => of("acl_reconstruction", "hamstring_graft", weeks, side);
  expect(inWords(testBarred("knee_extension", 45, acl(11)))).toMatch(/60° to 90°/);
  expect(testBarred("knee_extension", 60, acl(5))).toBeNull();
  expect(testBarred("knee_extension", 45, acl(12))).toBeNull();
  expect(testBarred("knee_extension", 30, acl(5, "other"))).toBeNull();
  expect(inWords(testBarred("knee_flexion", 60, acl(15)))).toMatch(/before week 16/);
  expect(testBarred("knee_flexion", 60, of("acl_reconstruction", "patellar_tendon_graft", 15))).toBeNull();
  expect(inWords(testBarred("knee_extension", 75, of("pcl_injury", "reconstruction", 30)))).toMatch(
    /60° or less/,
  );
});

test("the sit-to-stand table says nothing under sixty", () => {
  expect(sitToStandBelow("F", 59, 5)).toBeNull();
  expect(sitToStandBelow("M", 92, 7)).toEqual({ cut: 7, below: false });
});

describe("a measurement as it is sent", () => {
  const sentences = (over: object) =>
    measurementInput
      .safeParse({ ...plainMeasurement(ID, "knee_bend", "right", 100), ...over })
      .error?.issues.map((i) => sayPlainly(issueSaid(i))) ?? [];
  test.each([
    [{}, /^$/],
    [{ value: 200 }, /Knee bend must be between 0 and 160 °/],
    [{ value: Number.NaN }, /as a number/],
    [{ side: null }, /left or the right/],
    [{ way: null }, /active or passive/],
    [{ kind: "swelling", way: null, value: 1.5 }, /whole number/],
    [{ kind: "swelling", way: null, value: 2, source: "angle_sensor" }, /sensor does not measure/],
    [{ kind: "sit_to_stand_30s", side: null, way: null, value: 12 }, /chair's height/],
    [
      { kind: "sit_to_stand_30s", side: null, way: null, value: 12, chairM: 4.3, armsUsed: false },
      /20 and 80 cm/,
    ],
    [{ kind: "repetition_test", way: null, value: 40, reps: 8, reserve: 2 }, /Name the machine/],
    [{ kind: "painful_arc", way: null, value: 4, fromDeg: 20, toDeg: 40 }, /how the knee was moved/],
    [{ kind: "painful_arc", way: null, value: 4, moved: "closed" }, /from which to which bend/],
    [
      { kind: "painful_arc", way: null, value: 4, moved: "closed", fromDeg: 40, toDeg: 42 },
      /at least 5° wide/,
    ],
    [
      { kind: "painful_arc", way: null, value: 4, moved: "closed", fromDeg: 60, toDeg: 20 },
      /at least 5° wide/,
    ],
    [
      { kind: "painful_arc", way: null, value: 4, moved: "closed", fromDeg: 0, toDeg: 20, loadKg: 0 },
      /leave it empty/,
    ],
    [{ kind: "step_downs_30s", way: null, value: 9 }, /step's height/],
    [{ kind: "step_downs_30s", way: null, value: 9, stepM: 0.8 }, /between 5 and 60 cm/],
    [{ kind: "stairs_time", way: null, value: 9 }, /how many steps/],
    [{ kind: "pelvis_rolls", way: null, value: 90 }, /Choose the machine/],
    [{ kind: "free_test", way: null, value: 9 }, /Name the test/],
    [{ kind: "guess", way: null }, /what was measured/],
  ])("%j", (over, expected) => {
    expect(sentences(over).join(" ")).toMatch(expected);
  });

  test("every kind can be sent plainly at its bounds, except those that need more", () => {
    for (const kind of MEASUREMENT_KIND_IDS) {
      const { least, most, with: beside } = measurementKind(kind);
      const isTaken = (value: number) =>
        measurementInput.safeParse(plainMeasurement(ID, kind, "left", value)).success;
      for (const value of [least, most]) expect([kind, isTaken(value)]).toEqual([kind, beside === null]);
      for (const value of [least - 1, most + 1]) expect([kind, isTaken(value)]).toEqual([kind, false]);
    }
  });
});

describe("the angle sensor", () => {
  const trace = (toDeg: number, until = Number.POSITIVE_INFINITY) => {
    const out: { timeS: number[]; angleDeg: number[] } = { timeS: [], angleDeg: [] };
    for (const p of simulateAngleSensor({ fromDeg: 40, toDeg }, seededRandom(7)))
      if (p.timeS <= until) {
        out.timeS.push(p.timeS);
        out.angleDeg.push(p.angleDeg);
      }
    return out;
  };
  test.each([-3, 4, 112, 138])("reads the end of a range at %i° within a degree", (deg) => {
    expect(endRangeDeg(trace(deg))).toBeCloseTo(deg, 0);
  });
  test("refuses a leg that still moves, and a reading that is too short", () => {
    expect(() => endRangeDeg(trace(112, 1.8))).toThrow("input.reading_moved");
    expect(() => endRangeDeg(trace(112, 0.3))).toThrow("input.reading_short");
  });
});

describe("where it hurts", () => {
  const measured = (takenOn: string, over: Partial<MeasuredArc> = {}): MeasuredArc => ({
    ...{ kind: "painful_arc", side: "left", value: 4, way: null, takenOn },
    ...{ moved: "extension", fromDeg: 20, toDeg: 40, loadKg: null },
    ...over,
  });

  test("of each way of moving the newest on that leg counts, for six weeks; none found takes it away", () => {
    const at = (all: MeasuredArc[], today = "2026-03-30") => painfulArcsNow(all, "left", today);
    const closed = measured("2026-03-01", { moved: "closed", fromDeg: 60, toDeg: 90, loadKg: 20 });
    const both = [measured("2026-03-20", { fromDeg: 25, toDeg: 45 }), measured("2026-03-02"), closed];
    expect(at(both).map((a) => [a.moved, a.fromDeg, a.toDeg, a.pain])).toEqual([
      ["extension", 25, 45, 4],
      ["closed", 60, 90, 4],
    ]);
    expect(at([measured("2026-03-20", { side: "right" })])).toEqual([]);
    expect(
      at([measured("2026-03-21", { value: 0, fromDeg: null, toDeg: null }), ...both]).map((a) => a.moved),
    ).toEqual(["closed"]);
    expect(at([measured("2026-02-16")])).toHaveLength(1);
    expect(at([measured("2026-02-15")])).toEqual([]);
  });
});
