import { episodeInput, personInput } from "@/core/story/storyInput";
import { issueSaid } from "@/core/units/wrong";
import { sayPlainly } from "@/words/say";
import { EMPTY_STORY, massText, type StoryDraft, storyFrom } from "./storyDraft";

const TYPED: StoryDraft = {
  ...EMPTY_STORY,
  name: "A. T.",
  side: "left",
  beganWith: "surgery",
  swellingApplies: true,
  firstSwelling: "0",
  support: "none",
  birthYear: "1956",
  heightM: "1,68",
  bodyMass: "81.5",
  conditions: [
    { conditionId: "total_knee_replacement", variantId: "standard", beganOn: "" },
    { conditionId: "", variantId: "", beganOn: "" },
  ],
  beganOn: "2026-02-02",
  painNow: "2",
  painWorst: "5",
  painBest: "0",
  bringsOn: "some",
  settlesIn: "hours",
  goals: [
    { goalId: null, words: "climb the tower", hard: "7", on: "" },
    { goalId: null, words: "  ", hard: "", on: "" },
  ],
};

test("what is typed becomes what the route takes: commas, empty rows, no norms", () => {
  const { person, episode } = storyFrom(TYPED, "kg");
  expect(personInput.safeParse(person).data).toMatchObject({
    heightM: 1.68,
    bodyMassKg: 81.5,
    normSex: null,
  });
  expect(episodeInput.safeParse(episode).data).toMatchObject({
    conditions: [{ conditionId: "total_knee_replacement" }],
    goals: [{ words: "climb the tower", hard: 7 }],
  });
});

test.each([
  ["168", 1.68],
  ["1.68", 1.68],
  ["17", 17],
])("a height of %s is %d m", (typed, metres) => {
  expect(storyFrom({ ...TYPED, heightM: typed }, "kg").person.heightM).toBeCloseTo(metres, 9);
});

test("pounds are read and shown as pounds, and kept as kilograms", () => {
  expect(storyFrom({ ...TYPED, bodyMass: "180" }, "lb").person.bodyMassKg).toBeCloseTo(81.65, 2);
  expect(massText(81.5, "lb")).toBe("179.7");
  expect(massText(81.5, "kg")).toBe("81.5");
});

test("what is empty or strange is refused at its field, not guessed", () => {
  const { person, episode } = storyFrom({ ...TYPED, bodyMass: "", painNow: "much" }, "kg");
  expect(personInput.safeParse(person).error?.issues.map((i) => i.path[0])).toEqual(["bodyMassKg"]);
  expect(episodeInput.safeParse(episode).error?.issues.map((i) => i.path[0])).toEqual(["painNow"]);
});

test("nothing clinical is said before somebody says it: side, beginning, kind, swelling and support are gaps", () => {
  const { episode } = storyFrom(EMPTY_STORY, "kg");
  const gaps = episodeInput.safeParse(episode).error?.issues.map((i) => i.path[0]) ?? [];
  for (const field of [
    "side",
    "beganWith",
    "swellingApplies",
    "firstSwelling",
    "support",
    "bringsOn",
    "settlesIn",
  ])
    expect(gaps).toContain(field);
  const kind = storyFrom(
    { ...TYPED, conditions: [{ conditionId: "acl_reconstruction", variantId: "", beganOn: "" }] },
    "kg",
  );
  expect(
    episodeInput
      .safeParse(kind.episode)
      .error?.issues.map((i) => sayPlainly(issueSaid(i)))
      .join(),
  ).toMatch(/Choose which kind/);
});
