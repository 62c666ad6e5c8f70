import type { KeptLine } from "@/core/sheet/line/keptLine";
import type { ClientEpisode } from "@/server/client/clients";
import { unseenConcerns } from "@/server/decide/concerns";
import { visitDrafts } from "@/server/decide/decisionDrafts";
import { kneeBarred } from "@/server/decide/kneeDay";
import { regionsAsked } from "@/server/history/regions";
import { openVisit } from "@/server/visits/running";
import {
  closeConnections,
  daysLater,
  enterMorning,
  hold,
  makeClinic,
  openedVisit,
  owner,
  plannedClient,
  runVisit,
  squats,
  type TestClinic,
} from "../../support/clinic";
import { KNEE } from "../../support/lines";

let clinic: TestClinic;
beforeAll(async () => {
  clinic = await makeClinic();
});
afterAll(closeConnections);

const BACK = "back_low" as const;
/** A knee with squats, which load the back, and holds, which do not; the back is followed where it is said. */
async function kneeAndBack(followed: { usual: number; most: number | null } | null) {
  const { client } = await plannedClient(clinic, { rules: [KNEE] }, [squats(), hold()]);
  const regions = JSON.stringify(followed ? [{ region: BACK, ...followed }] : []);
  await owner`update episode set regions = ${regions}::text::jsonb where id = ${client.episodeId}`;
  return client;
}
const inSquats = (pain: number) => (l: KeptLine) =>
  l.exerciseId === "half_squat" ? [{ region: BACK, pain }] : [];

/** A visit in which the back hurts so much in squats, the morning after it, and what is drafted. */
async function lived(client: ClientEpisode, pain: number, morning: number) {
  const at = daysLater(0);
  const visitId = await runVisit(clinic, client, { at, elsewhere: inSquats(pain), pain: 1, painAtEnd: 1 });
  const concerns = await clinic.as("therapist", (ctx) => unseenConcerns(ctx, client), at);
  const asked = await clinic.as("trainer", (ctx) => regionsAsked(ctx, client.episodeId, visitId), at);
  await enterMorning(clinic, client, visitId, daysLater(1, 7), {
    ...{ pain: 1, swelling: 0, regions: [{ region: BACK, pain: morning }] },
  });
  return clinic.as(
    "therapist",
    async (ctx) => {
      const [draft] = await visitDrafts(ctx, client);
      return {
        concerns: concerns.map((c) => c.what),
        asked,
        lines: draft?.lines.map((l) => [l.kept.exerciseId, l.decision.action, l.decision.rules.join()]),
        barred: await kneeBarred(ctx, client),
      };
    },
    daysLater(1, 8),
  );
}

test("a back that complains in a knee line steps that line back and no other, and bars no sheet (Region 3)", async () => {
  const client = await kneeAndBack({ usual: 1, most: 3 });
  const { lines, barred, asked, concerns } = await lived(client, 5, 1);
  expect(lines?.[0]).toEqual(["half_squat", "REGRESS", "R11"]);
  expect(lines?.[1]?.[0]).toBe("kext_iso_machine");
  expect(["HOLD", "PROGRESS"]).toContain(lines?.[1]?.[1]);
  expect(lines?.[1]?.[2]).not.toMatch(/R11|H14/);
  expect({ barred, asked, concerns }).toMatchObject({ barred: null, asked: [BACK] });
  // the line ended at its bound: the visit says so as any line that ended
  expect(concerns).toEqual([expect.objectContaining({ kind: "stop" })]);
});

test("the next morning of a followed region is its lines' matter alone (Region 3)", async () => {
  const { lines } = await lived(await kneeAndBack({ usual: 1, most: null }), 1, 4);
  expect(lines?.[0]).toEqual(["half_squat", "REGRESS", "R11"]);
  expect(lines?.[1]?.[2]).not.toMatch(/R11|H14/);
});

test("a region that nobody follows is told, asked the morning after, and decided by a usual of none (Region 4)", async () => {
  const { lines, concerns, asked } = await lived(await kneeAndBack(null), 2, 1);
  expect(concerns).toEqual([{ kind: "elsewhere", region: BACK, pain: 2 }]);
  expect(asked).toEqual([BACK]);
  expect(lines?.[0]?.slice(1)).toEqual(["HOLD", expect.stringContaining("H14")]);
});

test("only lines that load a followed region ask for it, with its bound (Region 2)", async () => {
  const client = await kneeAndBack({ usual: 1, most: 3 });
  await openedVisit(clinic, client);
  const open = await clinic.as("trainer", (ctx) => openVisit(ctx, client.episodeId));
  expect(open?.lines.map((l) => l.regions)).toEqual([[{ region: BACK, most: 3 }], []]);
});
