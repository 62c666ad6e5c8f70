import { conditionById } from "../conditions";
import { EXERCISES } from "../exercises";
import { cleanPercent, endsSet, FAULT_FAMILIES, FAULT_IDS, faultsOf, remedyOf } from "./faults";

test("every exercise has the three to five faults that matter to it, and every fault its remedies", () => {
  for (const e of EXERCISES) {
    const own = faultsOf(e, "usual");
    expect({
      id: e.id,
      many: own.length >= 3 && own.length <= 5 && new Set(own).size === own.length,
    }).toEqual({
      id: e.id,
      many: true,
    });
  }
  const used = new Set(EXERCISES.flatMap((e) => faultsOf(e, "usual")));
  expect([...used].sort()).toEqual([...FAULT_IDS].sort());
  const families = new Set(EXERCISES.map((e) => e.family));
  expect(FAULT_FAMILIES.filter((f) => !families.has(f))).toEqual([]);
});

test("where the foot presses is looked at first by the school that is followed, on what the foot carries alone (K22)", () => {
  const step = { family: "step" };
  expect(faultsOf(step, "usual")).not.toContain("heel_lifts");
  expect(faultsOf(step, "heels")[0]).toBe("heel_lifts");
  expect(faultsOf(step, "whole")[0]).toBe("foot_rolls");
  for (const e of EXERCISES)
    for (const foot of ["heels", "whole"] as const) {
      const own = faultsOf(e, foot);
      expect(own.length).toBeLessThanOrEqual(5);
      expect(new Set(own).size).toBe(own.length);
    }
  expect(faultsOf({ family: "leg_curl" }, "heels")).toEqual(faultsOf({ family: "leg_curl" }, "usual"));
});

test("the cue comes first, then other remedies in their order, the last for good", () => {
  for (const fault of FAULT_IDS) {
    expect(remedyOf(fault, 1)).toBe("cue");
    expect(remedyOf(fault, 2)).not.toBe("cue");
    expect(remedyOf(fault, 40)).toBe(remedyOf(fault, 41));
  }
  expect([1, 2, 3, 4, 5].map((n) => remedyOf("knee_in", n))).toEqual([
    ...["cue", "less_arc", "lighter", "set_up", "set_up"],
  ]);
});

test("a fault ends the set only of whom it endangers", () => {
  expect(endsSet("back_rounds", ["knee_oa", "lumbar_disc_flexion"])).toBe(true);
  expect(endsSet("back_rounds", ["knee_oa"])).toBe(false);
  expect(endsSet("knee_in", ["acl_reconstruction"])).toBe(true);
  expect(endsSet("hips_shift", ["total_knee_replacement"])).toBe(true);
  expect(endsSet("jerk", ["acl_reconstruction", "lumbar_disc_flexion"])).toBe(false);
  for (const id of [
    "acl_reconstruction",
    "lumbar_disc_flexion",
    "total_knee_replacement",
    "total_hip_replacement",
  ])
    expect(conditionById(id)).not.toBeNull();
});

test("a clean share is never said to be more than it is", () => {
  expect([0.29, 0.57, 0.7999, 0.8, 1].map(cleanPercent)).toEqual([29, 57, 79, 80, 100]);
});
