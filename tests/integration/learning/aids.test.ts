import { randomUUID } from "node:crypto";
import { templateOf } from "@/core/equipment/templates";
import type { Aid } from "@/core/selection/setUp/aid";
import type { LogEntry } from "@/core/visit/visitEvent";
import type { ClientEpisode } from "@/server/client/clients";
import { addMachine } from "@/server/clinic/machines";
import { visitDrafts } from "@/server/decide/decisionDrafts";
import { sheetFacts } from "@/server/facts/sheetFacts";
import { sheetsOf } from "@/server/versions/sheets";
import { linesOfToday } from "@/server/visits/linesOfToday";
import { openVisit } from "@/server/visits/running";
import {
  closeConnections,
  daysLater,
  enterMorning,
  logOf,
  makeClinic,
  openedVisit,
  plannedClient,
  sendLog,
  type TestClinic,
  takeAll,
} from "../../support/clinic";
import { KNEE, STRAIGHT, sheetLineOf } from "../../support/lines";

let clinic: TestClinic;
beforeAll(async () => {
  clinic = await makeClinic();
  await clinic.as("therapist", (ctx) => addMachine(ctx, randomUUID(), templateOf("seated_press")));
});
afterAll(closeConnections);

const WRAP = { worn: "tight_wrap", help: "none" } as const;

/** A visit whose every set of the line is done with this on, and a good morning; the load that was really set. */
async function lived(client: ClientEpisode, day: number, worn: Aid | null): Promise<number | null> {
  const at = daysLater(day);
  const visitId = await openedVisit(clinic, client, at);
  const open = await clinic.as("trainer", (ctx) => openVisit(ctx, client.episodeId), at);
  const lineId = open?.lines[0]?.lineId ?? "";
  const log = await logOf(clinic, client, at, { reserve: 3, pain: 0, painAtEnd: 0 });
  const put: LogEntry[] = worn ? [{ type: "aid", lineId, ...worn, at: log[0]?.at ?? 0 }] : [];
  await sendLog(clinic, visitId, [...put, ...log]);
  await enterMorning(clinic, client, visitId, daysLater(day + 1, 7), { pain: 0, swelling: 0 });
  return open?.lines[0]?.sets.find((s) => s.role === "work")?.loadKg ?? null;
}

test("a wrapped load is learnt apart, holds the line that was planned without, and is not offered unwrapped (Aid 1, 2)", async () => {
  const { client } = await plannedClient(clinic, { rules: [KNEE] }, [sheetLineOf("lp_horizontal", STRAIGHT)]);
  const known = (at: Date) =>
    clinic.as("therapist", async (ctx) => (await sheetFacts(ctx, client)).choose.strength.extension, at);
  const before = await known(daysLater(0));
  await lived(client, 0, WRAP);
  const [draft] = await clinic.as("therapist", (ctx) => visitDrafts(ctx, client), daysLater(1, 8));
  expect(draft?.lines[0]?.done.moreAid).toEqual(WRAP);
  expect(draft?.lines[0]?.decision).toMatchObject({ action: "HOLD", rules: expect.arrayContaining(["H15"]) });
  const after = await known(daysLater(1, 8));
  expect(Object.keys(after.stations)).toEqual([expect.stringContaining("+tight_wrap")]);
  expect(after.peak.mean).toBe(before.peak.mean);
});

test("less of what was held on to is the next step, is planned so on the floor, and the load stays (P3)", async () => {
  const { client } = await plannedClient(clinic, { rules: [KNEE] }, [sheetLineOf("lp_horizontal", STRAIGHT)]);
  const HAND = { worn: "none", help: "one_hand" } as const;
  let found = null as string | null;
  for (let day = 0; day < 30 && found === null; day += 3) {
    await lived(client, day, HAND);
    const draft = await takeAll(clinic, client, daysLater(day + 1, 8));
    const first = draft?.lines[0];
    const changes = first?.decision.action === "PROGRESS" ? first.next.PROGRESS.changes : [];
    found = changes.some((c) => c.code === "help") ? "found" : null;
  }
  expect(found).toBe("found");
  const open = await clinic.as(
    "trainer",
    async (ctx) => {
      const [sheet] = await sheetsOf(ctx, client.episodeId);
      return sheet ? { plan: sheet.lines[0]?.plan, lines: await linesOfToday(ctx, client, sheet) } : null;
    },
    daysLater(32),
  );
  expect(open?.plan?.help).toBe("fingertips");
  expect(open?.lines[0]?.aid).toEqual({ worn: "none", help: "fingertips" });
});
