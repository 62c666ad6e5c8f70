import type { CaseloadView } from "@/core/desk/caseloadView";
import { type ClientEpisode, clientEpisode } from "@/server/client/clients";
import { changes, recordOf } from "@/server/client/record";
import { closeEpisode } from "@/server/client/story";
import { CASELOAD_PAGE_ROWS, type CaseloadPage, caseload } from "@/server/day/caseload";
import {
  closeConnections,
  daysLater,
  makeClient,
  makeClinic,
  owner,
  plannedClient,
  runVisit,
  type TestClinic,
} from "../../support/clinic";

let clinic: TestClinic;
beforeAll(async () => {
  clinic = await makeClinic();
});
afterAll(closeConnections);

const see = (view: Partial<CaseloadView>): Promise<CaseloadPage> =>
  clinic.as("therapist", (ctx) =>
    caseload(ctx, { q: "", show: "open", sort: "name", down: false, hand: false, page: 1, ...view }),
  );

interface PlanNode {
  "Relation Name"?: string;
  "Actual Rows": number;
  "Actual Loops": number;
  "Rows Removed by Filter"?: number;
  Plans?: PlanNode[];
}
const nodesOf = (n: PlanNode): PlanNode[] => [n, ...(n.Plans ?? []).flatMap(nodesOf)];

test("a page of changes reads what belongs to the client, however much the clinic has", async () => {
  const client = await makeClient(clinic);
  const { personId } = clinic.actors.therapist;
  const write = (subject: string, many: number, deed: string) => owner`
    insert into audit (clinic_id, at, person_id, deed, subject, subject_id)
    select ${clinic.id}, now(), ${personId}, ${deed}, 'client', ${subject}::uuid from generate_series(1, ${many})`;
  // long ago 150 of this client, since then a great many of others
  await write(client.clientId, 150, "made.up");
  for (let i = 0; i < 4; i++) await write(clinic.id, 10_000, "other");
  await owner`analyze audit`;
  const explained = await clinic.as(
    "therapist",
    (ctx) => ctx.tx`explain (analyze, format json) ${changes(ctx, client.clientId, null)}`,
  );
  const read = explained
    .flatMap((r) => r["QUERY PLAN"] as { Plan: PlanNode }[])
    .flatMap((p) => nodesOf(p.Plan))
    .filter((n) => n["Relation Name"] === "audit")
    .reduce((sum, n) => sum + n["Actual Loops"] * (n["Actual Rows"] + (n["Rows Removed by Filter"] ?? 0)), 0);
  expect(read).toBeGreaterThan(0);
  expect(read).toBeLessThan(500);
  // and page after page gives all of it, once
  const seen: number[] = [];
  for (let before: number | null = null; ; ) {
    const page = await clinic.as("therapist", (ctx) => recordOf(ctx, client.clientId, before));
    if (page.length === 0) break;
    seen.push(...page.filter((e) => e.deed === "made.up").map((e) => e.id));
    before = page.at(-1)?.id ?? null;
  }
  expect(seen).toHaveLength(150);
  expect(new Set(seen).size).toBe(150);
  expect(seen).toEqual(seen.toSorted((a, b) => b - a));
});

test("the caseload comes a page at a time, and who is closed only on request", async () => {
  const many = CASELOAD_PAGE_ROWS + 5;
  const made: ClientEpisode[] = [];
  for (let i = 0; i < many; i++)
    made.push(await makeClient(clinic, { name: `Page ${String(i).padStart(3, "0")}` }));
  const first = await see({ q: "page " });
  expect(first).toMatchObject({ found: many, page: 1, pages: 2 });
  expect(first.rows).toHaveLength(CASELOAD_PAGE_ROWS);
  const second = await see({ q: "page ", page: 2 });
  expect([...first.rows, ...second.rows].map((r) => r.name)).toEqual(made.map((c) => c.name));
  // a page that does not exist is the last one; backwards begins at the end
  expect((await see({ q: "page ", page: 99 })).rows).toEqual(second.rows);
  expect((await see({ q: "page ", down: true })).rows[0]?.name).toBe(made.at(-1)?.name);
  const gone = await clinic.as("therapist", (ctx) => clientEpisode(ctx, made[0]?.clientId ?? ""));
  await clinic.as("therapist", (ctx) =>
    closeEpisode(ctx, gone, { version: gone.version, because: "goals reached" }),
  );
  expect((await see({ q: gone.name })).found).toBe(0);
  expect((await see({ q: gone.name, show: "closed" })).rows).toMatchObject([
    { isOpen: false, href: `/clients/${gone.clientId}/episodes` },
  ]);
  expect((await see({ q: "page ", show: "all" })).found).toBe(many);
});

test("who was never seen stands last both ways, who needs a hand is found alone, and nobody of another clinic ever", async () => {
  const own = await makeClinic();
  const seen: ClientEpisode[] = [];
  for (const [name, at] of [
    ["Anna", daysLater(0)],
    ["Bela", daysLater(2)],
  ] as const) {
    const { client } = await plannedClient(own, { name });
    await runVisit(own, client, { at });
    seen.push(client);
  }
  await makeClient(own, { name: "Cora", isScreened: false });
  const names = async (view: Partial<CaseloadView>) =>
    (
      await own.as(
        "therapist",
        (ctx) =>
          caseload(ctx, { q: "", show: "open", sort: "name", down: false, hand: false, page: 1, ...view }),
        daysLater(4),
      )
    ).rows.map((r) => r.name);
  expect(await names({})).toEqual(["Anna", "Bela", "Cora"]);
  expect(await names({ down: true })).toEqual(["Cora", "Bela", "Anna"]);
  expect(await names({ sort: "lastOn" })).toEqual(["Anna", "Bela", "Cora"]);
  expect(await names({ sort: "lastOn", down: true })).toEqual(["Bela", "Anna", "Cora"]);
  expect(await names({ q: "  bEL" })).toEqual(["Bela"]);
  expect(await names({ q: "a%" })).toEqual([]);
  // the mornings of both are not known: somebody has to ask; who was never screened waits for that
  const hand = await names({ hand: true });
  expect(hand).toEqual(expect.arrayContaining(["Anna", "Bela"]));
  expect(await names({ show: "closed" })).toEqual([]);
});
