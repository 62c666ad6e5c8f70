import type { ClientEpisode } from "@/server/client/clients";
import { visitDrafts } from "@/server/decide/decisionDrafts";
import { recentVisitsWhole } from "@/server/history/visits";
import { openVisit } from "@/server/visits/running";
import {
  closeConnections,
  currentSheet,
  daysLater,
  enterMorning,
  hold,
  makeClinic,
  openedVisit,
  plannedClient,
  runVisit,
  squats,
  type TestClinic,
  takeAll,
} from "../../support/clinic";

let clinic: TestClinic;
beforeAll(async () => {
  clinic = await makeClinic();
});
afterAll(closeConnections);

const kneeIn = () => [{ id: "knee_in" as const, fromRep: 6 }];
const newest = async (client: ClientEpisode) => {
  const visits = await clinic.as("trainer", (ctx) => recentVisitsWhole(ctx, client.episodeId), daysLater(40));
  return visits.at(-1);
};

/** A visit with the same seen in every set, and a good morning after it. */
async function visited(client: ClientEpisode, day: number, faults = kneeIn) {
  const id = await runVisit(clinic, client, { at: daysLater(day), faults, pain: 1, painAtEnd: 1 });
  await enterMorning(clinic, client, id, daysLater(day + 1), { pain: 1, swelling: 0 });
  const [draft] = await clinic.as("therapist", (ctx) => visitDrafts(ctx, client), daysLater(day + 1));
  return draft?.lines[0];
}

test("what was seen is kept with the set, said before the next visit, holds the step, and twice running is the change", async () => {
  const { client } = await plannedClient(clinic, {}, [squats()]);
  const first = await visited(client, 0);
  expect((await newest(client))?.records.map((r) => r.faults)).toEqual([kneeIn(), kneeIn()]);
  expect(first?.done).toMatchObject({ cleanShare: 5 / 8, faults: ["knee_in"] });
  expect(first?.decision).toMatchObject({ action: "HOLD" });
  expect(first?.decision.rules).toContain("H12");
  await takeAll(clinic, client, daysLater(1));
  const second = await visited(client, 3);
  const open = (await newest(client))?.sheet.lines[0]?.kept;
  expect(open?.toDeg).toBe(60);
  expect(second?.decision).toMatchObject({
    action: "REGRESS",
    rules: ["R10"],
    change: { remedy: "less_arc" },
  });
  await takeAll(clinic, client, daysLater(4));
  const sheet = await currentSheet(clinic, client, daysLater(5));
  expect(sheet.lines[0]?.plan.window?.toDeg).toBeLessThan(60);
  expect(sheet.lines[0]?.plan.window?.fromDeg).toBe(20);
  await openedVisit(clinic, client, daysLater(6));
  const running = await clinic.as("trainer", (ctx) => openVisit(ctx, client.episodeId), daysLater(6));
  const watched = running?.lines[0]?.faults ?? [];
  expect(watched.filter((w) => w.wasSeen).map((w) => w.id)).toEqual(["knee_in"]);
  expect(watched.some((w) => w.endsSet)).toBe(false);
});

test("what endangers the client ends the line here too, whatever the tablet shows", async () => {
  const { client } = await plannedClient(
    clinic,
    {
      rules: [
        {
          conditionId: "lumbar_disc_flexion",
          variantId: "back_only",
          phaseId: "build",
          beganOn: "2026-01-05",
        },
      ],
    },
    [squats(), hold()],
  );
  await runVisit(clinic, client, {
    faults: (l) => (l.kind === "holds" ? [] : [{ id: "back_rounds", fromRep: 3 }]),
  });
  const records = (await newest(client))?.records ?? [];
  const ofSquat = records.filter((r) => r.exerciseId === "half_squat");
  expect(ofSquat.map((r) => [r.setNo, r.early])).toEqual([[1, "position"]]);
  expect(records.length).toBeGreaterThan(1);
});
