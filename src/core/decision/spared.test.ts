import fc from "fast-check";
import { decide } from "../progression/decide";
import type { DecisionInput } from "../progression/decisionInput";
import { EXERCISES, exerciseById } from "../rules/exercises";
import { sparedOf } from "./spared";

const line = (kneecapChairS: number, kind: "straight" | "stretch" = "straight") => ({ kind, kneecapChairS });
const of = (id: string, sore: "knee" | "back" | null, over: { chairS?: number; hurt?: boolean } = {}) =>
  sparedOf(line(over.chairS ?? 0), exerciseById(id), {
    sore,
    lines: [line(over.chairS ?? 0), line(90)],
    hurt: over.hurt ?? false,
  });

test("a line that loads hardly any of what is sore is spared, unless it hurt (P6)", () => {
  expect(of("calf_seated", "knee")).toBe("elsewhere");
  expect(of("hip_abd", "knee", { chairS: 10 })).toBe("elsewhere");
  expect(of("hip_abd", "knee", { chairS: 11 })).toBeNull();
  expect(of("hip_abd", "knee", { hurt: true })).toBeNull();
  for (const id of ["kext_full", "lp_horizontal", "curl_seated", "quad_set"])
    expect(of(id, "knee")).toBeNull();
});

test("a sore back spares what asks nothing of it, a sore hip nothing, and a stretch is never load", () => {
  for (const e of EXERCISES.filter((x) => x.match.class !== "stretch"))
    expect({ id: e.id, spared: of(e.id, "back") }).toEqual({
      id: e.id,
      spared: e.lumbar.demand_0_3 === 0 ? "elsewhere" : null,
    });
  expect(of("calf_seated", null)).toBeNull();
  expect(of("str_hamstring", null, { hurt: true })).toBe("unloaded");
  expect(sparedOf(line(0), null, { sore: "knee", lines: [], hurt: false })).toBeNull();
});

const GOOD: DecisionInput = {
  ...{
    school: "monitoring",
    irritability: "low",
    writtenPainLimit: null,
    redFlag: false,
    techniqueStop: false,
  },
  ...{
    prevRegress: false,
    missedBefore: false,
    satisfiedStreak: 1,
    usualPain: 1,
    painBefore: 1,
    painDuring: 1,
  },
  ...{ painAfter: 1, painMorning: 1, effusion: 0, effusionBefore: 0, effusionApplies: true, rangePct: 100 },
  ...{ weekTrend: 0, repsState: "in", rir: 2, rirTarget: 2 },
};

test("after a sore morning others step back and a spared line stays, saying why; a good day changes nothing for it", () => {
  const sore = { ...GOOD, painMorning: 4 };
  expect(decide(sore).action).toBe("REGRESS");
  const spared = decide({ ...sore, spared: "elsewhere" });
  expect(spared.action).toBe("HOLD");
  expect(spared.rules).toEqual(expect.arrayContaining(["R4", "H10"]));
  expect(decide({ ...GOOD, spared: "elsewhere" })).toEqual(decide(GOOD));
});

test("what hurt in the line itself steps it back, spared or not; what loads nothing never steps back by pain", () => {
  const hurt = { ...GOOD, painDuring: 6 };
  expect(decide({ ...hurt, spared: "elsewhere" }).action).toBe("REGRESS");
  expect(decide({ ...hurt, spared: "unloaded" }).action).toBe("HOLD");
});

test("being spared never makes a step, and never takes back a stop", () => {
  const whole = (least: number, most: number) => fc.integer({ min: least, max: most });
  const day = fc.record({
    school: fc.constantFrom("monitoring" as const, "pain_free" as const, "post_op" as const),
    irritability: fc.constantFrom("low" as const, "moderate" as const, "high" as const),
    painDuring: whole(0, 10),
    painAfter: whole(0, 10),
    painMorning: whole(0, 10),
    effusion: whole(0, 4),
    redFlag: fc.boolean(),
    spared: fc.constantFrom("unloaded" as const, "elsewhere" as const),
  });
  fc.assert(
    fc.property(day, ({ spared, ...x }) => {
      const without = decide({ ...GOOD, ...x }).action;
      const withIt = decide({ ...GOOD, ...x, spared }).action;
      expect(withIt).toBe(without === "REGRESS" && withIt !== "REGRESS" ? "HOLD" : without);
    }),
    { numRuns: 500 },
  );
});
