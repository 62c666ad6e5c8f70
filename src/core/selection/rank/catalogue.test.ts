import { tissuePhrase, tissueShort, tissueWords } from "@/words/en/plan/choose";
import { familyById } from "../../equipment/families";
import { CONDITIONS } from "../../rules/conditions";
import { DISAGREEMENTS, EXERCISES, exercise, exerciseById, withOwn } from "../../rules/exercises";
import { exerciseUse, isAtHand } from "../fit/exerciseUse";
import { machineFor, machinesFor, realLoads, settingsAtNotches } from "../setUp/machineFor";
import { firstTissue } from "../tissue/firstTissue";
import { TISSUE_IDS } from "../tissue/tissues";
import { READY_QUESTIONS } from "./questions";
import { groupOf } from "./rangeSheet";

test("easier, harder and home links lead to exercises, disagreements to texts", () => {
  for (const e of EXERCISES) {
    for (const id of [e.easier_id, e.harder_id, e.home_substitute_id])
      if (id !== null)
        expect({ of: e.id, id, found: exerciseById(id)?.id }).toEqual({ of: e.id, id, found: id });
    for (const id of e.disagreement_ids) expect(DISAGREEMENTS.map((d) => d.id)).toContain(id);
    expect(groupOf(e).emphasis).toBeGreaterThan(0);
  }
});

test("what an exercise uses is there: families, settings inside their range, ready questions too", () => {
  for (const e of EXERCISES) {
    const use = exerciseUse(e);
    for (const id of use?.families ?? []) expect(familyById(id)).not.toBeNull();
    const family = use && familyById(use.families[0] as string);
    for (const [key, value] of Object.entries(use?.settings ?? {})) {
      const spec = family?.settings.find((s) => s.key === key);
      expect(value).toBeGreaterThanOrEqual(spec?.from as number);
      expect(value).toBeLessThanOrEqual(spec?.to as number);
    }
  }
  for (const q of READY_QUESTIONS)
    for (const s of q.sides) expect(exerciseUse({ id: s.exerciseId })).not.toBeNull();
});

test("a machine is the clinic's own where it has one, and settings are always whole", () => {
  const use = exerciseUse({ id: "lp_single" });
  if (!use) throw new Error("no use");
  expect(machineFor(use, []).id).toBeNull();
  expect(machinesFor(use, [])).toEqual([]);
  const chosen = machineFor(use, []);
  expect(Object.keys(settingsAtNotches(chosen, use)).sort()).toEqual(
    chosen.family.settings.map((s) => s.key).sort(),
  );
  expect(settingsAtNotches(chosen, use, { footM: 99 }).footM).toBe(0.3);
  const loads = realLoads(chosen.machine, chosen.family).map((l) => l.load);
  expect(loads).toEqual([...loads].sort((a, b) => a - b));
});

test("floor work needs no machine, machine work does, and a gym without any still has the floor", () => {
  const none = new Set<string>();
  for (const id of [
    "half_squat",
    "step_up",
    "kext_ankle_weight",
    "bridge_two",
    "quad_set",
    "kneel_lower_reach",
  ])
    expect(isAtHand({ id }, none)).toBe(true);
  for (const id of ["lp_horizontal", "hip_abd", "calf_seated", "curl_counterweight", "rev_loaded"])
    expect(isAtHand({ id }, none)).toBe(false);
  expect(isAtHand({ id: "lp_single" }, new Set(["sled_press"]))).toBe(true);
});

test("the tissue that a condition protects is looked at first, for every condition", () => {
  expect(firstTissue(["acl_reconstruction"])).toBe("forward");
  expect(firstTissue(["pcl_injury"])).toBe("backward");
  expect(firstTissue(["lumbar_disc_flexion"])).toBe("back");
  expect(firstTissue(["knee_oa", "acl_deficient"])).toBe("forward");
  for (const c of CONDITIONS) expect(TISSUE_IDS).toContain(firstTissue([c.id]));
});

test("tissue loads are said no finer than they are known, and nothing is said as nothing", () => {
  expect(tissueWords("kneecap", 0.7449)).toBe("0.7 × a chair rise");
  expect(tissueWords("forward", 187)).toBe("about 200 N");
  expect(tissueShort("back", 1)).toBe("none");
  expect(tissueShort("backward", 260)).toBe("~250 N");
  expect(tissuePhrase("forward", 0)).toBe("no forward pull on the shin");
  expect(tissuePhrase("back", 12)).toBe("about 10° of rounding of the low back");
});

test("a clinic's exercise takes the place of the catalogue's, own ones stand behind, broken ones are refused", () => {
  const press = exerciseById("lp_horizontal");
  if (!press) throw new Error("no press");
  const own = { ...press, id: "own_press", name: "Harbour press" };
  const all = withOwn([{ ...press, name: "Our press" }, own]);
  expect(all).toHaveLength(EXERCISES.length + 1);
  expect(all.find((e) => e.id === "lp_horizontal")?.name).toBe("Our press");
  expect(all.at(-1)?.id).toBe("own_press");
  for (const broken of [
    { ...press, id: "Has Spaces" },
    { ...press, name: "x" },
    { ...press, cues: ["", "ok then"] },
    { ...press, match: { ...press.match, class: "magic" } },
  ])
    expect(exercise.safeParse(broken).success).toBe(false);
});
