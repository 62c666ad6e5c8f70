import { csvTables } from "@/core/exchange/csvOut";
import { rowsOfReview } from "@/core/review/review";
import { audit } from "@/server/base/audit";
import { clientEpisode } from "@/server/client/clients";
import { machinesOf } from "@/server/clinic/machines";
import { visitDrafts } from "@/server/decide/decisionDrafts";
import { lastRecheck } from "@/server/decide/rechecks";
import { clientFileOf } from "@/server/exchange/clientOut";
import { clientIdsOf } from "@/server/exchange/clinicOut";
import { csvText } from "@/server/exchange/csvText";
import { confirmImport, importById, remap, undoImport } from "@/server/exchange/imports";
import { recentVisitsWhole } from "@/server/history/visits";
import { testsOf } from "@/server/measure/measurements";
import { measurementsOf } from "@/server/measure/otherMeasurements";
import { episodesToReview, type PastEpisode } from "@/server/review/episode";
import { reviewFactsOf } from "@/server/review/facts";
import { sayPlainly } from "@/words/say";
import { closeConnections, daysLater, makeClinic, type TestClinic } from "../../support/clinic";
import { readInto } from "../../support/files";

const LATER = daysLater(20);
let clinic: TestClinic;
beforeAll(async () => {
  clinic = await makeClinic();
});
afterAll(closeConnections);

const confirmed = (id: string) => clinic.as("therapist", (ctx) => confirmImport(ctx, id), LATER);
const CLIENTS = [
  "\uFEFFClient;Year of birth;Height;Weight;Unit;Side;Onset;Began with;Condition",
  "Wim Quarrell;1961;172;165;lb;left;2.11.2025;onset;Knee arthritis",
  '"Ada ""Ann"" Merrow";1955;160;70;kg;right;2025-12-01;surgery;something nobody knows',
].join("\r\n");

test("clients, their tests and their past visits come in by tables, each looked at before it counts, and are taken back", async () => {
  const people = await readInto(clinic, "csv_clients", CLIENTS);
  expect(people.summary).toMatchObject({ problems: [], counts: { client: 2, episode: 2 } });
  expect(await clinic.as("admin", clientIdsOf, LATER)).toEqual([]);
  await confirmed(people.id);
  const ids = await clinic.as("admin", clientIdsOf, LATER);
  expect(ids.map((c) => c.name)).toEqual(['Ada "Ann" Merrow', "Wim Quarrell"]);
  const client = await clinic.as("therapist", (ctx) => clientEpisode(ctx, ids[1]?.id ?? ""), LATER);
  expect(client).toMatchObject({
    bodyMassKg: 74.8,
    heightM: 1.72,
    beganOn: "2025-11-02",
    side: "left",
    irritability: "high",
  });
  // what the rules do not know has limits by hand
  const unknown = await clinic.as("therapist", (ctx) => clientEpisode(ctx, ids[0]?.id ?? ""), LATER);
  expect(unknown.uncovered).toEqual(["other"]);

  const tests = await readInto(
    clinic,
    "csv_tests",
    "name,born,date,what,side,value,unit,angle\nWim Quarrell,1961,2026-03-01,knee extension,left,88,Nm,60\nWim Quarrell,1961,2026-03-01,knee bend,left,112.5,deg,\n",
  );
  expect(tests.summary?.problems).toEqual([]);
  await confirmed(tests.id);
  const stored = await clinic.as("therapist", (ctx) => testsOf(ctx, client.episodeId), LATER);
  expect(stored).toMatchObject([
    { torqueNm: 88, kneeFlexionDeg: 60, isReliable: false, takenOn: "2026-03-01" },
  ]);
  expect(
    (await clinic.as("therapist", (ctx) => measurementsOf(ctx, client.episodeId), LATER))[0],
  ).toMatchObject({ value: 112.5 });

  const visits = await readInto(
    clinic,
    "csv_visits",
    "name,birth year,day,exercise,sets,reps,load kg,pain before,pain,pain after,pain next morning\n" +
      "Wim Quarrell,1961,2026-03-02,lp_horizontal,3,10,40,1,2,1,2\nWim Quarrell,1961,2026-03-05,lp_horizontal,3,10,45,1,1,1,1\n",
  );
  expect(visits.summary?.problems).toEqual([]);
  await confirmed(visits.id);
  const rows = await clinic.as(
    "therapist",
    async (ctx) => {
      const [e] = await episodesToReview(ctx, client.clientId);
      return rowsOfReview(await reviewFactsOf(ctx, e as PastEpisode));
    },
    LATER,
  );
  const pain = rows.find((r) => r.id === "pain");
  expect(pain?.series.find((s) => s.key === "morning")?.points.map((p) => p.value)).toEqual([2, 1]);
  expect(pain?.series.find((s) => s.key === "worst")?.points.map((p) => p.value)).toEqual([2, 1]);
  // nobody is asked to decide about what is long past
  expect(await clinic.as("therapist", (ctx) => visitDrafts(ctx, client), LATER)).toEqual([]);

  // the last first; the clients cannot go while their tests stand
  await expect(
    clinic.as("therapist", (ctx) => undoImport(ctx, people.id, "confirmed"), LATER),
  ).rejects.toThrow(/worked with/);
  for (const id of [visits.id, tests.id, people.id])
    await clinic.as("therapist", (ctx) => undoImport(ctx, id, "confirmed"), LATER);
  expect(await clinic.as("admin", clientIdsOf, LATER)).toEqual([]);
}, 60_000);

test("a table's columns are guessed, chosen anew, and every wrong line says what is wrong with it; nothing is half done", async () => {
  const draft = await readInto(
    clinic,
    "csv_clients",
    "A,B,C,D,E,F,G\nSam Tolle,1970,180,80,left,2026-01-01,onset\n=1+1,1970,1.80,80,middle,31.2.2026,onset\nSam Tolle,1970,180,800,left,2026-01-01,birth\n",
  );
  expect(draft.summary?.problems.length).toBeGreaterThan(5);
  await expect(confirmed(draft.id)).rejects.toThrow(/Nothing was written/);
  await clinic.as(
    "therapist",
    (ctx) =>
      remap(ctx, draft.id, {
        name: 0,
        birth_year: 1,
        height_cm: 2,
        body_mass: 3,
        side: 4,
        began_on: 5,
        began_with: 6,
        sex: null,
        mass_unit: null,
        condition: null,
        goal: null,
      }),
    LATER,
  );
  const { summary } = await clinic.as("therapist", (ctx) => importById(ctx, draft.id), LATER);
  const said = summary?.problems.map((p) => `${p.at}: ${sayPlainly(p.said)}`) ?? [];
  expect(said.filter((s) => s.startsWith("line 2"))).toEqual([]);
  expect(said.join("\n")).toMatch(/line 3: height in cm must be a number from 120 to 220 cm; “1.80” is not/);
  expect(said.join("\n")).toMatch(/line 3: side must be one of: left/);
  expect(said.join("\n")).toMatch(/line 3: day of surgery or onset must be a day that is past/);
  expect(said.join("\n")).toMatch(/line 4: body mass must be a number from 25 to 250 kg/);
  expect(said.join("\n")).toMatch(/line 4: This client stands in the file twice/);
  await expect(confirmed(draft.id)).rejects.toThrow(/line 3/);
  expect(await clinic.as("admin", clientIdsOf, LATER)).toEqual([]);
});

test("wrong units and unknown clients are refused by line, never converted", async () => {
  await confirmed((await readInto(clinic, "csv_clients", CLIENTS)).id);
  const { summary } = await readInto(
    clinic,
    "csv_tests",
    "name,birth year,day,what,side,value,unit,angle\nWim Quarrell,1961,2026-03-01,knee extension,left,88,lbf,60\nWim Quarrell,1961,2026-03-01,knee extension,left,88,Nm,\nWim Quarrell,1962,2026-03-01,knee bend,left,90,deg,\nWim Quarrell,1961,2026-03-01,girth of the thigh,left,20,in,\nWim Quarrell,1961,2026-03-01,luck,left,20,cm,\n",
  );
  expect(summary?.problems.map((p) => p.at)).toEqual(["line 2", "line 3", "line 4", "line 5", "line 6"]);
  expect(summary?.problems.map((p) => sayPlainly(p.said)).join("\n")).toMatch(
    /must be N·m[\s\S]*knee flexion[\s\S]*No client in care[\s\S]*must be cm[\s\S]*nothing that is measured/,
  );
});

test("machines come by a table and go from one gym to another as a list", async () => {
  const draft = await readInto(
    clinic,
    "csv_machines",
    "name,kind,place,first,step,pins\nHarbour press,seated_press,window,10,5,20\nNo such,flying,,,,\nOdd,seated_press,,10,,\n",
    { role: "admin" },
  );
  expect(draft.summary?.problems.map((p) => p.at)).toEqual(["line 3", "line 4"]);
  const good = await readInto(
    clinic,
    "csv_machines",
    "name,kind,place,first,step,pins\nHarbour press,seated_press,window,10,5,20\n",
  );
  await confirmed(good.id);
  const press = (await clinic.as("admin", machinesOf, LATER)).find((m) => m.name === "Harbour press");
  expect(press).toMatchObject({
    steps: { kind: "stack", first: 10, step: 5, plates: 20 },
    note: expect.stringMatching(/not measured/),
  });
});

test("a draft that is thrown away while somebody confirms it: one of the two, and the other is told", async () => {
  const file =
    "name,born,height,weight,unit,side,onset,began with,condition\nOdo Marsh,1961,172,70,kg,left,2025-11-02,onset,Knee arthritis\n";
  for (let i = 0; i < 3; i++) {
    const draft = await readInto(clinic, "csv_clients", file.replace("Odo", `Odo ${"I".repeat(i + 1)}`));
    expect(draft.summary?.problems).toEqual([]);
    const both = await Promise.allSettled([
      confirmed(draft.id),
      clinic.as("therapist", (ctx) => undoImport(ctx, draft.id, "draft"), LATER),
    ]);
    expect(both.filter((b) => b.status === "fulfilled")).toHaveLength(1);
  }
});

describe("a file that is read again, or another one of the same client", () => {
  const read = async (kind: Parameters<typeof readInto>[1], text: string) => {
    const draft = await readInto(clinic, kind, text);
    expect(draft.summary?.problems).toEqual([]);
    await confirmed(draft.id);
    return draft;
  };
  async function person(name: string) {
    await read(
      "csv_clients",
      `name,born,height,weight,unit,side,onset,began with,condition\n${name},1961,172,70,kg,left,2025-11-02,onset,Knee arthritis\n`,
    );
    const found = (await clinic.as("admin", clientIdsOf, LATER)).find((c) => c.name === name);
    return clinic.as("therapist", (ctx) => clientEpisode(ctx, found?.id ?? ""), LATER);
  }
  const TESTS = "name,born,date,what,side,value,unit,angle\n";

  test("of tests, with a row on top, stores only what is new; two equal rows are two", async () => {
    const client = await person("Ede Ratch");
    const row = (value: number) => `Ede Ratch,1961,2026-03-01,knee extension,left,${value},Nm,60\n`;
    await read("csv_tests", TESTS + row(80) + row(84) + row(84));
    const again = await read("csv_tests", TESTS + row(91) + row(80) + row(84) + row(84));
    expect(again.summary?.notes.map(sayPlainly)).toContain("3 lines are here already and not written again.");
    const stored = await clinic.as("therapist", (ctx) => testsOf(ctx, client.episodeId), LATER);
    expect(stored.map((t) => t.torqueNm).sort()).toEqual([80, 84, 84, 91]);
  });

  test("of visits is accepted too; days that are here stay, and nobody is said to have asked for warning signs", async () => {
    const client = await person("Ula Ratch");
    const head = "name,birth year,day,exercise,sets,reps,load kg,pain before,pain\n";
    const row = (day: string, kg: number) => `Ula Ratch,1961,${day},lp_horizontal,3,10,${kg},1,2\n`;
    await read("csv_visits", head + row("2026-03-02", 40) + row("2026-03-05", 45));
    const more = await read("csv_visits", head + row("2026-03-05", 45) + row("2026-03-09", 50));
    expect(more.summary?.notes.map(sayPlainly).join()).toMatch(/1 day has visits here already/);
    const visits = await clinic.as("therapist", (ctx) => recentVisitsWhole(ctx, client.episodeId), LATER);
    expect(visits.map((v) => v.records[0]?.loadKg)).toEqual([40, 45, 50]);
    expect(visits.map((v) => v.sheet.version)).toEqual([1, 2, 3]);
    expect(await clinic.as("therapist", (ctx) => lastRecheck(ctx, client.episodeId), LATER)).toBeNull();
  });

  test("can be taken back after the client was taken out as a file, which changes nothing", async () => {
    const client = await person("Ivo Ratch");
    const tests = await read("csv_tests", `${TESTS}Ivo Ratch,1961,2026-03-01,knee extension,left,80,Nm,60\n`);
    await clinic.as("therapist", (ctx) => clientFileOf(ctx, client.clientId), daysLater(21));
    await clinic.as(
      "therapist",
      (ctx) => audit(ctx, "export.client", "client", client.clientId, null, { name: "a file" }),
      daysLater(21),
    );
    await clinic.as("therapist", (ctx) => undoImport(ctx, tests.id, "confirmed"), daysLater(21));
    expect(await clinic.as("therapist", (ctx) => testsOf(ctx, client.episodeId), LATER)).toEqual([]);
  });

  test("the clinic's own tables out are read in, with their dates and what was taken back left out", async () => {
    const client = await person("Una Ratch");
    await read(
      "csv_tests",
      `${TESTS}Una Ratch,1961,2026-03-01,knee extension,left,80,Nm,60\nUna Ratch,1961,2026-03-01,knee bend,left,112,deg,\n`,
    );
    await read(
      "csv_tests",
      `name,birth year,day,what,side,value,unit,step_cm,steps,test_name,test_unit,test_better,test_error
Una Ratch,1961,2026-03-01,step-downs in 30 s,left,9,times,20,,,,,
Una Ratch,1961,2026-03-01,"stairs, timed",,14.5,s,,12,,,,
Una Ratch,1961,2026-03-01,a test of your own,,3,runs,,,Sled,runs,up,1
`,
    );
    await read(
      "csv_visits",
      "name,birth year,day,exercise,sets,reps,load kg,pain before,pain\nUna Ratch,1961,2026-03-02,lp_horizontal,3,10,40,1,2\n",
    );
    const file = await clinic.as("therapist", (ctx) => clientFileOf(ctx, client.clientId), LATER);
    const tables = new Map(csvTables(file).map((t) => [t.name, csvText(t)]));
    // the same clinic has all of it: nothing is written twice
    for (const [name, kind] of [
      ["strength_tests", "csv_tests"],
      ["measurements", "csv_tests"],
      ["set_records", "csv_visits"],
    ] as const) {
      const draft = await read(kind, tables.get(name) ?? "");
      expect(draft.summary?.notes.map(sayPlainly).join()).toMatch(/here already/);
    }
    // under another client's id it is new
    const other = await person("Una Rill");
    for (const [name, kind] of [
      ["strength_tests", "csv_tests"],
      ["measurements", "csv_tests"],
      ["set_records", "csv_visits"],
    ] as const)
      await read(kind, (tables.get(name) ?? "").replaceAll(client.clientId, other.clientId));
    const tests = await clinic.as("therapist", (ctx) => testsOf(ctx, other.episodeId), LATER);
    expect(tests.map((t) => [t.torqueNm, t.takenOn])).toEqual([[80, "2026-03-01"]]);
    const measured = await clinic.as("therapist", (ctx) => measurementsOf(ctx, other.episodeId), LATER);
    expect(measured.map((m) => [m.kind, m.value, m.stepM, m.steps, m.test?.name ?? null]).sort()).toEqual([
      ["free_test", 3, null, null, "Sled"],
      ["knee_bend", 112, null, null, null],
      ["stairs_time", 14.5, null, 12, null],
      ["step_downs_30s", 9, 0.2, null, null],
    ]);
    const visits = await clinic.as("therapist", (ctx) => recentVisitsWhole(ctx, other.episodeId), LATER);
    expect(visits[0]?.records.map((r) => [r.setNo, r.reps, r.loadKg]).sort()).toEqual([
      [1, 10, 40],
      [2, 10, 40],
      [3, 10, 40],
    ]);
  });

  test("what is wrong is said with the file's own line, behind blank lines and breaks in quotes too", async () => {
    const text = `\n\n${TESTS}\n"Ede\n\nRatch",1961,2026-03-01,knee extension,left,80,Nm,60\n\nNobody Here,1961,2026-03-01,knee extension,left,80,Nm,60\n`;
    const draft = await readInto(clinic, "csv_tests", text);
    expect(draft.summary?.problems.map((p) => p.at)).toEqual(["line 5", "line 9"]);
  });
});
