import { sayPlainly } from "@/words/say";
import { isAlwaysThere, isAtHand } from "../../selection/fit/exerciseUse";
import { EXAMPLES, line, scoreContext } from "../../testdata/scoreContext";
import { legsAllowed } from "../line/legs";
import { factsAtHome, factsOfSheet } from "./atHome";
import { judgeScore } from "./judgeScore";
import { offersOf } from "./offersOf";
import type { PlainScoreFacts } from "./scoreContextOf";

const context = scoreContext();
const facts = { choose: { machines: context.sheet.machines } } as unknown as PlainScoreFacts;
const sheet = { ...context.sheet, ...factsAtHome(facts).choose };
const atHome = { ...context, sheet };

test("at home there are no machines but what people have there, whatever the exercise", () => {
  let barred = 0;
  for (const e of context.sheet.exercises) {
    const legs = legsAllowed(e, "straight")[0];
    if (!legs) continue;
    const [j] = judgeScore([line(e.id, EXAMPLES.straight, { legs })], atHome);
    const family = sheet.machines.find((m) => m.id === j?.machineId)?.family;
    if (j?.bars.length === 0) expect(family === undefined || isAlwaysThere(family)).toBe(true);
    if (!e.home_ready && !isAtHand(e, new Set())) {
      expect(j?.bars.map(sayPlainly).join()).toMatch(/^it needs what stands in the clinic/);
      barred++;
    }
  }
  expect(barred).toBeGreaterThan(10);
});

test("a line that was set for a machine of the clinic is barred when it is planned for home", () => {
  const press = context.sheet.machines.find((m) => m.family === "seated_press");
  const asked = line("half_squat", EXAMPLES.straight, { machineId: press?.id ?? "" });
  expect(judgeScore([asked], atHome)[0]?.bars.map(sayPlainly).join()).toMatch(/stands in the clinic/);
  expect(judgeScore([{ ...asked, machineId: null }], atHome)[0]?.bars).toEqual([]);
});

test("a saved sheet is judged as where it is done; one that stood on a machine before goes on with it", () => {
  const of = (place: string, machineId: string | null) =>
    factsOfSheet(facts, { place, lines: [{ plan: { machineId } }] }).choose.machines.length;
  expect(of("gym", null)).toBe(facts.choose.machines.length);
  expect(of("home", "a bench")).toBe(facts.choose.machines.length);
  expect(of("home", null)).toBeLessThan(facts.choose.machines.length);
});

test("at home only the body's own weight is offered more of, and of that repetitions", () => {
  let [offered, refused] = [0, 0];
  for (const e of context.sheet.exercises) {
    const legs = legsAllowed(e, "straight")[0];
    if (!legs) continue;
    const [j] = judgeScore([line(e.id, EXAMPLES.straight, { legs })], atHome);
    const offers = j && offersOf(j, atHome);
    if (!offers) {
      refused++;
      continue;
    }
    offered++;
    expect({ id: e.id, set: j.load?.setting?.load, loads: offers.loads }).toEqual({
      id: e.id,
      set: 0,
      loads: [],
    });
    expect(offers.most).toBeGreaterThan(EXAMPLES.straight.reps);
  }
  expect(offered).toBeGreaterThan(8);
  expect(refused).toBeGreaterThan(8);
});
