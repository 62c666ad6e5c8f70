import { sayPlainly } from "@/words/say";
import { clientFileOf, idOf, MAKING, READER } from "../testdata/clientFileOf";
import { CLIENT_TABLES, type ClientFile, clientFile, type FileRow, looseEnds } from "./clientFile";
import { fhirBundle } from "./fhir/bundle";
import { nameless } from "./nameless";
import { emptyPlan, together } from "./plan";

const FILE = clientFileOf();
const episodeId = FILE.rows.episode[0]?.id ?? "";
const recheck = (what: string): ClientFile["rows"]["recheck"][number] => ({
  ...{ id: idOf("recheck"), episode_id: episodeId, at: MAKING.at, answered_by: READER, is_clear: false },
  ...{ what, clears: null, visit_id: null },
});

test("a made-up client fits the format; a kind of row that nobody knows does not", () => {
  expect(clientFile.safeParse(FILE).error?.issues).toBeUndefined();
  expect(clientFile.safeParse({ ...FILE, rows: { ...FILE.rows, secrets: [] } }).success).toBe(false);
});

test("rows that name what is not in the file, and an id that is there twice, are said with their place", () => {
  const [episode] = FILE.rows.episode;
  const rows = {
    ...FILE.rows,
    episode: [episode, episode],
    recheck: [{ ...recheck("nerve"), episode_id: idOf("another"), answered_by: idOf("nobody") }],
  } as unknown as Record<string, FileRow[]>;
  expect(looseEnds(rows, CLIENT_TABLES, FILE).map((p) => `${p.at}: ${sayPlainly(p.said)}`)).toEqual([
    "rows.episode.1: This row's id is there twice. Keep one of them.",
    "rows.recheck.0.episode_id: It names a row of “episode” that is not in this file.",
    "rows.recheck.0.answered_by: It names a row of “person” that is not in this file.",
  ]);
  expect(looseEnds(FILE.rows as unknown as Record<string, FileRow[]>, CLIENT_TABLES, FILE)).toEqual([]);
});

test("another system reads a warning sign in words, not as our code", () => {
  const found = (what: string) =>
    fhirBundle(clientFileOf({ recheck: [recheck(what)] }), { idOf, say: sayPlainly }).entry.find(
      (e) => e.resource.resourceType === "DetectedIssue",
    )?.resource.detail;
  expect(found("giving_way; nerve")).toMatch(/^giving way, locking.*; new numbness/);
  expect(found("written before signs had codes")).toBe("written before signs had codes");
  expect(found("")).toBe("Found before a visit.");
});

test("without names: no name, no free text and no id of the file is left, and everything still hangs together", () => {
  const told = clientFileOf(
    { recheck: [recheck("Ida fell on Mill Street")] },
    { goal: "walk to Mill Street" },
  );
  const left = nameless(told, (id) => idOf(`new ${id}`));
  const text = JSON.stringify(left);
  for (const word of [
    "Ida",
    "Fernhollow",
    "Mill Street",
    "Test clinic",
    "Test therapist",
    "stiff knee",
    episodeId,
  ])
    expect(text).not.toContain(word);
  expect(left.rows.client[0]).toMatchObject({ birth_year: 1960, height_m: 1.7 });
  expect(looseEnds(left.rows as unknown as Record<string, FileRow[]>, CLIENT_TABLES, left)).toEqual([]);
});

test("plans of several files are one, and what should be known is said once", () => {
  const note = { code: "exchange.past_visits" };
  const one = {
    ...emptyPlan([{ at: "line 2", said: "wrong" }]),
    notes: [note],
    people: [{ id: READER, name: "A" }],
  };
  const all = together([one, { ...one, notes: [{ ...note }, "another"] }]);
  expect(all.notes).toEqual([note, "another"]);
  expect(all.people).toHaveLength(1);
  expect(all.problems).toHaveLength(2);
});
