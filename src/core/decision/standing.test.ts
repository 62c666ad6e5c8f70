import fc from "fast-check";
import type { Action } from "../progression/safetyRules";
import type { ScoreLine } from "../sheet/line/scoreInput";
import { EXAMPLES, line } from "../testdata/scoreContext";
import type { LineChange, NextLine } from "./lineChange";
import { runsByItself } from "./standing";

type Order = NonNullable<ScoreLine["standingOrder"]>;
const ORDER: Order = { allows: "up", untilOn: "2026-04-30", mostDeg: null, mostKg: null };
const TODAY = "2026-04-30";
const holds = (atDeg: number, order: Partial<Order> | null = {}, over: Partial<ScoreLine> = {}): ScoreLine =>
  line(
    "kext_iso_machine",
    { ...EXAMPLES.holds, atDeg },
    {
      ladder: { of: "angle", fromDeg: 45, toDeg: 90 },
      standingOrder: order === null ? null : { ...ORDER, ...order },
      ...over,
    },
  );
const decided = (action: Action, rules: string[] = [], tellsTherapist = false) =>
  ({ action, rules, tellsTherapist }) as Parameters<typeof runsByItself>[1];
const to = (
  l: ScoreLine,
  code: "rung" | "same" | "at_goal" | "at_least" | "harder_form" = "rung",
): NextLine => ({
  line: l,
  changes: [(code === "rung" ? { code, from: 60, to: 75 } : { code }) as LineChange],
});
const runs = (l: ScoreLine, action: Action, next: NextLine, kg: number | null = 20, today = TODAY) =>
  runsByItself(l, decided(action), next, kg === null ? null : { loadKg: kg, isHelp: false }, today);

test("without an order, after its last day, and where the therapist is to be told, everything waits", () => {
  const next = to(holds(75));
  expect(runs(holds(60), "PROGRESS", next)).toBe(true);
  expect(runs(holds(60, null), "HOLD", next)).toBe(false);
  expect(runs(holds(60), "PROGRESS", next, 20, "2026-05-01")).toBe(false);
  const told = decided("REGRESS", [], true);
  expect(runsByItself(holds(60), told, next, null, TODAY)).toBe(false);
});

test("stopping, missing facts and the ends of a way wait for the therapist", () => {
  expect(runs(holds(60), "STOP_REFER", { line: null, changes: [{ code: "stop" }] })).toBe(false);
  expect(runsByItself(holds(60), decided("HOLD", ["H9"]), to(holds(60), "same"), null, TODAY)).toBe(false);
  for (const code of ["at_goal", "at_least", "harder_form"] as const)
    for (const action of ["HOLD", "REGRESS", "PROGRESS"] as const)
      expect(runs(holds(60), action, to(holds(60), code))).toBe(false);
});

test("an order to stay and step back never steps up", () => {
  const l = holds(60, { allows: "back" });
  expect(runs(l, "HOLD", to(l, "same"))).toBe(true);
  expect(runs(l, "REGRESS", to(holds(45)))).toBe(true);
  expect(runs(l, "PROGRESS", to(holds(75)))).toBe(false);
});

test("up to an angle and no further, in the direction in which the ladder leads", () => {
  const most = { mostDeg: 75 };
  expect(runs(holds(60, most), "PROGRESS", to(holds(75, most)))).toBe(true);
  expect(runs(holds(75, most), "PROGRESS", to(holds(90, most)))).toBe(false);
  const down = { ladder: { of: "angle" as const, fromDeg: 90, toDeg: 45 } };
  expect(runs(holds(90, most, down), "PROGRESS", to(holds(75, most, down)))).toBe(true);
  expect(runs(holds(75, most, down), "PROGRESS", to(holds(60, most, down)))).toBe(false);
});

test("a most in kilograms bounds what would really be set, also where the plan only says how hard it feels", () => {
  const l = holds(60, { mostKg: 25 });
  expect(l.loadKg ?? null).toBeNull();
  expect(runs(l, "PROGRESS", to(holds(75)), 25)).toBe(true);
  expect(runs(l, "PROGRESS", to(holds(75)), 27.5)).toBe(false);
  expect(runs(l, "PROGRESS", to(holds(75)), null)).toBe(false);
  const help = runsByItself(l, decided("PROGRESS"), to(holds(75)), { loadKg: 5, isHelp: true }, TODAY);
  expect(help).toBe(false);
});

test("nothing that an order lets through is beyond what it says", () => {
  fc.assert(
    fc.property(
      fc.constantFrom<Action>("PROGRESS", "HOLD", "REGRESS", "STOP_REFER"),
      fc.constantFrom<Order["allows"]>("back", "up"),
      fc.integer({ min: 9, max: 18 }).map((n) => n * 5),
      fc.option(fc.integer({ min: 45, max: 90 }), { nil: null }),
      fc.option(fc.integer({ min: 5, max: 60 }), { nil: null }),
      fc.option(fc.integer({ min: 5, max: 60 }), { nil: null }),
      (action, allows, atDeg, mostDeg, mostKg, kg) => {
        const order = { allows, mostDeg, mostKg };
        if (!runs(holds(60, order), action, to(holds(atDeg, order)), kg)) return;
        expect(action).not.toBe("STOP_REFER");
        if (action !== "PROGRESS") return;
        expect(allows).toBe("up");
        if (mostDeg !== null) expect(atDeg).toBeLessThanOrEqual(mostDeg);
        if (mostKg !== null) expect(kg ?? Number.POSITIVE_INFINITY).toBeLessThanOrEqual(mostKg);
      },
    ),
  );
});
