import fc from "fast-check";
import { DEED_SENTENCES, type Deed, may, role } from "../access/roles";
import { inForce } from "../bounds/inForce";
import type { Limit } from "../bounds/limit";
import { holdWindow, whyBarred } from "../bounds/window";
import { conditionById } from "../rules/conditions";
import { limitsOfRecord } from "../rules/limitsOfRecord";
import { phaseLimits } from "./phaseLimits";

const NOT_MEASURED = { shortOfStraightDeg: null, bendDeg: null };
const allowedWindow = (limits: readonly Limit[], on: string, machine: { fromDeg: number; toDeg: number }) =>
  holdWindow(inForce(limits, on), NOT_MEASURED, machine);

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

test("a barred angle names who barred it, why and until when; an empty window says so", () => {
  const window = allowedWindow([limitOf(45, 90, "2026-06-30")], "2026-06-01", usable);
  expect(whyBarred(window, 60)).toBeNull();
  expect(whyBarred(window, 30)).toMatch(/starts at 45°, because written note \(surgeon, until 30 Jun 2026\)/);
  expect(whyBarred(window, 95)).toMatch(/ends at 90°/);
  expect(whyBarred(allowedWindow([limitOf(80, 60)], "2026-06-01", usable), 70)).toMatch(
    /leave no knee angle for this hold, because written note \(surgeon\)/,
  );
});

test("a measured bend cuts a hold too, and is named", () => {
  const w = holdWindow(inForce([], "2026-06-01"), { shortOfStraightDeg: 8, bendDeg: 82 }, usable);
  expect(w).toMatchObject({ fromDeg: 8, toDeg: 82, from: "measured", to: "measured" });
  expect(whyBarred(w, 90)).toMatch(/What this knee does, measured, ends at 82°/);
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
    expect(whyBarred(allowedWindow(limits, "2026-06-01", usable), 45)).toMatch(
      /starts at 60°, because ACL, early strength: holds at 60° to 90°.*\(phase\)/,
    );
  });

  test("a tighter written limit still wins", () => {
    const limits = [...of("hamstring_graft"), limitOf(70, 85)];
    expect(allowedWindow(limits, "2026-06-01", usable)).toMatchObject({ fromDeg: 70, toDeg: 85 });
  });

  test("no open-chain extension leaves no angle at all, and says why", () => {
    const none = phaseLimits(acl, phase, { week: 5 });
    const barred = { ...none, open_chain_extension: { ...none.open_chain_extension, rule: "none" as const } };
    const window = allowedWindow(limitsOfRecord(barred, "both ligaments", "x"), "2026-06-01", usable);
    expect(window.isEmpty).toBe(true);
    expect(whyBarred(window, 60)).toMatch(
      /leave no knee angle for this hold, because both ligaments \(phase\)/,
    );
  });
});

test("a trainer runs and records, and changes neither dose nor limit nor decision", () => {
  const allowed = (Object.keys(DEED_SENTENCES) as Deed[]).filter((d) => may("trainer", d));
  expect(allowed.sort()).toEqual(["client.read", "response.record", "session.run", "swap.take"]);
  for (const r of role.options) expect(may(r, "client.read")).toBe(true);
  expect(may("admin", "plan.write")).toBe(false);
});
