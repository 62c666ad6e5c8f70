import type { MarkerScores } from "@/core/story/markers";
import { orderSchool } from "@/server/facts/sheetFacts";
import { recentVisits } from "@/server/history/visits";
import {
  closeConnections,
  daysLater,
  hold,
  logOf,
  makeClinic,
  openedVisit,
  plannedClient,
  sendLog,
  squats,
  type TestClinic,
  takeAll,
} from "../../support/clinic";
import { KNEE } from "../../support/lines";

let clinic: TestClinic;
beforeAll(async () => {
  clinic = await makeClinic();
});
afterAll(closeConnections);

/** Visits of a sheet, day after day, the half squat scored before and after each; where holds belong at the end. */
async function lived(items: Parameters<typeof plannedClient>[2], scores: readonly [number, number][]) {
  const { client } = await plannedClient(clinic, { rules: [KNEE] }, items);
  for (const [i, [before, after]] of scores.entries()) {
    const at = daysLater(3 * i);
    const visitId = await openedVisit(clinic, client, at);
    const log = await logOf(clinic, client, at);
    const finish = log.pop();
    const end = finish?.at ?? at.getTime();
    await sendLog(clinic, visitId, [
      { type: "marker", kind: "half_squat", when: "before", score: before, at: at.getTime() },
      ...log,
      { type: "marker", kind: "half_squat", when: "after", score: after, at: end },
      ...(finish ? [finish] : []),
    ]);
    await takeAll(clinic, client, daysLater(3 * i + 2));
  }
  const on = daysLater(3 * scores.length);
  return clinic.as(
    "therapist",
    async (ctx) => ({
      belong: (await orderSchool(ctx, client.episodeId)).holds,
      kept: (await recentVisits(ctx, client.episodeId)).map(
        (v): readonly MarkerScores[] => v.end?.markers ?? [],
      ),
    }),
    on,
  );
}

test("a movement that holds ease twice puts them in front; what a visit without holds does tells nothing of them (Marker 1, 2)", async () => {
  const twice: [number, number][] = [
    [6, 4],
    [5, 2],
  ];
  expect(await lived([hold()], twice)).toEqual({
    belong: "front",
    kept: twice.map(([before, after]) => [{ kind: "half_squat", before, after }]),
  });
  expect((await lived([hold()], twice.slice(0, 1))).belong).toBeNull();
  expect((await lived([squats()], twice)).belong).toBeNull();
});
