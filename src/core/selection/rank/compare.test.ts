import { sayPlainly } from "@/words/say";
import { bodyFrom } from "../../body/segments";
import { EXERCISES, exerciseById } from "../../rules/exercises";
import { surely } from "../../testdata/capacity/known";
import { loadFacts } from "../../testdata/loadFacts";
import { saidWith } from "../../units/said";
import type { Basis } from "../setUp/row";
import { chairRise, type ReferenceTask } from "../tissue/tissues";
import { type AtAngle, atAngle, atEqualMoment, type Compared, explainDifference } from "./compare";
import { READY_QUESTIONS } from "./questions";
import { rowOf, type SheetInput } from "./rangeSheet";

const body = bodyFrom(75, 1.75);
const chair = chairRise(body) as ReferenceTask;

function sides(questionId: string, basis: Basis): [Compared, Compared] {
  const q = READY_QUESTIONS.find((x) => x.id === questionId);
  if (!q) throw new Error(`no question ${questionId}`);
  const facts = loadFacts(body);
  const input: SheetInput = {
    exercises: EXERCISES,
    machines: [],
    motion: { shortOfStraightDeg: null, bendDeg: null },
    goalIds: [],
    later: [],
    ...facts,
    strength: { ...facts.strength, extension: surely("extension", 260) },
    chair,
    tissue: "kneecap",
    capTimes: null,
    basis,
  };
  const [a, b] = q.sides.map((s, side): Compared => {
    const e = exerciseById(s.exerciseId);
    const row = e ? rowOf(e, input, { settings: s.settings, load: s.load }) : [];
    if (Array.isArray(row) || !row.computed) throw new Error(`${s.exerciseId} is barred`);
    const setUp = q.basis === "moment" ? atEqualMoment(row.computed, 1, 60, q.deg) : row.computed;
    const name = saidWith("compare.side", { question: q.id, side });
    return { name, setUp, here: atAngle(body, setUp, chair, q.deg) as AtAngle };
  });
  return [a as Compared, b as Compared];
}

test("why the press takes several times the force: its line passes nearer to the knee, for the same moment", () => {
  const [press, extension] = sides("press-heavier", { kind: "effort", share: 0.5 });
  expect(press.here.kneeMomentNm).toBeCloseTo(60, 6);
  expect(extension.here.kneeMomentNm).toBeCloseTo(60, 6);
  expect((press.here.forceN as number) / (extension.here.forceN as number)).toBeGreaterThan(3);
  expect(press.here.kneeArmM as number).toBeLessThan((extension.here.kneeArmM as number) / 3);
  const said = explainDifference(press, extension).map(sayPlainly).join(" ");
  expect(said).toMatch(/The press takes \d\.\d times the force of the extension/);
  expect(said).toMatch(/passes the knee at \d+ cm, the other's at \d+ cm/);
});

test("why feet high work the hip: at the same load the knee gives less and the hip more", () => {
  const [high, low] = sides("feet-high", { kind: "load", kg: 100 });
  expect(high.here.kneeMomentNm).toBeLessThan(low.here.kneeMomentNm);
  expect(Math.abs(high.here.hipMomentNm as number)).toBeGreaterThan(Math.abs(low.here.hipMomentNm as number));
  expect(explainDifference(high, low).map(sayPlainly).join(" ")).toContain("Feet high works more at the hip");
});

test("why feet near the rail stress the knee", () => {
  const [near, ahead] = sides("feet-near-rail", { kind: "load", kg: 40 });
  expect(near.here.kneecapTimes).toBeGreaterThan(ahead.here.kneecapTimes * 1.2);
  expect(explainDifference(near, ahead).map(sayPlainly).join(" ")).toMatch(
    /kneecap joint carries \d\.\d chair rises on feet near/,
  );
});

test("why a sled can round the back: more hip bend than there is, which hangs on the back's angle", () => {
  const [sled, level] = sides("sled-rounds", { kind: "effort", share: 0.5 });
  expect(sled.here.pelvicTuckDeg).toBeGreaterThan(level.here.pelvicTuckDeg + 5);
  const said = explainDifference(sled, level).map(sayPlainly).join(" ");
  expect(said).toContain("rounds the low back by about");
  expect(said).toContain("the angle between back and rail");
});

test("when a standing straightening spares the front ligament, and when not", () => {
  const [upright, leaning] = sides("standing-extension", { kind: "load", kg: 8 });
  expect(upright.here.forwardN).toBe(0);
  expect(leaning.here.forwardN).toBeGreaterThan(50);
  expect(explainDifference(upright, leaning).map(sayPlainly).join(" ")).toContain(
    "pulls the shin forward by about",
  );
});

test("the same set-up twice differs in nothing, and outside the model nothing is said", () => {
  const [press] = sides("press-heavier", { kind: "effort", share: 0.5 });
  expect(explainDifference(press, press)).toHaveLength(1);
  expect(explainDifference(press, press)).toEqual([{ code: "compare.alike" }]);
  expect(atAngle(body, press.setUp, chair, 125)).toBeNull();
});
