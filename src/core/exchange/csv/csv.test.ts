import fc from "fast-check";
import { sayPlainly } from "@/words/say";
import { idOf, MAKING } from "../../testdata/clientFileOf";
import type { ImportPlan } from "../plan";
import { type CsvMapping, guessMapping, Here, Line } from "./fields";
import { CSV_FIELDS, type CsvKind } from "./kinds";
import { findClient, type KnownClient } from "./known";
import { readClients } from "./readClients";
import { readMachines } from "./readMachines";
import { readTests, testKey } from "./readTests";
import { readVisits } from "./readVisits";

const linesOf = (kind: CsvKind, headers: string, ...rows: string[]) => {
  const mapping: CsvMapping = guessMapping(CSV_FIELDS[kind], headers.split(","));
  return rows.map((r, i) => ({ no: i + 2, line: new Line(r.split(","), mapping, CSV_FIELDS[kind]) }));
};
const wrongIn = (plan: ImportPlan): string[] => plan.problems.map((p) => `${p.at}: ${sayPlainly(p.said)}`);
const rowsIn = (plan: ImportPlan, table: string) => plan.tables.find((t) => t.table === table)?.rows ?? [];
const nobody = () => false;

const IDA: KnownClient = {
  ...{ clientId: idOf("ida"), episodeId: idOf("episode"), name: "Ida Fernhollow", birthYear: 1960 },
  ...{ bodyMassKg: 72, shankLengthM: 0.42, side: "left", beganOn: "2026-01-05" },
};
const find = (line: Line) => findClient(line, [IDA]);

describe("columns of a table", () => {
  test("headers are known by other names too, each column is taken once, and what is not there stays open", () => {
    const mapping = guessMapping(CSV_FIELDS.csv_tests, ["Patient", "Born", "Date", "test", "result", "Unit"]);
    expect(mapping).toMatchObject({ name: 0, birth_year: 1, day: 2, what: 3, value: 4, unit: 5, side: null });
    expect(guessMapping(CSV_FIELDS.csv_tests, ["value", "value"])).toMatchObject({ value: 0 });
  });
  test("a day is read in two writings that cannot be taken for another; a future or impossible one is refused", () => {
    const day = (text: string) => {
      const line = new Line([text], { day: 0 }, []);
      return line.day("day", "2026-03-02") ?? line.problems.map(sayPlainly).join();
    };
    expect(day("2.3.2026")).toBe("2026-03-02");
    expect(day("2026-03-02T09:00:00Z")).toBe("2026-03-02");
    for (const bad of ["3/2/2026", "2026-02-30", "2026-03-03", "31.2.2026", "1.1.1899"])
      expect(day(bad)).toMatch(/^day must be a day that is past/);
  });
  test("any number is within its bounds or said to be outside", () => {
    fc.assert(
      fc.property(fc.double({ noNaN: true, noDefaultInfinity: true }), (x) => {
        const line = new Line([x.toFixed(6)], { value: 0 }, []);
        const read = line.number("value", -10, 10, "kg");
        const shown = Number(x.toFixed(6));
        expect(read === null).toBe(shown < -10 || shown > 10);
        expect(line.problems.length).toBe(read === null ? 1 : 0);
      }),
    );
  });
  test("what stands already is left out as often as it stands, and no oftener", () => {
    const here = new Here(new Map([["a", 2]]));
    expect(["a", "a", "a", "b"].map((k) => here.next(k))).toEqual([null, null, 3, 1]);
  });
});

describe("clients of a table", () => {
  const HEAD = "name,birth_year,height_cm,mass,unit,side,began_on,began_with,condition";
  const read = (...rows: string[]) => readClients(linesOf("csv_clients", HEAD, ...rows), MAKING, nobody);
  test("pounds come to kilograms; a condition that the rules do not know means limits by hand", () => {
    const plan = read("Ida Fernhollow,1960,170,159,lb,left,2026-01-05,onset,sore knee");
    expect(wrongIn(plan)).toEqual([]);
    expect(rowsIn(plan, "client")).toMatchObject([{ body_mass_kg: 72.1, height_m: 1.7 }]);
    expect(rowsIn(plan, "episode")).toMatchObject([{ irritability: "high", uncovered: ["other"] }]);
    expect(rowsIn(plan, "episode_condition")).toEqual([]);
    expect(plan.clients[0]?.conditions.map(sayPlainly)).toEqual([
      "“sore knee”: the rules know no such condition; limits are written by hand",
    ]);
    expect(plan.notes.map(sayPlainly).join()).toMatch(/counts as easily stirred up/);
  });
  test("one client twice, a gap and a mass nobody has are named with their line, and nothing of these is written", () => {
    const plan = read(
      "Ida Fernhollow,1960,170,72,kg,left,2026-01-05,onset,",
      "ida fernhollow,1960,170,72,kg,left,2026-01-05,onset,",
      "Bo Wren,1970,170,20,kg,,2026-01-05,onset,",
    );
    expect(wrongIn(plan)).toEqual([
      "line 3: This client stands in the file twice.",
      "line 4: side is missing.",
      "line 4: body mass must be a number from 25 to 250 kg; “20” is not.",
    ]);
    expect(rowsIn(plan, "client")).toHaveLength(1);
  });
});

describe("test results of a table", () => {
  const HEAD = "name,birth_year,day,what,side,value,unit,knee_flexion_deg";
  const read = (standing: ReadonlyMap<string, number>, ...rows: string[]) =>
    readTests(linesOf("csv_tests", HEAD, ...rows), MAKING, find, standing);
  const row = (what: string, value: string, unit: string, deg = "60") =>
    `Ida Fernhollow,1960,2026-02-01,${what},left,${value},${unit},${deg}`;
  test("a torque in another unit is refused, never converted in silence", () => {
    const plan = read(new Map(), row("knee extension", "80", "ft-lb"), row("knee extension", "80", "Nm", ""));
    expect(wrongIn(plan)).toEqual([
      "line 2: The unit must be N·m; “ft-lb” is not.",
      "line 3: A strength test needs the knee flexion at which it was taken.",
    ]);
    expect(rowsIn(plan, "strength_test")).toEqual([]);
  });
  test("a test counts with the wider error, and one that stands is not written again", () => {
    const same = testKey({
      ...{ episodeId: IDA.episodeId, what: "knee_extension", side: "left", value: 80, deg: 60 },
      on: "2026-02-01",
    });
    const plan = read(
      new Map([[same, 1]]),
      row("knee extension", "80", "Nm"),
      row("knee extension", "84", "Nm"),
    );
    expect(rowsIn(plan, "strength_test")).toMatchObject([{ torque_nm: 84, is_reliable: false }]);
    expect(plan.notes.map(sayPlainly)[0]).toBe("1 line is here already and not written again.");
  });
  test("nobody is found by a name alone", () => {
    const plan = readTests(
      linesOf("csv_tests", HEAD, "Ida Fernhollow,1961,2026-02-01,knee extension,left,80,Nm,60"),
      MAKING,
      find,
      new Map(),
    );
    expect(wrongIn(plan)).toEqual(["line 2: No client in care here has this name and year of birth."]);
  });
});

describe("past visits of a table", () => {
  const HEAD = "name,birth_year,day,exercise,sets,reps,worked_s,load_kg,pain_in";
  const past = { isDone: () => false, versionOf: () => 0 };
  const read = (...rows: string[]) => readVisits(linesOf("csv_visits", HEAD, ...rows), MAKING, find, past);
  const row = (day: string, reps: string, held = "") =>
    `Ida Fernhollow,1960,${day},lp_horizontal,2,${reps},${held},40,3`;
  test("each day is a version of a sheet that is put away, with its sets, and nobody is said to have asked for signs", () => {
    const plan = read(row("2026-02-05", "10"), row("2026-02-01", "8"));
    expect(wrongIn(plan)).toEqual([]);
    expect(rowsIn(plan, "sheet")).toMatchObject([{ retired_by: MAKING.by }]);
    expect(rowsIn(plan, "sheet_version").map((v) => v.version)).toEqual([1, 2]);
    expect(rowsIn(plan, "visit")).toMatchObject([
      { started_at: "2026-02-01T12:00:00Z", recheck_id: null },
      { started_at: "2026-02-05T12:00:00Z", recheck_id: null },
    ]);
    expect(rowsIn(plan, "set_record").map((s) => [s.set_no, s.reps])).toEqual([
      [1, 8],
      [2, 8],
      [1, 10],
      [2, 10],
    ]);
  });
  test("a set without repetitions or seconds, or half a repetition, is refused", () => {
    expect(wrongIn(read(row("2026-02-01", ""), row("2026-02-01", "7.5")))).toEqual([
      "line 2: Repetitions are missing; a hold needs its seconds.",
      "line 3: repetitions is a whole number.",
    ]);
    expect(rowsIn(read(row("2026-02-01", "", "45")), "set_record")).toMatchObject([
      { worked_s: 45, reps: null },
      { worked_s: 45, reps: null },
    ]);
  });
});

test("machines of a table: half a stack is refused, a whole one is entered as a usual one of its kind", () => {
  const read = (...rows: string[]) =>
    readMachines(linesOf("csv_machines", "name,family,first_kg,step_kg,plates", ...rows), MAKING, nobody);
  const plan = read("Row A,seated_press,10,5,", "Row B,seated_press,10,5,20", "Row B,seated_press,,,");
  expect(wrongIn(plan).map((w) => w.slice(0, 30))).toEqual([
    "line 2: A stack needs its firs",
    "line 4: A machine of this name",
  ]);
  expect(rowsIn(plan, "machine")).toMatchObject([
    { name: "Row B", steps: { first: 10, step: 5, plates: 20 } },
  ]);
  expect(plan.notes.map(sayPlainly).join()).toMatch(/measure or calibrate them/);
});
