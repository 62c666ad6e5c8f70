import { learn } from "../../../capacity/learn";
import { EXERCISES } from "../../../rules/exercises";
import { judgeScore } from "../../../sheet/judge/judgeScore";
import { offersOf } from "../../../sheet/judge/offersOf";
import { stationOfLine } from "../../../sheet/judge/stationOfLine";
import { keptStationId } from "../../../sheet/line/keptLine";
import { bounded } from "../../../testdata/bounded";
import { EXAMPLES, line, scoreContext } from "../../../testdata/scoreContext";
import { exerciseUse, quietMachines } from "../../fit/exerciseUse";
import { freeWeightOf } from "./freeWeights";
import { quietStationIdOf } from "./quietCaps";

const free = EXERCISES.flatMap((e) => {
  const weight = freeWeightOf(e, 72);
  return weight ? [{ e, weight }] : [];
});
const planned = (id: string, loadKg: number | null = null) =>
  line(id, { ...EXAMPLES.straight, reps: 12, reserve: 3 }, { loadKg, legs: "together" });
const DAY = "2026-01-05";

test("what free weights make heavier has neither a machine nor a model, and begins with the body alone", () => {
  expect(free.length).toBeGreaterThan(20);
  for (const { e, weight } of free) {
    expect({ id: e.id, use: exerciseUse(e), machines: quietMachines(e) }).toEqual({
      ...{ id: e.id, use: null, machines: [] },
    });
    expect(weight.loads[0]).toEqual({ load: 0, how: "body weight" });
    expect(weight.startKg).toBeGreaterThan(weight.loads[1]?.load ?? 99);
  }
});

test("a calf raise has kilograms to set, to offer and to learn from; the body's own weight counts in every step", () => {
  const context = scoreContext();
  const [j] = judgeScore([planned("calf_standing")], context);
  if (!j) throw new Error("no line");
  expect(j.load?.setting).toMatchObject({ load: 0, how: "body weight" });
  expect(j.load?.next).toMatchObject({ load: 2, because: null });
  const station = stationOfLine(j, context);
  expect(station).toMatchObject({ direction: null, angles: [{ bareNm: 72, perKgNm: 1 }] });
  expect(keptStationId(null, station as NonNullable<typeof station>)).toBe(
    quietStationIdOf("free calf_standing", true),
  );
  // a tenth of the body at first
  expect(offersOf(j, context)?.loads.at(-1)?.loadKg).toBe(6);
});

test("what was shown with the body alone says what may be added; never more at once than a quarter of demand", () => {
  const context = scoreContext();
  const [j] = judgeScore([planned("calf_standing")], context);
  const kept = j && stationOfLine(j, context);
  if (!kept) throw new Error("no station");
  const id = quietStationIdOf("free calf_standing", true);
  const station = { ...kept, id };
  const sets = [{ loadKg: 0, reps: 20, reserve: 3, ended: "planned" as const }];
  const event = {
    kind: "sets" as const,
    on: DAY,
    id: "v",
    station,
    stationSd: 0.2,
    sets,
    isTrusted: true,
    doneKg: 0,
  };
  const shown = learn({ peakNm: 72 * 1.5, sd: 0.6 }, [event], DAY).stations[id];
  if (!shown) throw new Error("nothing learnt");
  const strength = { ...context.sheet.strength, quiet: { [id]: shown } };
  const learnt = { ...context, sheet: { ...context.sheet, strength } };
  const [then] = judgeScore([planned("calf_standing")], learnt);
  expect(then?.load?.setting?.load).toBeGreaterThan(0);
  expect(then?.load?.basis).toBe("sets");
  const [heavy] = judgeScore([planned("calf_standing", 20)], learnt);
  expect(heavy?.bars.length).toBeGreaterThan(0);
});

test("nothing is held where no weight may rest on the back; a cuff may still be worn", () => {
  const most = (id: string, word: string) => {
    const context = scoreContext(bounded({ weight_on_shoulders: { word } }));
    const [j] = judgeScore([planned(id)], context);
    return j?.load ? j.load.open?.most : null;
  };
  const lies = "slr_side";
  expect(most(lies, "none")).toBe(1);
  const standing = free.filter(({ e, weight }) => weight.kind === "held" && most(e.id, "none") !== null);
  for (const { e } of standing) expect({ id: e.id, most: most(e.id, "none") }).toEqual({ id: e.id, most: 0 });
  expect(standing.length).toBeGreaterThan(0);
});
