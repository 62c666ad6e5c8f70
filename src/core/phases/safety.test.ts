import fc from "fast-check";
import { DEEDS, may, role } from "../access/roles";
import { inForce } from "../bounds/inForce";
import type { Limit } from "../bounds/limit";
import { windowOf } from "../bounds/window";
import { conditionById } from "../rules/conditions";
import { limitsOfRecord } from "../rules/limitsOfRecord";
import { inWords } from "../testdata/inWords";
import { phaseLimits } from "./phaseLimits";

const HOLDS = ["knee_flexion", "knee_flexion_under_load", "extension_hold_angles"] as const;
const allowedWindow = (limits: readonly Limit[], on: string, machine: { fromDeg: number; toDeg: number }) =>
  windowOf(inForce(limits, on), HOLDS, [{ ...machine, who: "machine" }]);

const usable = { fromDeg: 5, toDeg: 100 };
const limitOf = (low: number | null, high: number | null, endsOn: string | null = null): Limit => ({
  id: "x",
  kind: "knee_flexion_under_load",
  low,
  high,
  word: null,
  names: [],
  origin: "surgeon",
  reason: "written note",
  endsOn,
});
const anyLimit = fc
  .tuple(
    fc.option(fc.integer({ min: 0, max: 130 }), { nil: null }),
    fc.option(fc.integer({ min: 0, max: 130 }), { nil: null }),
    fc.constantFrom(null, "2026-01-31", "2026-12-31"),
  )
  .map(([low, high, endsOn]) => limitOf(low, high, endsOn));

test("merging limits never widens the window, in any order", () => {
  fc.assert(
    fc.property(fc.array(anyLimit, { maxLength: 8 }), anyLimit, fc.nat(), (limits, extra, seed) => {
      const before = allowedWindow(limits, "2026-06-01", usable);
      const after = allowedWindow([...limits, extra], "2026-06-01", usable);
      expect(after.fromDeg).toBeGreaterThanOrEqual(before.fromDeg);
      expect(after.toDeg).toBeLessThanOrEqual(before.toDeg);
      const turned = [
        ...limits.slice(seed % (limits.length + 1)),
        ...limits.slice(0, seed % (limits.length + 1)),
      ];
      const again = allowedWindow(turned, "2026-06-01", usable);
      expect([again.fromDeg, again.toDeg]).toEqual([before.fromDeg, before.toDeg]);
    }),
  );
});

test("a limit counts up to and on its last day", () => {
  const limits = [limitOf(45, 90, "2026-06-01")];
  expect(allowedWindow(limits, "2026-06-01", usable)).toMatchObject({ fromDeg: 45, toDeg: 90 });
  expect(allowedWindow(limits, "2026-06-02", usable)).toMatchObject({ fromDeg: 5, toDeg: 100 });
});

test("each end names who set it, why and until when; an empty window says so", () => {
  const window = allowedWindow([limitOf(45, 90, "2026-06-30")], "2026-06-01", usable);
  expect(window).toMatchObject({ from: ["surgeon"], to: ["surgeon"], isEmpty: false });
  expect(window.because.from).toEqual([expect.objectContaining({ origin: "surgeon", endsOn: "2026-06-30" })]);
  expect(allowedWindow([limitOf(80, 60)], "2026-06-01", usable).isEmpty).toBe(true);
});

test("a measured bend cuts it too, and is named", () => {
  const w = windowOf(inForce([], "2026-06-01"), HOLDS, [{ fromDeg: 8, toDeg: 82, who: "measured" }]);
  expect(w).toMatchObject({ fromDeg: 8, toDeg: 82, from: ["measured"], to: ["measured"] });
});

describe("what a condition's phase means for a hold", () => {
  const acl = conditionById("acl_reconstruction");
  const phase = acl?.phases.find((p) => p.id === "p3");
  if (!acl || !phase) throw new Error("the rule base has no such phase");
  const of = (variantId: string, choices: Record<string, string> = {}) =>
    limitsOfRecord(phaseLimits(acl, phase, { variantId, choices, week: 5 }), "ACL, early strength", "acl");

  test("angles, effort and joint pain come with the condition as origin", () => {
    const limits = of("hamstring_graft");
    expect(allowedWindow(limits, "2026-06-01", usable)).toMatchObject({ fromDeg: 60, toDeg: 90 });
    expect(inForce(limits, "2026-06-01").hold_effort?.high).toBe(60);
    expect(inForce(limits, "2026-06-01").joint_pain?.high).toBe(2);
    const from = allowedWindow(limits, "2026-06-01", usable).because.from ?? [];
    expect(from).toMatchObject([{ origin: "condition", endsOn: null }]);
    expect(inWords(from[0]?.reason ?? null)).toBe("ACL, early strength: holds at 60° to 90°");
  });

  test("a tighter written limit still wins", () => {
    const limits = [...of("hamstring_graft"), limitOf(70, 85)];
    expect(allowedWindow(limits, "2026-06-01", usable)).toMatchObject({ fromDeg: 70, toDeg: 85 });
  });
});

test("a trainer runs and records, and changes neither dose nor limit nor decision", () => {
  const allowed = DEEDS.filter((d) => may("trainer", d));
  expect(allowed.sort()).toEqual([
    "client.read",
    "language.choose",
    "link.make",
    "odd.confirm",
    "request.make",
    "response.record",
    "session.run",
    "swap.take",
  ]);
  // who answers by a link does that, and runs the sheet of the link, and nothing else
  const byLink = DEEDS.filter((d) => may("client", d));
  expect(byLink.sort()).toEqual(["home.run", "language.choose", "morning.answer"]);
  for (const r of role.options) expect(may(r, "client.read")).toBe(true);
  expect(may("admin", "plan.write")).toBe(false);
});
