import { sayPlainly } from "@/words/say";
import type { InForce } from "../bounds/inForce";
import { exerciseById } from "../rules/exercises";
import { rangeSheet } from "../selection/rank/rangeSheet";
import { USUAL_ORDER } from "../sheet/order/sessionScore";
import { bounded } from "../testdata/bounded";
import { draftFor } from "../testdata/draftFor";
import { fromKept, saidWith } from "../units/said";
import { schemeInPlaceOf } from "./addedSchemes";
import { LADDERS, type WrittenLadder } from "./draftData";
import type { DraftFacts } from "./draftFacts";
import { type DraftLine, plainLine } from "./draftLine";
import { draftSession } from "./draftSession";
import { addLine, type Change, swap } from "./edit";
import { isFrail } from "./person/frailty";
import { withStandIns } from "./person/machineRules";
import { forStory, notYetOf } from "./person/notYet";
import { forPain, forSwelling } from "./person/painRules";
import {
  forExperience,
  forIrritability,
  forPlace,
  forWeakness,
  forYears,
  insideEffort,
} from "./person/personRules";
import { type Recipe, recipeOf } from "./recipe";
import { withTask } from "./taskStage";

const SETS: DraftLine["scheme"] = {
  kind: "straight",
  sets: 3,
  reps: 10,
  reserve: 2,
  tempo: { liftS: 2, topS: 0, lowerS: 3, bottomS: 0 },
  restS: 60,
};
const HOLDS: DraftLine["scheme"] = {
  kind: "holds",
  sets: 1,
  reps: 5,
  holdS: 30,
  restS: 60,
  setRestS: 60,
  effort: { kind: "felt", felt: 7 },
  atDeg: 60,
};
const line = (id: string, role: DraftLine["role"] = "main", over: Partial<DraftLine> = {}): DraftLine => ({
  ...plainLine(id, role, { scheme: SETS, window: null }, "together", `why ${id}`),
  ...over,
});
const ids = (lines: readonly DraftLine[]) => lines.map((l) => l.exerciseId);
const of = (lines: readonly DraftLine[], id: string) => {
  const found = lines.find((l) => l.exerciseId === id);
  if (!found) throw new Error(`no ${id} among ${ids(lines).join(", ")}`);
  return found;
};

/** What rules may look at, for a client of whom nothing is said; every exercise fits but those named. */
function change(
  facts: Partial<DraftFacts> = {},
  o: { limits?: InForce; not?: readonly string[] } = {},
): Change & { notes: string[] } {
  const notes: string[] = [];
  const recipe = recipeOf({ conditionId: "knee_oa", phaseId: "build", variantId: "mild", choices: {} }, []);
  if (!recipe) throw new Error("no recipe");
  return {
    facts: {
      unconfirmed: null,
      recipe,
      variantId: "mild",
      stage: "build",
      aimed: ["quads"],
      daysAWeek: 3,
      isOfTheBack: false,
      painSites: [],
      painfulArcs: [],
      shortReach: [],
      schools: {},
      notYet: [],
      swellingIsUp: false,
      weak: [],
      gap: null,
      isFrail: false,
      pressureIsKnown: true,
      isFirstVisit: false,
      weeksAfterSurgery: null,
      bodyMassKg: 70,
      ...facts,
    },
    limits: o.limits ?? {},
    exercise: exerciseById,
    fits: (id) => exerciseById(id) !== null && !(o.not ?? []).includes(id),
    barredBecause: () => null,
    opens: () => "opens later",
    note: (s) => notes.push(sayPlainly(s)),
    notes,
  };
}

describe("what hurts", () => {
  test("in front of the knee turns the shin upright and puts the hip first, unless the back forbids feet high", () => {
    const made = forPain(
      [line("lp_mid_hip"), line("hip_abd", "support")],
      change({ painSites: ["front_of_knee"] }),
    );
    expect(ids(made)).toEqual(["hip_abd", "lp_high_wide"]);
    const sore = change({ painSites: ["front_of_knee", "low_back"] });
    expect(ids(forPain([line("lp_high_wide")], sore))).toContain("lp_mid_hip");
    const hip = change({ painSites: ["front_of_knee"] }, { limits: bounded({ hip_flexion: { high: 90 } }) });
    expect(ids(forPain([line("lp_mid_hip")], hip))).toContain("lp_mid_hip");
  });

  test("at the inner side keeps closed work shallow and says what to ask", () => {
    const c = change({ painSites: ["inner_joint_line"] });
    const made = forPain([line("lp_mid_hip", "main", { window: { fromDeg: 5, toDeg: 80 } })], c);
    expect(of(made, "lp_mid_hip").window).toEqual({ fromDeg: 5, toDeg: 60 });
    expect(c.notes.join(" ")).toMatch(/catching, locking/);
  });

  test("in the back changes nothing in a draft for the back itself, where the feared thing is trained", () => {
    const drafted = [line("hinge_two"), line("sq_hack")];
    expect(forPain(drafted, change({ painSites: ["low_back"], isOfTheBack: true }))).toEqual(drafted);
    const made = forPain(drafted, change({ painSites: ["low_back"] }));
    expect(ids(made)).toEqual(["bridge_two", "lp_mid_hip"]);
  });

  test("at a graft's harvest site takes every curl out and says so", () => {
    const c = change({ painSites: ["back_of_thigh"], variantId: "hamstring_graft" });
    expect(ids(forPain([line("curl_seated"), line("lp_mid_hip")], c))).toEqual(["lp_mid_hip"]);
    expect(c.notes.join(" ")).toMatch(/Left out: .*harvest site/);
  });

  test("with one grade more swelling: half the sets, two more left, nothing on one bent leg, the thigh woken first", () => {
    const c = change({ swellingIsUp: true, weeksAfterSurgery: 8 });
    const made = forSwelling([line("kext_single"), line("split_squat"), line("step_up")], c);
    expect(ids(made)).toEqual(["quad_set", "kext_iso_machine", "half_squat"]);
    const { scheme } = of(made, "half_squat");
    expect(scheme).toMatchObject({ sets: 2, reserve: 4 });
    expect(c.notes.join(" ")).toMatch(/tell the therapist today/);
    const calm = [line("split_squat")];
    expect(forSwelling(calm, change())).toBe(calm);
  });
});

describe("who it is", () => {
  test("easily stirred up: two sets, four left, holds felt at most 5", () => {
    const made = forIrritability(
      [line("lp_mid_hip"), line("wall_sit", "main", { scheme: HOLDS })],
      change(),
      "high",
    );
    expect(of(made, "lp_mid_hip").scheme).toMatchObject({ sets: 2, reserve: 4 });
    expect(of(made, "wall_sit").scheme).toMatchObject({ effort: { kind: "felt", felt: 5 } });
  });

  test("a weak thigh gets a set more and is paid for with support sets; a barred extension gives way to a hold", () => {
    const made = forWeakness(
      [line("kext_single", "main"), line("curl_seated", "support")],
      change({ weak: ["quadriceps"] }),
    );
    expect(of(made, "kext_single")).toMatchObject({ isAsked: true, scheme: { sets: 4 } });
    expect(of(made, "curl_seated").scheme).toMatchObject({ sets: 1 });
    const barred = change({ weak: ["quadriceps"] }, { not: ["kext_single"] });
    expect(ids(forWeakness([line("lp_mid_hip")], barred))).toEqual(["lp_mid_hip", "kext_iso_machine"]);
  });

  test("over 75: rising first, slower, no long hold while pressure is not known", () => {
    const made = forYears(
      [line("kext_iso_machine", "main", { scheme: HOLDS }), line("calf_standing", "calf")],
      change({ isFrail: true, pressureIsKnown: false }),
    );
    expect(ids(made)[0]).toBe("chair_rise_hands");
    expect(ids(made)).toEqual(expect.arrayContaining(["calf_seated", "stand_balance"]));
    expect(of(made, "kext_iso_machine").scheme).toMatchObject({ holdS: 10, restS: 90 });
    expect(isFrail({ ageYears: 76, normSex: null, rises: null })).toBe(true);
    expect(isFrail({ ageYears: 75, normSex: null, rises: null })).toBe(false);
    expect(isFrail({ ageYears: 66, normSex: "female", rises: 10 })).toBe(true);
    expect(isFrail({ ageYears: 66, normSex: "female", rises: 11 })).toBe(false);
    // without a norm of one's own the stricter one counts
    expect(isFrail({ ageYears: 66, normSex: null, rises: 11 })).toBe(true);
    expect(isFrail({ ageYears: 40, normSex: "male", rises: 2 })).toBe(false);
  });

  test("a novice leaves one more and learns the step before the split squat; a first visit is two sets", () => {
    const made = forExperience([line("split_squat")], change({ isFirstVisit: true }), true);
    expect(made[0]).toMatchObject({ exerciseId: "step_up", scheme: { sets: 2, reserve: 3 } });
  });

  test("in another gym no hold on a machine that is not locked, and nothing that needs eyes", () => {
    const c = change();
    const made = forPlace(
      [line("kext_iso_machine"), line("kext_restricted"), line("lp_2up1down")],
      c,
      "other_gym",
    );
    expect(ids(made)).toEqual(["kext_restricted"]);
    expect(ids(forPlace([line("kext_iso_machine")], change(), "other_gym"))).toEqual(["kext_single"]);
    expect(ids(forPlace([line("kext_iso_machine")], change(), "gym"))).toEqual(["kext_iso_machine"]);
  });

  test("no reserve, effort, hold or load outside what is in force", () => {
    const limits = bounded({ reserve: { low: 4 }, felt_effort: { high: 5 }, hold_seconds: { high: 10 } });
    const [sets, holds, carried] = insideEffort(
      [
        line("lp_mid_hip"),
        line("wall_sit", "main", { scheme: HOLDS }),
        line("carry_two", "task", {
          scheme: { kind: "carry", sets: 2, distanceM: 20, carriedKg: 12, restS: 60 },
        }),
      ],
      change({ bodyMassKg: 50 }, { limits }),
    );
    expect(sets?.scheme).toMatchObject({ reserve: 4 });
    expect(holds?.scheme).toMatchObject({ holdS: 10, effort: { kind: "felt", felt: 5 } });
    // a twentieth of the body in each hand
    expect(carried?.scheme).toMatchObject({ carriedKg: 2.5 });
  });
});

describe("one exercise in the place of another", () => {
  test("is held where it can only be held, moved where it only moves, never twice, never one that does not fit", () => {
    const wall = exerciseById("wall_sit");
    const bridge = exerciseById("bridge_two");
    if (!wall || !bridge) throw new Error("no exercise");
    expect(schemeInPlaceOf(line("lp_mid_hip"), wall).scheme.kind).toBe("holds");
    expect(schemeInPlaceOf(line("wall_sit", "main", { scheme: HOLDS }), bridge).scheme.kind).toBe("straight");
    expect(ids(swap([line("sq_hack"), line("lp_mid_hip")], change(), "sq_hack", "lp_mid_hip", "x"))).toEqual([
      "lp_mid_hip",
    ]);
    const kept = [line("sq_hack")];
    expect(swap(kept, change({}, { not: ["lp_mid_hip"] }), "sq_hack", "lp_mid_hip", "x")).toBe(kept);
    expect(addLine(kept, change({}, { not: ["hip_abd"] }), "hip_abd", { why: "x", at: "first" })).toBe(kept);
  });

  test("keeps the reason of what it stands for", () => {
    const made = withStandIns([line("curl_seated")], change({}, { not: ["curl_seated", "curl_lying"] }));
    expect(made[0]).toMatchObject({
      exerciseId: "bridge_elbow_heels",
    });
    expect(sayPlainly(fromKept(made[0]?.why ?? ""))).toBe("why curl_seated (held, heels far out)");
  });
});

describe("the goal as a line", () => {
  const ladder = (goalId: string): WrittenLadder => {
    const found = LADDERS.find((l) => l.goal_id === goalId);
    if (!found) throw new Error(`no ${goalId}`);
    return found;
  };
  const known = (over: Partial<{ irritability: "low" | "moderate" | "high"; isNovice: boolean }> = {}) => ({
    isPostOp: false,
    isNovice: false,
    isLate: true,
    irritability: "moderate" as const,
    lastPain: 0,
    daysSinceAccumulated: null,
    ...over,
  });

  test("begins higher the calmer the joint, at the bottom when it is easily stirred up or early after surgery", () => {
    const at = (c: Change, k: ReturnType<typeof known>) =>
      ids(withTask([line("lp_mid_hip")], c, k, ladder("stairs"), "stairs")).at(-1);
    expect(at(change(), known({ irritability: "high" }))).toBe("march_standing");
    expect(at(change({ weeksAfterSurgery: 3 }), known())).toBe("march_standing");
    expect(at(change(), known())).toBe("step_up");
    expect(at(change(), known({ irritability: "low" }))).toBe("step_down");
    // an easier stage where the usual one does not fit
    expect(at(change({}, { not: ["step_up"] }), known())).toBe("step_up_low");
  });

  test("a stage that the draft holds already is kept; a new one takes the place of the draft's last task", () => {
    const own = withTask([line("step_up", "task")], change(), known(), ladder("stairs"), "stairs");
    expect(own).toHaveLength(1);
    expect(own[0]).toMatchObject({ exerciseId: "step_up", role: "task", isAsked: true });
    const two = [line("sit_to_stand", "task"), line("lp_mid_hip"), line("step_up", "task")];
    const made = withTask(two, change(), known(), ladder("kneel"), "kneeling");
    expect(made.map((l) => [l.exerciseId, l.role])).toEqual([
      ["sit_to_stand", "support"],
      ["lp_mid_hip", "main"],
      ["kneel_high_pad", "task"],
    ]);
  });

  test("what is no exercise stands beside the sheet, and what waits for jumping says so and from when", () => {
    const walk = change();
    expect(withTask([line("lp_mid_hip")], walk, known(), ladder("walk_30"), "walking")).toHaveLength(1);
    expect(walk.notes.join(" ")).toMatch(/beside the sheet: walk in pieces/);
    const still = change({}, { limits: bounded({ impact: { word: "none" } }) });
    withTask([line("lp_mid_hip")], still, known(), ladder("sport"), "team sport");
    expect(still.notes.join(" ")).toMatch(/Not yet a line for “team sport”: jumping and running wait/);
    const none = change({}, { not: ladder("low_chair").stages.flatMap((s) => s.exercise_id ?? []) });
    withTask([line("lp_mid_hip")], none, known(), ladder("low_chair"), "a low chair");
    expect(none.notes.join(" ")).toMatch(/no stage of it fits today.*opens later.*raised seat/);
  });

  test("what is not done alone yet ends the ladder below it, with the reason, and stays out of every line", () => {
    const told = (rises: "hands" | "no" | null, climbs: "no" | null = null) =>
      notYetOf({ rises, climbs }, { chair: null, stairs: null });
    const c = change({ notYet: told("hands") });
    const chair = withTask(
      forStory([line("lp_mid_hip"), line("sit_to_stand")], c),
      c,
      known({ irritability: "low" }),
      ladder("low_chair"),
      "a low chair",
    );
    expect(ids(chair)).toEqual(["lp_mid_hip", "chair_rise_hands"]);
    expect(sayPlainly(fromKept(of(chair, "chair_rise_hands").why))).toMatch(
      /goal itself.*still takes the hands/,
    );
    // the floor begins with rising: what comes before it takes its place
    expect(ids(withTask([line("lp_mid_hip")], c, known(), ladder("floor"), "the floor"))).toContain(
      "chair_rise_hands",
    );
    const stairs = change({ notYet: told(null, "no") });
    const low = withTask(
      [line("lp_mid_hip")],
      stairs,
      known({ irritability: "low" }),
      ladder("stairs"),
      "stairs",
    );
    expect(ids(low)).toEqual(["lp_mid_hip", "step_up_low"]);
    const none = change(
      { notYet: told("no") },
      { not: ["chair_rise_hands", "lp_horizontal", "lp_mid_hip", "bridge_two"] },
    );
    expect(forStory([line("sit_to_stand")], none)).toEqual([]);
    expect(none.notes.join(" ")).toMatch(/Left out: .*nobody rises from a chair alone yet/);
    // the same exercise never twice
    expect(ids(forStory([line("chair_rise_hands"), line("sit_to_stand")], c))).toEqual(["chair_rise_hands"]);
  });

  test("where nobody asked, what would surely take more than there is counts as not done; what is told wins", () => {
    const cost = (value: number, doubt: number) => ({ value, doubt });
    const asked = { rises: null, climbs: null };
    const dear = { chair: cost(140, 30), stairs: cost(125, 30) };
    expect(notYetOf(asked, dear)).toEqual([{ task: "chair", because: "cost", percent: 140 }]);
    expect(notYetOf({ rises: "yes", climbs: "rail" }, { chair: cost(300, 1), stairs: cost(300, 1) })).toEqual(
      [],
    );
  });

  test("running where no phase of the condition opens it is talked about, not drafted", () => {
    const of = (conditionId: string, phaseId: string, variantId: string) =>
      recipeOf({ conditionId, phaseId, variantId, choices: {} }, ["run"]) as Recipe;
    const recipe = of("total_knee_replacement", "w12p", "standard");
    expect(recipe.talkedAbout).toEqual(["run"]);
    const c = change({ recipe });
    expect(withTask([line("lp_mid_hip")], c, known(), ladder("run"), "running")).toHaveLength(1);
    expect(c.notes.join(" ")).toMatch(/“running” is talked about/);
    expect(of("acl_reconstruction", "p4", "standard").talkedAbout).toEqual([]);
  });

  test("range early after surgery is not given up for time", () => {
    const settled = { conditionId: "total_knee_replacement", phaseId: "w0_2", variantId: "standard" };
    for (const minutes of [15, 30]) {
      const { facts, context } = draftFor({ ...settled, week: 1, weeksAfterSurgery: 1 });
      const wish = { place: "gym", minutes } as const;
      const { lines } = draftSession(facts, rangeSheet(context.sheet), context, wish, USUAL_ORDER);
      expect(lines.map((l) => l.exerciseId)).toEqual(
        expect.arrayContaining(["heel_prop_straight", "heel_slide_bend"]),
      );
    }
  });

  test("says how a stage is set with its units", () => {
    const [first] = ladder("low_chair").stages;
    const said = (s: typeof first) =>
      sayPlainly(saidWith("drafts.goal_stage", { set: s?.set ?? {}, goOn: "it is easy" }));
    expect(said(first)).toBe("the goal itself: seat 60 cm, hands: both push; on when it is easy");
    const carried = ladder("carry").stages.find((s) => "percent_of_body_each" in s.set);
    expect(said(carried)).toMatch(/% of body weight in each hand, distance \d+ m/);
  });
});
