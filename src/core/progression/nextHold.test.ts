import type { HoldPlan } from "../dose/holdPlan";
import { nextHold } from "./nextHold";

const plan: HoldPlan = {
  side: "right",
  kneeFlexionDeg: 45,
  effort: { kind: "felt", felt: 6 },
  means: "machine",
  pattern: { holdS: 30, reps: 5, restS: 60, sets: 1, setRestS: 0 },
  ladderFromDeg: 30,
  ladderToDeg: 90,
};
const low = { school: "monitoring", irritability: "low", allowedDeg: [25, 95] } as const;

/** Names of the parts of a plan that differ. */
const moved = (a: HoldPlan, b: HoldPlan | null): string[] =>
  b
    ? (Object.keys(a) as (keyof HoldPlan)[]).filter((k) => JSON.stringify(a[k]) !== JSON.stringify(b[k]))
    : ["all"];

test("a step up climbs one rung and moves nothing else", () => {
  const next = nextHold(plan, "PROGRESS", ["P7"], low);
  expect(next.plan?.kneeFlexionDeg).toBe(60);
  expect(moved(plan, next.plan)).toEqual(["kneeFlexionDeg"]);
});

test("a step back goes down one rung; on the first rung the effort falls instead", () => {
  expect(nextHold(plan, "REGRESS", ["R4"], low).plan?.kneeFlexionDeg).toBe(30);
  const first = { ...plan, kneeFlexionDeg: 30 };
  const back = nextHold(first, "REGRESS", ["R4"], low);
  expect(moved(first, back.plan)).toEqual(["effort"]);
  expect(back.plan?.effort).toEqual({ kind: "felt", felt: 5 });
});

test("a downward ladder climbs towards straight", () => {
  const down = { ...plan, kneeFlexionDeg: 75, ladderFromDeg: 90, ladderToDeg: 45 };
  expect(nextHold(down, "PROGRESS", ["P7"], low).plan?.kneeFlexionDeg).toBe(60);
  expect(nextHold(down, "REGRESS", ["R2"], low).plan?.kneeFlexionDeg).toBe(90);
});

test("a rung that is barred today is never stepped on", () => {
  const next = nextHold(plan, "PROGRESS", ["P7"], { ...low, allowedDeg: [25, 50] });
  expect(next.plan?.kneeFlexionDeg).toBe(45);
  expect(moved(plan, next.plan)).toEqual(["pattern"]);
});

test("at the goal seconds grow to 45, then effort, and nothing beyond its cap", () => {
  let now: HoldPlan = { ...plan, kneeFlexionDeg: 90 };
  const seen: string[] = [];
  for (let i = 0; i < 12; i++) {
    const next = nextHold(now, "PROGRESS", ["P7"], low);
    if (!next.plan) throw new Error("a step up never ends the work");
    const parts = moved(now, next.plan);
    expect(parts.length).toBeLessThanOrEqual(1);
    seen.push(parts[0] ?? "none");
    now = next.plan;
  }
  expect(now.pattern.holdS).toBe(45);
  expect(now.effort).toEqual({ kind: "felt", felt: 8 });
  expect(seen.slice(0, 3)).toEqual(["pattern", "pattern", "pattern"]);
  expect(seen[seen.length - 1]).toBe("none");
});

test("percent effort falls by ten points and never below twenty", () => {
  let now: HoldPlan = { ...plan, kneeFlexionDeg: 30, effort: { kind: "percent", percent: 35 } };
  for (let i = 0; i < 4; i++) now = nextHold(now, "REGRESS", ["R2"], low).plan ?? now;
  expect(now.effort).toEqual({ kind: "percent", percent: 20 });
});

test("stay keeps the plan, stop ends it, in range keeps it until the seconds are full", () => {
  expect(nextHold(plan, "HOLD", ["P6"], low).plan).toEqual(plan);
  expect(nextHold(plan, "STOP_REFER", ["S1"], low).plan).toBeNull();
  expect(nextHold(plan, "PROGRESS", ["P4"], low).plan).toEqual(plan);
});
