import type { Block, PaperDoc } from "@/core/paper/doc";
import type { PaperInput } from "@/core/paper/paperInput";
import { chooseLanguage } from "@/server/client/language";
import { paperOf } from "@/server/papers/papers";
import {
  type ClientOptions,
  closeConnections,
  hold,
  makeClinic,
  owner,
  plannedClient,
  squats,
  type TestClinic,
} from "../../support/clinic";

let clinic: TestClinic;
beforeAll(async () => {
  clinic = await makeClinic();
});
afterAll(closeConnections);

const ASKED: PaperInput = {
  kind: "sheet",
  size: null,
  sheetId: null,
  episodeId: null,
  to: "",
  questions: "",
};
type Kind = "sheet" | "card" | "letter" | "summary";
const make = (
  by: "therapist" | "trainer" | "admin",
  clientId: string,
  kind: Kind,
  over: Partial<PaperInput> = {},
) => clinic.as(by, (ctx) => paperOf(ctx, clientId, { ...ASKED, ...over, kind }));
const words = (doc: PaperDoc): string => JSON.stringify(doc.blocks);
const RULES = (conditionId: string, variantId: string, phaseId: string): ClientOptions => ({
  rules: [{ conditionId, variantId, phaseId, beganOn: "2025-11-01" }],
});

test("a client's sheet says what to set, how it is done, what to wear, and nobody else's advice", async () => {
  const { client } = await plannedClient(clinic, {}, [hold(), squats()]);
  await owner`update episode set support = 'tight_wrap' where id = ${client.episodeId}`;
  const sheet = await make("trainer", client.clientId, "sheet");
  expect(sheet.title).toBe("Gym");
  const lines = sheet.blocks.filter((b): b is Extract<Block, { kind: "exercise" }> => b.kind === "exercise");
  expect(lines.map((l) => l.name)).toEqual([
    "1. Isometric knee extension at a fixed angle on the machine",
    expect.stringMatching(/^2\. /),
  ]);
  for (const l of lines) expect(l.lines).toContain("Wear: wrap on for the set, off after it.");
  expect(words(sheet)).toContain("Set: ");
  // no ligament, no fracture: their advice is not on this paper
  const card = await make("trainer", client.clientId, "card");
  for (const doc of [sheet, card]) expect(words(doc)).not.toMatch(/ACL|PCL|Fracture:/);
  expect(words(card)).toContain("wrap on for the set, off after it");
});

test("a client's sheet is in the client's language; what the clinic set stays as it is", async () => {
  const { client } = await plannedClient(clinic, {}, [hold(), squats()]);
  const choose = (by: "therapist" | "trainer" | "admin") =>
    clinic.as(by, (ctx) => chooseLanguage(ctx, client, "de"));
  await expect(choose("admin")).rejects.toThrow(/chooses the language/);
  await choose("trainer");
  await choose("trainer");
  const said = words(await make("trainer", client.clientId, "sheet"));
  expect(said).toContain("1. Kniestrecken halten, fester Winkel an der Maschine");
  expect(said).toContain("Wenn es weh tut");
  expect(said).toContain("den Notruf rufen");
  expect(said).not.toMatch(/ of 10|You need|seconds|Chest pain/);
  // the card at the machine is for who works there
  expect(words(await make("trainer", client.clientId, "card"))).toContain("at most");
  const changes = await owner`select before, after from audit
    where deed = 'language.choose' and subject_id = ${client.clientId}`;
  expect(changes).toEqual([{ before: { language: "en" }, after: { language: "de" } }]);
});

test("the same exercise for a torn ligament carries its advice on the card", async () => {
  const items = [hold({ exerciseId: "kext_single" })];
  const own = await plannedClient(clinic, RULES("acl_deficient", "base", "return"), items);
  const other = await plannedClient(clinic, {}, [hold({ exerciseId: "kext_single" })]);
  expect(words(await make("therapist", other.client.clientId, "card"))).not.toMatch(/ACL/);
  const card = words(await make("therapist", own.client.clientId, "card"));
  expect(card).toMatch(/ACL graft or ACL-deficient: move it higher/);
  expect(card).not.toMatch(/PCL: keep it LOW|Fracture:/);
});

test("only a therapist writes a letter, and every paper that is made stands in the record", async () => {
  const { client } = await plannedClient(clinic, RULES("acl_reconstruction", "hamstring_graft", "p3"));
  const letter = { to: "Dr Made Up", questions: "May the brace come off?" };
  for (const by of ["trainer", "admin"] as const)
    await expect(make(by, client.clientId, "letter", letter)).rejects.toThrow(/Only a therapist writes/);
  const doc = await make("therapist", client.clientId, "letter", letter);
  expect(words(doc)).not.toMatch(/\[object|undefined|\(\)|\b[a-z]+,[a-z]+\b/);
  expect(words(doc)).toMatch(/knee bend under load \d+° to \d+° \(phase\);/);
  expect(words(doc)).toContain("May the brace come off?");
  await make("admin", client.clientId, "summary");
  const made = await owner`select after ->> 'paper' as paper from audit
    where deed = 'paper.make' and subject_id = ${client.clientId} order by id`;
  expect(made.map((r) => r.paper)).toEqual(["letter", "summary"]);
});

test("without a sheet there is no paper of one, and it says what to do", async () => {
  const { client } = await plannedClient(clinic);
  await owner`update sheet set retired_at = now() where episode_id = ${client.episodeId}`;
  await expect(make("therapist", client.clientId, "sheet")).rejects.toThrow(/plan one in Dose first/);
});
