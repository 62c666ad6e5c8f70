import { randomUUID } from "node:crypto";
import { templateOf } from "@/core/equipment/templates";
import type { Soreness } from "@/core/schedule/soreness";
import { addMachine } from "@/server/clinic/machines";
import { clientFileOf } from "@/server/exchange/clientOut";
import { sheetsOf } from "@/server/versions/sheets";
import { linesOfToday, sheetToday } from "@/server/visits/linesOfToday";
import { recordMorning } from "@/server/visits/mornings";
import {
  closeConnections,
  daysLater,
  makeClinic,
  plannedClient,
  runVisit,
  type TestClinic,
} from "../../support/clinic";
import { KNEE, STRAIGHT, sheetLineOf } from "../../support/lines";

let clinic: TestClinic;
beforeAll(async () => {
  clinic = await makeClinic();
  for (const family of ["seated_press", "leg_curl_prone"] as const)
    await clinic.as("therapist", (ctx) => addMachine(ctx, randomUUID(), templateOf(family)));
});
afterAll(closeConnections);

test("very sore muscles get a set less in the next visit, at the same load, and no other line does (Sore 2)", async () => {
  const { client } = await plannedClient(clinic, { rules: [KNEE] }, [
    sheetLineOf("lp_horizontal", STRAIGHT),
    sheetLineOf("curl_lying", STRAIGHT),
  ]);
  const visitId = await runVisit(clinic, client, { at: daysLater(0), pain: 0 });
  let corrects: string | null = null;
  let hour = 7;
  const answered = async (soreness: Soreness) => {
    hour += 1;
    const id = randomUUID();
    const answer = { id, visitId, corrects, pain: 0, swelling: 0, stiffnessMin: null, soreness };
    await clinic.as("trainer", (ctx) => recordMorning(ctx, client, answer), daysLater(1, hour));
    corrects = id;
  };
  const today = (day: number) =>
    clinic.as(
      "trainer",
      async (ctx) => {
        const [sheet] = await sheetsOf(ctx, client.episodeId);
        if (!sheet) throw new Error("no sheet");
        const lines = await linesOfToday(ctx, client, sheet);
        return {
          work: lines.map((l) => l.sets.filter((s) => s.role === "work")),
          said: await sheetToday(ctx, client, sheet),
        };
      },
      daysLater(day),
    );
  await answered({ level: 3, muscles: [] });
  const usual = await today(3);
  expect(usual.said.sore).toBeNull();
  await answered({ level: 6, muscles: ["quads"] });
  const sore = await today(3);
  const counts = (x: typeof usual) => x.work.map((sets) => sets.length);
  const [press = 0, curl = 0] = counts(usual);
  expect(counts(sore)).toEqual([press - 1, curl]);
  expect(sore.work[0]?.[0]).toEqual(usual.work[0]?.[0]);
  expect(sore.said.sore).toEqual(["quads"]);
  // where nobody said which, everywhere; a week later nowhere
  await answered({ level: 8, muscles: [] });
  expect(counts(await today(3))).toEqual([press - 1, curl - 1]);
  expect(counts(await today(8))).toEqual([press, curl]);
  const file = await clinic.as("therapist", (ctx) => clientFileOf(ctx, client.clientId), daysLater(9));
  expect(file.rows.response.map((r) => r.soreness?.level).sort()).toEqual([3, 6, 8]);
});
