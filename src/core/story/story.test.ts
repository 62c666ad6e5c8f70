import { citationWords } from "@/words/en/facets";
import { sayPlainly } from "@/words/say";
import { schoolOf } from "../phases/painSchool";
import { phaseStep } from "../phases/phaseEntry";
import { allCitations } from "../rules/citations";
import { CONDITIONS, conditionById } from "../rules/conditions";
import { GENERAL_STANCES, isKnownAnswer, needsSurgeonsWord, stanceById, stancesOf } from "../rules/stances";
import { notCovered } from "../rules/uncovered";
import { NO_FINDINGS } from "../testdata/noFindings";
import { issueSaid } from "../units/wrong";
import { irritabilityFrom } from "./irritabilityFrom";
import { episodeInput, personInput } from "./storyInput";

const EPISODE = {
  side: "left",
  conditions: [{ conditionId: "total_knee_replacement", variantId: "standard", beganOn: null }],
  uncovered: [],
  calledAs: "",
  beganWith: "surgery",
  beganOn: "2026-02-02",
  details: "",
  surgeonNote: "",
  painMarks: ["knee_cap"],
  painNow: 2,
  painWorst: 5,
  painBest: 0,
  bringsOn: "some",
  settlesIn: "hours",
  swellingApplies: true,
  firstSwelling: 2,
  goals: [{ goalId: "stairs", words: "", hard: 6 }],
  support: "none",
  trainsAt: "home",
  weekdays: [1, 4],
};
const sentences = (over: object) =>
  episodeInput
    .safeParse({ ...EPISODE, ...over })
    .error?.issues.map((i) => `${i.path.join(".")}: ${sayPlainly(issueSaid(i))}`)
    .join(" | ") ?? "";

describe("a story as it is sent", () => {
  test.each([
    [{}, /^$/],
    [{ conditions: [] }, /^conditions: Choose a condition/],
    [{ conditions: [], uncovered: ["osteotomy"] }, /^$/],
    [
      { conditions: [{ conditionId: "hangnail", variantId: "x", beganOn: null }] },
      /Choose a condition of the list/,
    ],
    [
      { conditions: [{ conditionId: "knee_oa", variantId: "x", beganOn: null }] },
      /which kind of Knee osteoarthritis/,
    ],
    [{ beganOn: "last week" }, /^beganOn: Enter the date/],
    [{ beganOn: "2026-02-30" }, /^beganOn: Enter the date/],
    [{ painNow: 7 }, /^painWorst: Pain now must lie between/],
    [{ painNow: Number.NaN }, /^painNow: Choose joint pain/],
    [{ goals: [] }, /^goals: Choose at least one/],
    [{ goals: [{ goalId: null, words: "x", hard: 3 }] }, /^goals.0.words: Say the goal/],
    [{ goals: [{ goalId: "fly", words: "", hard: 3 }] }, /^goals.0.goalId/],
    [{ bringsOn: null }, /^bringsOn: Say how little/],
    [{ details: "x".repeat(1001) }, /longer than 1000/],
    [{ weekdays: [8] }, /^weekdays/],
  ])("%j", (over, expected) => {
    expect(sentences(over)).toMatch(expected);
  });

  test("a person needs a name and plausible numbers", () => {
    const found = personInput.safeParse({
      name: "  ",
      occupation: "",
      birthYear: 61,
      heightM: 172,
      bodyMassKg: Number.NaN,
      shankLengthM: 40,
      normSex: null,
    });
    expect(found.error?.issues.map((i) => i.path[0])).toEqual([
      "name",
      "birthYear",
      "heightM",
      "bodyMassKg",
      "shankLengthM",
    ]);
  });
});

test.each([
  ["much", "minutes", "low"],
  ["some", "minutes", "moderate"],
  ["much", "hours", "moderate"],
  ["little", "minutes", "high"],
  ["much", "days", "high"],
] as const)("brought on by %s and settling in %s is %s", (on, settles, expected) => {
  expect(irritabilityFrom(on, settles)).toBe(expected);
});

test("what the rules do not cover is named; under eighteen counts until it is sure", () => {
  expect(notCovered(1980, "2026-06-01", [])).toEqual([]);
  expect(notCovered(1980, "2026-06-01", ["multi_ligament", "spine_surgery"])).toEqual([
    "multi-ligament knee",
    "spine surgery",
  ]);
  expect(notCovered(2007, "2026-06-01", [])).toEqual([]);
  expect(notCovered(2008, "2026-06-01", [])).toEqual(["a client who may be under 18"]);
});

describe("the pain rule", () => {
  const part = (
    conditionId: string,
    phaseId: string,
    beganWith: "surgery" | "onset",
    painStance = "pain_monitoring",
  ) => {
    const condition = conditionById(conditionId);
    if (!condition) throw new Error("no such condition");
    return { condition, phaseId, beganWith, painStance };
  };
  test.each([
    [[part("total_knee_replacement", "w2_6", "surgery")], "post_op"],
    [[part("total_knee_replacement", "w6_12", "surgery")], "monitoring"],
    [[part("knee_oa", "flare", "onset")], "monitoring"],
    [[part("knee_oa", "flare", "onset", "pain_free")], "pain_free"],
    [[part("pcl_injury", "protect", "onset")], "monitoring"],
    [[part("pcl_injury", "protect", "surgery")], "post_op"],
    [[part("knee_oa", "build", "onset"), part("acl_reconstruction", "p1", "surgery")], "post_op"],
    [[], null],
  ] as const)("case %#", (parts, expected) => {
    expect(schoolOf(parts)).toBe(expected);
  });
});

describe("stances", () => {
  const everyStance = [...GENERAL_STANCES, ...CONDITIONS.flatMap((c) => stancesOf(c))];

  test("each has a default among its answers, and reasons for and against every answer", () => {
    expect(new Set(everyStance.map((s) => s.id)).size).toBe(everyStance.length);
    for (const s of everyStance) {
      expect(s.options.map((o) => o.id)).toContain(s.defaultId);
      expect(stanceById(s.id)?.topic).toBe(s.topic);
      for (const o of s.options) {
        expect([s.id, o.id, o.speaksFor.length > 5]).toEqual([s.id, o.id, true]);
        expect([s.id, o.id, o.speaksAgainst.length > 5]).toEqual([s.id, o.id, true]);
      }
    }
    expect(stanceById("nothing.of_it")).toBeNull();
    // files keep answers that are not offered any more
    expect(stanceById("d_nordic_dose")).toBeNull();
    expect(isKnownAnswer("d_nordic_dose", "view_1")).toBe(true);
    expect(isKnownAnswer("acl_reconstruction.brace", "brace")).toBe(true);
    expect(isKnownAnswer("d_foot_height", null)).toBe(true);
    expect(isKnownAnswer("d_soreness", "view_9")).toBe(false);
    expect(isKnownAnswer("nothing.of_it", null)).toBe(false);
  });

  test("those that only the surgeon opens exist", () => {
    const opened = everyStance.flatMap((s) =>
      s.options.filter((o) => needsSurgeonsWord(s.id, o.id)).map((o) => `${s.id}.${o.id}`),
    );
    expect(opened).toHaveLength(4);
  });
});

test("no phase is skipped, back needs no reason, on without every criterion does", () => {
  for (const c of CONDITIONS) {
    const ids = c.phases.map((p) => p.id);
    const [first, second, third] = ids as [string, string, string];
    const confirmed = (phaseId: string) => ({ phaseId, isConfirmed: true });
    expect(phaseStep(c, confirmed(first), second, NO_FINDINGS)).toEqual({
      possible: true,
      needsReason: true,
    });
    expect(phaseStep(c, confirmed(second), first, NO_FINDINGS)).toEqual({
      possible: true,
      needsReason: false,
    });
    expect(phaseStep(c, confirmed(first), third, NO_FINDINGS)).toMatchObject({ possible: false });
    expect(phaseStep(c, confirmed(first), first, NO_FINDINGS)).toMatchObject({ possible: false });
    // on entry, while nobody confirmed one: the first as it is, and nothing that findings do not support
    const entering = { phaseId: first, isConfirmed: false };
    expect(phaseStep(c, entering, first, NO_FINDINGS)).toEqual({ possible: true, needsReason: false });
    expect(phaseStep(c, entering, third, NO_FINDINGS)).toMatchObject({ possible: false });
  }
});

test("a source is unverified until every citation in it was checked", () => {
  expect(citationWords("Jette 2020; Bade 2017", [])).toBe("unverified citation");
  expect(citationWords("Jette 2020; Bade 2017", ["Bade 2017"])).toBe("unverified citation: Jette 2020");
  expect(citationWords("Jette 2020; Bade 2017", ["Bade 2017", "Jette 2020"])).toBe("checked citation");
  const all = allCitations();
  expect(all.map((c) => c.citation)).toEqual(expect.arrayContaining(["Jette 2020", "Bade 2017"]));
  expect(new Set(all.map((c) => c.citation)).size).toBe(all.length);
});
