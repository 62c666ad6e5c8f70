import { decide } from "../../progression/decide";
import type { DecisionInput } from "../../progression/decisionInput";
import { exerciseById } from "../../rules/exercises";
import { keptLines } from "../../testdata/keptLines";
import { EXAMPLES, line } from "../../testdata/scoreContext";
import { robot } from "../../testdata/visitRobot";
import type { PainRegion } from "../../units/painRegion";
import { recordOf } from "../recordOf";
import { visitState } from "../run";
import { askedIn, loadsRegion, worstElsewhere } from "./elsewhere";

const exercise = (id: string) => {
  const e = exerciseById(id);
  if (!e) throw new Error(`no ${id}`);
  return e;
};
const CALM = { school: "monitoring", irritability: "moderate" } as const;

test.each([
  ["sq_hack", ["back_low", "hip_groin", "knee_cap", "thigh_front"], ["thigh_back"]],
  ["kext_full", ["knee_cap", "thigh_front"], ["back_low", "hip_side", "calf", "thigh_back"]],
  ["curl_seated", ["thigh_back", "knee_back"], ["hip_groin", "calf", "thigh_front"]],
  ["calf_seated", ["calf", "ankle_foot"], ["knee_cap", "thigh_back"]],
  ["hip_abd", ["hip_side"], ["knee_cap", "calf"]],
  ["str_hamstring", [], ["thigh_back", "back_low", "knee_back"]],
] as const)("%s loads what it loads and is asked about nothing else (Region 2)", (id, loaded, spared) => {
  for (const region of loaded)
    expect({ region, is: loadsRegion(exercise(id), region) }).toMatchObject({ is: true });
  for (const region of spared)
    expect({ region, is: loadsRegion(exercise(id), region) }).toMatchObject({ is: false });
});

test("a followed region brings its own bound, never above what the pain rule allows", () => {
  const followed = [
    { region: "back_low" as const, usual: 1, most: 3 },
    { region: "hip_side" as const, usual: 1, most: 9 },
    { region: "calf" as const, usual: 0, most: null },
  ];
  expect(askedIn(exercise("sq_hack"), followed, CALM)).toEqual([
    { region: "back_low", most: 3 },
    { region: "hip_side", most: 4 },
    { region: "calf", most: 4 },
  ]);
  expect(askedIn(exercise("kext_full"), followed, CALM)).toEqual([]);
});

describe("a set in which another region hurts (Region 3)", () => {
  const [squat, press] = keptLines([
    line("sq_hack", EXAMPLES.straight),
    line("lp_horizontal", EXAMPLES.straight),
  ]).map((l) => ({ ...l, painMax: 4, regions: [{ region: "back_low" as const, most: 3 }] }));
  if (!squat || !press) throw new Error("not kept");
  const ranWith = (region: PainRegion, pain: number) => {
    const { events } = robot([squat, press]);
    const first = events.findIndex((e) => e.type === "rate");
    return visitState(
      [squat, press],
      events.map((e, i) => (i === first ? { ...e, elsewhere: [{ region, pain }] } : e)).slice(0, first + 1),
    );
  };

  test("ends its line above the bound of that region, and no other line", () => {
    expect(ranWith("back_low", 3).ended).toEqual({});
    const hurt = ranWith("back_low", 4);
    expect(Object.keys(hurt.ended)).toEqual([squat.lineId]);
    expect(hurt.tasks.filter((t) => t.lineId === press.lineId).every((t) => t.status === "open")).toBe(true);
    // a region that nobody follows: the line's own bound
    expect(ranWith("hip_groin", 4).ended).toEqual({});
    expect(Object.keys(ranWith("hip_groin", 5).ended)).toEqual([squat.lineId]);
    const record = recordOf(hurt.done[0] as never, "left");
    expect(record.elsewhere).toEqual([{ region: "back_low", pain: 4 }]);
    expect(record.early).toBeNull();
  });

  test("the worst of each region stands for the line", () => {
    const at = (pain: number) => ({ elsewhere: [{ region: "back_low" as const, pain }] });
    expect(worstElsewhere([at(2), at(5), at(3), { elsewhere: [] }])).toEqual([
      { region: "back_low", pain: 5 },
    ]);
  });
});

describe("the decision of a line by other regions (Region 3)", () => {
  const back = (pain: number | null, morning: number | null, usual = 1) => [
    { ...{ region: "back_low" as const, pain, morning, usual }, green: 2, most: 4 },
  ];
  const well: DecisionInput = {
    ...{ ...CALM, redFlag: false, techniqueStop: false, prevRegress: false, missedBefore: false },
    ...{ satisfiedStreak: 3, usualPain: 1, painBefore: 1, painDuring: 1, painAfter: 1, painMorning: 1 },
    ...{ effusion: null, effusionBefore: null, effusionApplies: false, rangePct: 100, weekTrend: 0 },
    ...{ repsState: "top", rir: 3, rirTarget: 3 },
  };
  const decided = (elsewhere: ReturnType<typeof back>, over: Partial<typeof well> = {}) =>
    decide({ ...well, ...over, elsewhere });

  test.each([
    [5, 1, "REGRESS", "R11"],
    [2, 3, "REGRESS", "R11"],
    [4, 1, "HOLD", "H14"],
    [2, 2, "HOLD", "H14"],
  ] as const)("%d in it and %d the next morning: %s by %s", (pain, morning, action, rule) => {
    const found = decided(back(pain, morning), CALM);
    expect({ action: found.action, rules: found.rules }).toEqual({ action, rules: [rule] });
  });

  test("within its bound and as usual the next morning it stands in no way; not asked, neither", () => {
    expect(decided(back(2, 1), CALM).action).toBe("PROGRESS");
    expect(decided(back(null, null), CALM).action).toBe("PROGRESS");
    // what is sore elsewhere is not spared by what the line does not load of the joint
    expect(decided(back(6, null), { ...CALM, spared: "unloaded" }).action).toBe("REGRESS");
  });
});
