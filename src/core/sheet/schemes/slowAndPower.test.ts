import { nextLine } from "../../decision/nextLine";
import { EXAMPLES, line, scoreContext, withTests } from "../../testdata/scoreContext";
import { judgeScore } from "../judge/judgeScore";
import { repsLadder } from "../line/repsLadder";
import { effectiveSets } from "./effectiveSets";
import { SLOW_RUNGS } from "./kinds/slow";
import { setsOf } from "./scheme";

const context = scoreContext();
const machineName = context.sheet.machines.find((m) => m.family === "seated_press")?.name ?? "";
const strong = withTests(context, [{ machineName, twoLegs: true, loadKg: 120, reps: 12, reserve: 3 }]);
const slowLine = (reps: number, loadKg: number) =>
  line("lp_horizontal", { ...EXAMPLES.slow, reps }, { loadKg });

test("slow and heavy goes down its course: two weeks on a rung and the next load takes repetitions, and it ends at six", () => {
  let now = slowLine(15, 40);
  const seen: number[] = [];
  for (let i = 0; i < 60; i++) {
    const before = now.scheme as typeof EXAMPLES.slow;
    const next = nextLine(
      now,
      "PROGRESS",
      { rules: ["P7"], change: { loadPct: 5 } },
      {
        school: "monitoring",
        irritability: "low",
        context: strong,
        usedKg: null,
        daysOnRung: 14,
      },
    );
    if (next.changes[0]?.code !== "load" || !next.line) {
      break;
    }
    const after = next.line.scheme as typeof EXAMPLES.slow;
    expect(next.line.loadKg ?? 0).toBeGreaterThan(now.loadKg ?? 0);
    expect(after.reps).toBeLessThanOrEqual(before.reps);
    const rung = SLOW_RUNGS.find((r) => r < before.reps) ?? before.reps;
    expect(after.reps).toBeGreaterThanOrEqual(rung);
    expect({ ...after, reps: 0 }).toEqual({ ...before, reps: 0 });
    seen.push(after.reps);
    now = next.line;
  }
  expect(seen.length).toBeGreaterThan(8);
  expect(Math.min(...seen)).toBe(6);
});

test("before two weeks on a rung a load more keeps its repetitions", () => {
  const facts = { school: "monitoring", irritability: "low", context: strong, usedKg: null } as const;
  const on = (daysOnRung: number) =>
    nextLine(
      slowLine(15, 40),
      "PROGRESS",
      { rules: ["P7"], change: { loadPct: 5 } },
      { ...facts, daysOnRung },
    ).line;
  expect(on(13)).toMatchObject({ loadKg: 45, scheme: { reps: 15 } });
  expect(on(14)).toMatchObject({ loadKg: 45, scheme: { reps: 12 } });
  expect(repsLadder({ scheme: { ...EXAMPLES.slow, reps: 10 } })).toEqual({ least: 10, most: 15 });
});

test("three seconds up and three down, and every set counts whole", () => {
  const sets = setsOf(EXAMPLES.slow);
  expect(sets[0]?.tensionS).toBe(EXAMPLES.slow.reps * 6);
  expect(effectiveSets({ scheme: EXAMPLES.slow, sets, share: 0.65 })).toBe(4);
});

test("power is set at its share of one lift and never above 60 %, and counts half", () => {
  const power = (loadKg: number | null) =>
    judgeScore([line("lp_horizontal", EXAMPLES.power, loadKg === null ? {} : { loadKg })], strong)[0];
  const drafted = power(null);
  const share = drafted?.load?.share ?? 0;
  expect(share).toBeGreaterThan(0.4);
  expect(share).toBeLessThanOrEqual(0.5 + 1e-9);
  expect(drafted?.bars).toEqual([]);
  const once = (drafted?.load?.setting?.load ?? 0) / share;
  expect(power(once * 0.58)?.bars).toEqual([]);
  expect(power(once * 0.75)?.bars.map((b) => (typeof b === "object" ? b.code : b))).toContain(
    "line.above_most",
  );
  const sets = setsOf(EXAMPLES.power);
  expect(effectiveSets({ scheme: EXAMPLES.power, sets, share: 0.5 })).toBe(1.5);
  expect(effectiveSets({ scheme: EXAMPLES.power, sets, share: 0.2 })).toBe(0);
});

test("power is late: not before the strong phase, not for novices, not with a joint that hurts or is stirred up", () => {
  const bars = (known: Partial<typeof context.known>) =>
    judgeScore([line("lp_horizontal", EXAMPLES.power)], {
      ...strong,
      known: { ...strong.known, ...known },
    })[0]?.bars.length;
  expect(bars({})).toBe(0);
  expect(bars({ isLate: false })).toBe(1);
  expect(bars({ isNovice: true })).toBe(1);
  expect(bars({ isPostOp: true })).toBe(1);
  expect(bars({ irritability: "high" })).toBe(1);
  expect(bars({ lastPain: 4 })).toBe(1);
});
