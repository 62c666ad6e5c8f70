import fc from "fast-check";
import { sayPlainly } from "@/words/say";
import { bodyFrom } from "../../body/segments";
import { EXERCISES, likeOf } from "../../rules/exercises";
import { exerciseUse, quietMachines } from "../../selection/fit/exerciseUse";
import { startCapOf } from "../../selection/setUp/startCap";
import { loadFacts } from "../../testdata/loadFacts";
import { EXAMPLES, line, scoreContext, withTests } from "../../testdata/scoreContext";
import { judgeScore, type ScoreContext } from "../judge/judgeScore";
import { setLoads } from "../judge/setLoads";
import { legsAllowed } from "../line/legs";

const QUIET = EXERCISES.filter((e) => !exerciseUse(e) && quietMachines(e).length > 0);
const judgeOne = (l: Parameters<typeof judgeScore>[0][number], c: ScoreContext) => {
  const [judged] = judgeScore([l], c);
  if (!judged) throw new Error("nothing judged");
  return judged;
};
const who = (massKg: number, start: Parameters<typeof startCapOf>[0]): ScoreContext => {
  const context = scoreContext();
  const facts = loadFacts(bodyFrom(massKg, 1.6));
  return { ...context, sheet: { ...context.sheet, ...facts, startCap: startCapOf(start) } };
};
const CALM = { irritability: "low", isPostOp: false, painAtRest: 0, painAtWorst: null } as const;

test("a calf press on one leg is not set to 150 kg for a frail woman of 48 kg, calm or sore", () => {
  const one = line("calf_press", EXAMPLES.straight, { legs: "one", loadKg: 150 });
  const calm = judgeOne(one, who(48, CALM));
  expect(calm.load?.brokenCap).toBe("start");
  expect(calm.bars.map(sayPlainly).join()).toMatch(/above the start of 36\skg/);
  const sore = judgeOne({ ...one, loadKg: 100 }, who(48, { ...CALM, painAtRest: 6 }));
  expect(sore.bars.map(sayPlainly).join()).toMatch(/above the start of 12\skg/);
  expect(judgeOne({ ...one, loadKg: 35 }, who(48, CALM)).bars).toEqual([]);
  // with a reason above the start, and no further than twice it
  const reason = { aboveStart: "did more in another gym last week" };
  expect(judgeOne({ ...one, ...reason, loadKg: 70 }, who(48, CALM)).bars).toEqual([]);
  expect(judgeOne({ ...one, ...reason, loadKg: 75 }, who(48, CALM)).load?.brokenCap).toBe("family");
});

test("hip machines, rear push and seated calf start at their share of the body's mass", () => {
  const heaviest = (id: string, massKg: number) => {
    const e = EXERCISES.find((x) => x.id === id);
    const [legs] = e ? legsAllowed(e, "straight") : [];
    for (let kg = 200; kg > 0; kg -= 2.5) {
      const j = judgeOne(
        line(id, EXAMPLES.straight, { legs: legs ?? "together", loadKg: kg }),
        who(massKg, CALM),
      );
      if (j.load?.setting?.load === kg && j.bars.length === 0) return kg;
    }
    return 0;
  };
  expect(heaviest("hip_abd", 100)).toBeLessThanOrEqual(15);
  expect(heaviest("hip_add", 160)).toBeLessThanOrEqual(24);
  expect(heaviest("kickback_machine", 100)).toBeLessThanOrEqual(20);
  expect(heaviest("calf_seated", 100)).toBeLessThanOrEqual(30);
  expect(heaviest("hip_abd", 100)).toBeGreaterThan(5);
});

test("for every body, machine without a model and load: what may be saved is under the start, or one step above a test", () => {
  let saved = 0;
  fc.assert(
    fc.property(
      fc.constantFrom(...QUIET),
      fc.integer({ min: 40, max: 160 }),
      fc.constantFrom("low", "moderate", "high" as const),
      fc.integer({ min: 0, max: 400 }),
      fc.option(fc.integer({ min: 5, max: 100 })),
      (e, massKg, irritability, loadKg, testedKg) => {
        const context = who(massKg, { ...CALM, irritability });
        const [legs] = legsAllowed(e, "straight");
        const machine = context.sheet.machines.find((m) => quietMachines(e).includes(m.family));
        if (!legs || !machine) return;
        const twoLegs = legs === "together";
        const tested =
          testedKg === null
            ? context
            : withTests(context, [
                {
                  machineName: machine.name,
                  twoLegs,
                  loadKg: testedKg,
                  reps: 10,
                  reserve: 2,
                },
              ]);
        const j = judgeOne(line(e.id, EXAMPLES.straight, { legs, loadKg }), tested);
        if (j.bars.length > 0) return;
        saved++;
        const kg = j.load?.setting?.load ?? 0;
        if (testedKg === null) {
          // nothing is started above the body's own weight on a foot, nor above a third of it where no foot carries it
          const isOnFoot = ["calf_press", "sq_vtype"].includes(likeOf(e));
          expect(kg).toBeLessThanOrEqual(massKg * (isOnFoot ? (twoLegs ? 1.5 : 0.75) : 0.3) + 1e-6);
        } else expect(kg).toBeLessThanOrEqual(testedKg + 20);
      },
    ),
    { numRuns: 400 },
  );
  expect(saved).toBeGreaterThan(60);
});

test("a climb stops climbing at what bounds its load", () => {
  const context = scoreContext();
  const name = context.sheet.machines.find((m) => m.family === "calf_seated")?.name ?? "";
  const tested = withTests(context, [{ machineName: name, twoLegs: true, loadKg: 40, reps: 10, reserve: 2 }]);
  const j = judgeOne(line("calf_seated", { ...EXAMPLES.climb, plateKg: 20 }), tested);
  const loads = setLoads(j).flatMap((l) => (l ? [l.load] : []));
  expect(loads.length).toBeGreaterThan(1);
  expect(j.load?.open?.most).toBeGreaterThan(0);
  expect(Math.max(...loads)).toBeLessThanOrEqual(j.load?.open?.most ?? 0);
});

test("kilograms that a surgeon wrote for the leg bind to the kilogram: so many on one leg, twice of it on both", () => {
  const written = (mostKg: number) => {
    const context = who(80, CALM);
    return {
      ...context,
      sheet: { ...context.sheet, weight: { mostN: mostKg * 9.81, barsPresses: null } },
    };
  };
  const press = (legs: "one" | "together", loadKg: number, mostKg: number) =>
    judgeOne(line("calf_press", EXAMPLES.straight, { legs, loadKg }), written(mostKg)).load?.brokenCap;
  expect(press("one", 20, 20)).toBeNull();
  expect(press("one", 25, 20)).toBe("weight");
  expect(press("together", 40, 20)).toBeNull();
  expect(press("together", 45, 20)).toBe("weight");
  // without an order the start alone bounds it
  expect(press("one", 25, 1000)).toBeNull();
});
