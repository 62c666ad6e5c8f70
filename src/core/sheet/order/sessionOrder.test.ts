import { sayPlainly } from "@/words/say";
import { exerciseById } from "../../rules/exercises";
import { balanceOf } from "../../schedule/balance";
import { repetitionSeconds } from "../../testdata/byFormula";
import { inWords } from "../../testdata/inWords";
import { EXAMPLES } from "../../testdata/scoreContext";
import { asKept } from "../../units/said";
import type { Scheme } from "../schemes/scheme";
import { sharedSeconds } from "../time/runThrough";
import { legsNote, orderNotes, type ScoreItem, scoreTotals, tiesOf, USUAL_ORDER } from "./sessionScore";

const item = (id: string, s: Scheme, over: Partial<ScoreItem> = {}): ScoreItem => {
  const exercise = exerciseById(id);
  if (!exercise) throw new Error(`no ${id}`);
  return {
    id: `${id} ${s.kind}`,
    exercise,
    scheme: s,
    legs: "together",
    sharesRests: false,
    machine: null,
    share: null,
    ...over,
  };
};
const light: Scheme = { ...EXAMPLES.straight, sets: 1, reserve: 5 };
const moderate: Scheme = { ...EXAMPLES.straight, reps: 12, reserve: 3 };

describe("the order of a session", () => {
  const words = (items: ScoreItem[], school = USUAL_ORDER) =>
    orderNotes(items, school)
      .map((n) => sayPlainly(n.said))
      .join(" ");

  test("a sensible order has nothing to say", () => {
    const good = [
      item("kext_full", light),
      item("lp_horizontal", EXAMPLES.ramp),
      item("curl_seated", EXAMPLES.straight),
      item("hip_abd", EXAMPLES.straight),
      item("calf_standing", EXAMPLES.straight),
    ];
    expect(orderNotes(good, USUAL_ORDER)).toEqual([]);
  });

  test.each([
    ["heavy first", [item("lp_horizontal", moderate)], /light sets or holds before it/, "warm_up"],
    [
      "heavy without ramp sets",
      [item("kext_full", light), item("lp_horizontal", EXAMPLES.straight)],
      /two or three ramp sets/,
      "ramp",
    ],
    [
      "hard isolation before the press",
      [item("kext_full", EXAMPLES.straight), item("lp_horizontal", moderate)],
      /move it behind, or make it light/,
      "move",
    ],
    [
      "the press after much else",
      [
        item("kext_full", light),
        item("hip_abd", EXAMPLES.straight),
        item("bridge_two", EXAMPLES.straight),
        item("lp_horizontal", moderate),
      ],
      /while fresh: move it up/,
      "move",
    ],
    [
      "two heavy holds in a row",
      [item("kext_iso_machine", EXAMPLES.holds), item("kext_iso_band", EXAMPLES.holds)],
      /Two heavy holds of one joint/,
      undefined,
    ],
    [
      "calves before other work",
      [item("calf_seated", EXAMPLES.straight), item("hip_abd", EXAMPLES.straight)],
      /Calves come last/,
      "move",
    ],
    [
      "calves before balance",
      [item("calf_standing", EXAMPLES.straight), item("hinge_single", EXAMPLES.straight)],
      /cost balance/,
      "move",
    ],
    [
      "calves on the press plate",
      [item("lp_horizontal", light), item("calf_press", EXAMPLES.straight)],
      /safety pins in/,
      undefined,
    ],
  ] as const)("%s is noted with what to do, and the offered fix settles it", (_, items, said, fixKind) => {
    const notes = orderNotes([...items], USUAL_ORDER);
    const note = notes.find((n) => said.test(sayPlainly(n.said)));
    expect(note?.fix?.kind).toBe(fixKind);
    const fix = note?.fix;
    if (fix?.kind !== "move") return;
    const moved = items.filter((i) => i.id !== fix.itemId);
    moved.splice(fix.to, 0, items.find((i) => i.id === fix.itemId) as ScoreItem);
    expect(words(moved)).not.toMatch(said);
  });

  test("a chosen school is not argued with, but balance still is", () => {
    const calves = [item("calf_seated", EXAMPLES.straight), item("hip_abd", EXAMPLES.straight)];
    expect(words(calves, { ...USUAL_ORDER, calvesFirst: true })).toBe("");
    const isolation = [item("kext_full", EXAMPLES.straight), item("lp_horizontal", moderate)];
    expect(words(isolation, { ...USUAL_ORDER, isolationFirst: true })).toBe("");
    const wobbly = [item("calf_standing", EXAMPLES.straight), item("hinge_single", EXAMPLES.straight)];
    expect(words(wobbly, { ...USUAL_ORDER, calvesFirst: true, isolationFirst: true })).toMatch(
      /cost balance/,
    );
  });
});

describe("holds by what they did to the marked movement (Marker 2)", () => {
  const hold = item("kext_iso_machine", EXAMPLES.holds);
  const press = item("lp_horizontal", moderate);
  const start = item("kext_full", light);
  const codes = (items: ScoreItem[], holds: "front" | "behind" | null) =>
    orderNotes(items, { ...USUAL_ORDER, holds }).map((n) => asKept(n.said));

  test("that ease it stand in front of moving work, and nothing says that they stand before the press", () => {
    expect(codes([start, hold, press], null)).toContain(asKept({ code: "order.isolation" }));
    expect(codes([start, hold, press], "front")).toEqual([]);
    const behind = orderNotes([start, press, hold], { ...USUAL_ORDER, holds: "front" });
    expect(behind).toEqual([
      { itemId: hold.id, said: { code: "order.holds_ease" }, fix: { kind: "move", itemId: hold.id, to: 1 } },
    ]);
  });

  test("that never do give way to moving work", () => {
    const notes = orderNotes([hold, item("hip_abd", moderate)], { ...USUAL_ORDER, holds: "behind" });
    expect(notes).toContainEqual({
      itemId: hold.id,
      said: { code: "order.holds_do_not_ease" },
      fix: { kind: "move", itemId: hold.id, to: 1 },
    });
    expect(codes([start, press, hold], "behind")).toEqual([]);
  });
});

describe("totals of a session", () => {
  test("are warm-up, exercises, changeovers and logging; hard repetitions and effective sets by muscle add up", () => {
    const items = [item("lp_horizontal", EXAMPLES.straight), item("curl_seated", EXAMPLES.straight)];
    const t = scoreTotals(items);
    const one = repetitionSeconds({
      sets: 3,
      reps: 10,
      tempo: EXAMPLES.straight.tempo,
      setRestS: 90,
      sides: 1,
      inTurns: false,
    });
    expect(t.seconds).toBe(300 + 2 * one + 60 + 2 * 15);
    expect(t.hard).toBe(18);
    expect(t.byMuscle).toMatchObject({ quads: 3, hams: 3.75, calves: 0.75 });
    expect(balanceOf(t.byMuscle).hamsPerQuads).toBeCloseTo(1.25, 6);
  });

  test("shared rests save time, never cut a rest short, and tie the lines", () => {
    const apart = [item("lp_horizontal", EXAMPLES.straight), item("hip_abd", EXAMPLES.straight)];
    const tied = apart.map((i, n) => ({ ...i, sharesRests: n === 1 }));
    const t = scoreTotals(tied);
    expect(t.seconds).toBeLessThan(scoreTotals(apart).seconds - 120);
    const ends = new Map<string, number>();
    let now = 0;
    for (const s of t.steps) {
      if (s.kind === "work" && s.lineId) {
        const before = ends.get(s.lineId);
        if (before !== undefined) expect(now - before).toBeGreaterThanOrEqual(90 - 1e-9);
        ends.set(s.lineId, now + s.seconds);
      }
      now += s.seconds;
    }
    expect([...tiesOf(tied).values()]).toEqual(["lp_horizontal straight", "lp_horizontal straight"]);
    const samePlate = tied.map((i) => ({ ...i, machine: "press" }));
    expect(scoreTotals(samePlate).seconds).toBeLessThan(t.seconds);
  });

  test("a giant of three goes round by round; beside other lanes it takes up to their hands' time longer", () => {
    const three = ["lp_horizontal", "curl_seated", "hip_abd"].map((id, n) =>
      item(id, { ...EXAMPLES.straight, sets: 2 + n }, { sharesRests: n > 0 }),
    );
    const t = scoreTotals(three);
    const order = t.steps.filter((s) => s.kind === "work").map((s) => `${s.lineId?.split(" ")[0]} ${s.set}`);
    expect(order.slice(0, 4)).toEqual(["lp_horizontal 0", "curl_seated 0", "hip_abd 0", "lp_horizontal 1"]);
    expect(order).toHaveLength(9);
    const alone = sharedSeconds(t.steps, 1);
    expect(alone.least).toBe(alone.most);
    const two = sharedSeconds(t.steps, 2);
    expect(two.most - two.least).toBe(3 * 30 + 3 * 15);
  });

  test("work of one leg only is said", () => {
    const one = scoreTotals([item("kext_single", EXAMPLES.straight, { legs: "one" })]);
    expect(inWords(legsNote(one.legs))).toMatch(/other leg gets less than half/);
    expect(
      legsNote(scoreTotals([item("kext_single", EXAMPLES.straight, { legs: "in_turns" })]).legs),
    ).toBeNull();
  });
});
