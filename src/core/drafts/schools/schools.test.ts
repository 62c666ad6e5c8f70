import { phaseLimits } from "../../phases/phaseLimits";
import { CONDITIONS } from "../../rules/conditions";
import { exerciseById } from "../../rules/exercises";
import { GENERAL_STANCES, stanceById, stancesOf } from "../../rules/stances";
import { rangeSheet } from "../../selection/rank/rangeSheet";
import { USUAL_ORDER } from "../../sheet/order/sessionScore";
import { scheme } from "../../sheet/schemes/scheme";
import { draftFor, type Example } from "../../testdata/draftFor";
import type { DraftFacts } from "../draftFacts";
import { draftSession } from "../draftSession";
import type { Change } from "../edit";
import { withStretch } from "../person/stretches";
import { recipeOf } from "../recipe";
import { draftDiff, isNoDiff } from "./draftDiff";
import { practiceOf } from "./practice";
import { forSchools, SCHOOL_RULES } from "./schoolRules";

const EVERY = CONDITIONS.flatMap((condition) =>
  condition.phases.flatMap((phase) => condition.variants.map((variant) => ({ condition, phase, variant }))),
);

/** Where everything fits and nothing hurts. */
const changeOf = (facts: Partial<DraftFacts>): Change => ({
  facts: { painSites: [], schools: {}, shortReach: ["str_calf_bent"], ...facts } as DraftFacts,
  limits: {},
  exercise: exerciseById,
  fits: (id) => exerciseById(id) !== null,
  barredBecause: () => null,
  opens: () => null,
  note: () => undefined,
});

/** Whether an answer changes the written lines of some phase. */
function changesSomeDraft(id: string, option: string): boolean {
  return EVERY.some(({ condition, phase, variant }) => {
    const of = { conditionId: condition.id, phaseId: phase.id, variantId: variant.id, choices: {} };
    const recipe = recipeOf(of, []);
    const c = changeOf({ stage: phase.stage, schools: { [id]: option } });
    return [recipe?.clinic, recipe?.home].some((place) => {
      const lines = [...(place?.lines ?? [])];
      const usual = withStretch(lines, changeOf({ stage: phase.stage }));
      return JSON.stringify(withStretch(forSchools(lines, c), c)) !== JSON.stringify(usual);
    });
  });
}

const changesPractice = (id: string, option: string): boolean =>
  JSON.stringify(practiceOf({ [id]: option })) !== JSON.stringify(practiceOf({}));

function changesSomeLimit(conditionId: string, school: string, option: string, usual: string): boolean {
  return EVERY.filter((x) => x.condition.id === conditionId).some(({ condition, phase, variant }) => {
    const at = (answer: string) =>
      JSON.stringify(
        phaseLimits(condition, phase, {
          variantId: variant.id,
          choices: { [school]: answer },
          week: phase.weeks.from,
        }),
      );
    return at(option) !== at(usual);
  });
}

/** Answered in Dose and Measure, not in a draft. */
const ELSEWHERE = ["own_hamstring_aim", "own_effort_meaning"];

const general = GENERAL_STANCES.filter((s) => !ELSEWHERE.includes(s.id)).flatMap((s) =>
  s.options.filter((o) => o.id !== s.defaultId).map((o) => ({ id: s.id, option: o.id })),
);
const ofConditions = CONDITIONS.flatMap((c) =>
  stancesOf(c).flatMap((s) =>
    s.options.filter((o) => o.id !== s.defaultId).map((o) => ({ id: s.id, option: o.id })),
  ),
);

test("every answer that is offered changes a draft, a limit or what is looked for, and says what it does (K22)", () => {
  expect(general.length).toBeGreaterThan(12);
  for (const { id, option } of [...general, ...ofConditions]) {
    const stance = stanceById(id);
    const [condition = "", school = ""] = id.split(".");
    const acts = changesSomeDraft(id, option) || changesPractice(id, option);
    const limits =
      stance?.conditionId != null && changesSomeLimit(condition, school, option, stance.defaultId);
    expect({ id, option, bites: acts || limits }).toEqual({ id, option, bites: true });
    const effect = stance?.options.find((o) => o.id === option)?.effect ?? null;
    expect({ id, option, says: effect !== null }).toEqual({ id, option, says: acts });
  }
});

test("every rule of a school belongs to an answer that is offered", () => {
  for (const [id, answers] of Object.entries(SCHOOL_RULES))
    for (const option of Object.keys(answers))
      expect(stanceById(id)?.options.map((o) => o.id)).toContain(option);
});

const KNEE: Example = {
  conditionId: "knee_oa",
  phaseId: "build",
  variantId: "moderate",
  irritability: "low",
};
const FREE: Example = { ...KNEE, conditionId: "pfp", variantId: "low_irritability", phaseId: "strength" };
const LATE: Example = { ...KNEE, phaseId: "maintain" };
// no line that balances after the calves
const FLARE: Example = { ...KNEE, phaseId: "flare" };

/** What an answer changes in the whole draft, judged and fitted. */
function drafted(x: Example, schools: Record<string, string>, order = USUAL_ORDER, minutes = 60) {
  const { facts, context } = draftFor({ ...x, schools });
  const sheet = rangeSheet(context.sheet);
  return draftSession(facts, sheet, context, { place: "gym", minutes }, order).lines;
}

test.each([
  [FREE, { d_foot_height: "view_1" }, "lp_mid_hip", "lp_high_wide"],
  [KNEE, { own_one_leg: "always" }, "lp_mid_hip", "lp_single"],
  [KNEE, { d_pelvis_machine: "view_3" }, "hip_abd", "hip_abd_standing"],
] as const)("an answer reaches the draft that is saved: %#", (x, schools, from, to) => {
  const d = draftDiff(drafted(x, {}), drafted(x, schools));
  expect({ out: d.out.includes(from), in: d.in.includes(to) }).toEqual({ out: true, in: true });
});

test("light and many takes the place of tens, what hurts wins over a school, and the usual answer changes nothing", () => {
  const light = drafted(KNEE, { own_hard_repetitions: "many" });
  expect(light.some((l) => l.scheme.kind === "light")).toBe(true);
  // nothing is left to a default: what is judged is what is saved
  for (const l of light) expect(scheme.parse(l.scheme)).toEqual(l.scheme);
  expect(isNoDiff(draftDiff(drafted(KNEE, {}), drafted(KNEE, { d_foot_height: "rule" })))).toBe(true);
  const sore: Example = { ...FREE, painSites: ["front_of_knee"] };
  expect(drafted(sore, { d_foot_height: "view_2" }).map((l) => l.exerciseId)).not.toContain("lp_mid_hip");
});

test.each([
  [FLARE, "d_calves_order", "view_2", { calvesFirst: true }, "calf"],
  [LATE, "d_ext_before_press", "view_1", { isolationFirst: true }, "kext_single"],
] as const)(
  "%j, %s: moves lines to the front, and the order's own rules leave them there",
  (x, id, option, order, what) => {
    const at = (lines: readonly { exerciseId: string }[]) =>
      lines.findIndex((l) => l.exerciseId.startsWith(what));
    const MINUTES = 30;
    const was = drafted(x, {}, USUAL_ORDER, MINUTES);
    const is = drafted(x, { [id]: option }, { ...USUAL_ORDER, ...order }, MINUTES);
    expect(at(is)).toBeGreaterThanOrEqual(0);
    expect({ id, at: at(is) < at(was) }).toEqual({ id, at: true });
  },
);

test("the last set comes nearer its end in late phases alone, on lines of one joint, and not for who is new to training (K22)", () => {
  const school = { own_effort: "last_nearer" };
  const lasts = (x: Example) =>
    drafted(x, school).flatMap((l) =>
      l.scheme.kind === "straight" && l.scheme.last ? [exerciseById(l.exerciseId)?.match.class] : [],
    );
  const late = lasts({ ...LATE, irritability: "moderate" });
  expect(late.length).toBeGreaterThan(0);
  expect(late).not.toContain("closed_knee");
  expect(lasts({ ...KNEE, irritability: "moderate" })).toEqual([]);
  expect(lasts({ ...LATE, irritability: "moderate", isNovice: true })).toEqual([]);
  // the others leave already what the phase asks to be left
  expect(lasts(LATE)).toEqual([]);
});

test("what measured short gets its stretch after the work, by the other school before it, and in twenty minutes none (Measured 4)", () => {
  const short: Example = { ...KNEE, shortReach: ["str_calf_bent", "str_hamstring"] };
  const at = (lines: readonly { exerciseId: string }[]) =>
    lines.findIndex((l) => l.exerciseId === "str_calf_bent");
  const usual = drafted(short, {});
  expect(at(usual)).toBe(usual.length - 1);
  expect(usual.map((l) => l.exerciseId)).not.toContain("str_hamstring");
  expect(drafted(short, { d_stretch_post: "view_1" })[0]).toMatchObject({
    exerciseId: "str_calf_bent",
    scheme: { kind: "stretch", totalS: 45 },
  });
  expect(at(drafted(short, {}, USUAL_ORDER, 20))).toBe(-1);
  expect(at(drafted(KNEE, {}))).toBe(-1);
});
