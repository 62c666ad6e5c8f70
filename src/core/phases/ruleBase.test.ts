import { conditionById } from "../rules/conditions";
import { exerciseById } from "../rules/exercises";
import { boundsOfRecord } from "../rules/limitsOfRecord";
import { fitExercise } from "../selection/fit/fitExercise";
import { barredByWeight, weightOnLeg } from "../selection/fit/weightOnLeg";
import { bounded } from "../testdata/bounded";
import { inWords } from "../testdata/inWords";
import { phaseLimits } from "./phaseLimits";

const status = (
  conditionId: string,
  phaseId: string,
  exerciseId: string,
  choices: Record<string, string> = {},
  variantId?: string,
) => {
  const c = conditionById(conditionId);
  const p = c?.phases.find((x) => x.id === phaseId);
  const e = exerciseById(exerciseId);
  if (!c || !p || !e) throw new Error(`${conditionId} / ${phaseId} / ${exerciseId} is not there`);
  const variant = variantId ?? c.variants[0]?.id;
  const limits = phaseLimits(c, p, { variantId: variant, choices, week: p.weeks.from });
  return { status: fitExercise(e, boundsOfRecord(limits, p.name)).status, limits };
};

test("closed chain only: no moving extension at any time after ligament reconstruction, holds at 60 to 90 stay", () => {
  for (const phase of ["p3", "p4", "p5", "p6", "p7"]) {
    const choices = { oc_extension: "closed_only" };
    for (const moving of ["kext_full", "kext_restricted", "kext_single"])
      expect({ phase, moving, is: status("acl_reconstruction", phase, moving, choices).status }).toEqual({
        phase,
        moving,
        is: "blocked",
      });
    const { limits } = status("acl_reconstruction", phase, "kext_iso_machine", choices);
    expect(limits.open_chain_extension).toMatchObject({ rule: "isometric", isometric_angles_deg: [60, 90] });
    expect(status("acl_reconstruction", phase, "kext_iso_machine", choices).status).not.toBe("blocked");
  }
});

test("no extension machine after knee replacement bars the hold on it too", () => {
  for (const phase of ["w2_6", "w6_12", "w12p"])
    expect(
      status("total_knee_replacement", phase, "kext_iso_machine", { oc_extension: "avoid_machine" }).status,
    ).toBe("blocked");
});

test("a shin that sags back does not hang from a heel prop, in any phase of a rear ligament", () => {
  for (const p of conditionById("pcl_injury")?.phases ?? [])
    expect(status("pcl_injury", p.id, "heel_prop_straight").status).toBe("blocked");
});

test("partial weight without kilograms bars the calf press as it bars the press", () => {
  const partial = weightOnLeg(bounded({ weight_bearing: { word: "partial" } }));
  for (const id of ["calf_press", "lp_mid_hip"]) {
    const e = exerciseById(id);
    expect(inWords(e && barredByWeight(e, partial))).toMatch(/kilogram/);
  }
  const withKg = weightOnLeg(bounded({ weight_bearing: { word: "partial" }, weight_on_leg: { high: 20 } }));
  const press = exerciseById("calf_press");
  expect(press && barredByWeight(press, withKg)).toBeNull();
  expect(withKg.mostN).toBeCloseTo(196, 0);
});
