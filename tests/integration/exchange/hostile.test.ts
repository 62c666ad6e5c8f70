import { createHash, randomUUID } from "node:crypto";
import { deflateRawSync } from "node:zlib";
import { makeZip } from "client-zip";
import { z } from "zod";
import type { ClientFile } from "@/core/exchange/clientFile";
import { type Arrived, PART_BYTES, PIECE_BYTES } from "@/core/exchange/pieces";
import { clientFileOf } from "@/server/exchange/clientOut";
import { clientIdsOf } from "@/server/exchange/clinicOut";
import { csvText } from "@/server/exchange/csvText";
import {
  announce,
  arrived,
  confirmImport,
  importById,
  type StoredImport,
  takePiece,
  undoImport,
} from "@/server/exchange/imports";
import { fits } from "@/server/exchange/jsonIn";
import type { ImportKind } from "@/server/exchange/plansOf";
import { pieceOf } from "@/server/exchange/uploads";
import { sayPlainly } from "@/words/say";
import {
  closeConnections,
  daysLater,
  hold,
  makeClinic,
  owner,
  plannedClient,
  runVisit,
  type TestClinic,
} from "../../support/clinic";
import { readIn, readInto } from "../../support/files";

const LATER = daysLater(20);
let clinic: TestClinic;
let other: TestClinic;
let good: ClientFile;
beforeAll(async () => {
  clinic = await makeClinic();
  other = await makeClinic();
  const { client } = await plannedClient(clinic, {}, [hold()]);
  await runVisit(clinic, client);
  good = await clinic.as("therapist", (ctx) => clientFileOf(ctx, client.clientId), LATER);
}, 60_000);
afterAll(closeConnections);

const said = async (kind: ImportKind, content: string | Uint8Array) =>
  (await readInto(other, kind, content)).summary?.problems
    .map((p) => `${p.at}: ${sayPlainly(p.said)}`)
    .join("\n") ?? "";
const changed = (change: (f: ClientFile) => void): string => {
  const copy = structuredClone(good);
  change(copy);
  return JSON.stringify(copy);
};
/** A zip by hand, so that it can lie: stored or deflated, with the size it claims. */
function zipOf(name: string, content: Buffer, claimed = content.length): Uint8Array {
  const packed = deflateRawSync(content);
  const crc = require("node:zlib").crc32?.(content) ?? 0;
  const n = Buffer.from(name);
  const head = (signature: number, extra: number) => {
    const b = Buffer.alloc(extra);
    b.writeUInt32LE(signature, 0);
    return b;
  };
  const local = head(0x04034b50, 30);
  local.writeUInt16LE(20, 4);
  local.writeUInt16LE(8, 8);
  local.writeUInt32LE(crc, 14);
  local.writeUInt32LE(packed.length, 18);
  local.writeUInt32LE(claimed, 22);
  local.writeUInt16LE(n.length, 26);
  const central = head(0x02014b50, 46);
  central.writeUInt16LE(20, 4);
  central.writeUInt16LE(20, 6);
  central.writeUInt16LE(8, 10);
  central.writeUInt32LE(crc, 16);
  central.writeUInt32LE(packed.length, 20);
  central.writeUInt32LE(claimed, 24);
  central.writeUInt16LE(n.length, 28);
  const end = head(0x06054b50, 22);
  end.writeUInt16LE(1, 8);
  end.writeUInt16LE(1, 10);
  end.writeUInt32LE(central.length + n.length, 12);
  end.writeUInt32LE(local.length + n.length + packed.length, 16);
  return Buffer.concat([local, n, packed, central, n, end]);
}

test("a client's file that does not hold together is refused at the place, and nothing of it is written", async () => {
  expect(await said("client", "{")).toMatch(/not JSON/);
  expect(await said("client", "[".repeat(100_000))).toMatch(/nested deeper/);
  expect(await said("client", new Uint8Array([0xff, 0xfe, 0x41, 0x00]))).toMatch(/UTF-8/);
  expect(await said("client", JSON.stringify({ format: "bexlo-client", version: 2 }))).toMatch(/version/);
  expect(
    await said(
      "client",
      changed((f) => f.rows.set_record.push(structuredClone(f.rows.set_record[0]) as never)),
    ),
  ).toMatch(/rows\.set_record\.\d+: This row's id is there twice/);
  expect(
    await said(
      "client",
      changed((f) => Object.assign(f.rows.visit[0] ?? {}, { episode_id: randomUUID() })),
    ),
  ).toMatch(/rows\.visit\.0\.episode_id: It names a row of “episode” that is not in this file/);
  expect(
    await said(
      "client",
      changed((f) => Object.assign(f.rows.set_record[0] ?? {}, { load_kg: 5000 })),
    ),
  ).toMatch(/rows\.set_record\.0\.load_kg/);
  expect(
    await said(
      "client",
      changed((f) => Object.assign(f.rows.set_record[0] ?? {}, { clinic_id: clinic.id })),
    ),
  ).toMatch(/Nothing of this name belongs here: clinic_id/);
  expect(
    await said(
      "client",
      changed((f) => Object.assign(f.rows.client[0] ?? {}, { name: "a\u0000b" })),
    ),
  ).toMatch(/cannot be kept/);
  expect(
    await said(
      "client",
      changed((f) => f.rows.episode_condition.push(good.rows.episode[0] as never)),
    ),
  ).toMatch(/episode_condition/);
  expect(await other.as("admin", clientIdsOf, LATER)).toEqual([]);
});

test("ids of another clinic are never used: what comes in has ids of its own, and the other clinic's rows stay as they are", async () => {
  const [before] = await owner`select count(*)::int as n from visit where clinic_id = ${clinic.id}`;
  // somebody of the other clinic is named, and a machine of it
  const draft = await readInto(other, "client", JSON.stringify(good));
  expect(draft.summary?.problems).toEqual([]);
  await other.as("therapist", (ctx) => confirmImport(ctx, draft.id), LATER);
  const rows = await owner`
    select v.id, v.started_by, p.clinic_id, p.role from visit v join person p on p.id = v.started_by where v.clinic_id = ${other.id}`;
  expect(rows).toHaveLength(1);
  expect(rows[0]).toMatchObject({ clinic_id: other.id, role: "past" });
  expect(good.rows.visit.map((v) => v.id)).not.toContain(rows[0]?.id);
  const [after] = await owner`select count(*)::int as n from visit where clinic_id = ${clinic.id}`;
  expect(after).toEqual(before);
  // somebody named in a file cannot sign in
  const [who] = await owner`select password_hash from person where id = ${rows[0]?.started_by}`;
  expect(who?.password_hash).toBe("none");
});

test("archives that are bombs, lie, climb out of their folder or are none at all are stopped early", async () => {
  const started = process.memoryUsage().rss;
  expect(await said("clinic", "no zip at all")).toMatch(/damaged, or is no zip/);
  const bomb = zipOf("clients/00001/client.json", Buffer.alloc(200_000_000, 32));
  expect(bomb.length).toBeLessThan(1_000_000);
  expect(await said("clinic", bomb)).toMatch(/unpack to more/);
  expect(await said("clinic", zipOf("clients/00001/client.json", Buffer.alloc(5_000_000, 32), 100))).toMatch(
    /damaged/,
  );
  expect(await said("clinic", zipOf("../../client.json", Buffer.from("{}")))).toMatch(/damaged/);
  expect(await said("clinic", zipOf("holiday.txt", Buffer.from("hello")))).toMatch(
    /neither a clinic nor a client/,
  );
  const twice = new Uint8Array(
    await new Response(
      makeZip(
        [1, 2].map((i) => ({
          name: `clients/0000${i}/client.json`,
          lastModified: LATER,
          input: changed((f) => Object.assign(f.rows.client[0] ?? {}, { name: "Other Name" })),
        })),
      ),
    ).arrayBuffer(),
  );
  const third = await makeClinic();
  const draft = await readInto(third, "clinic", twice);
  expect(draft.summary?.problems.map((p) => sayPlainly(p.said)).join()).toMatch(/already|stands in/);
  // a bomb of 200 MB never lay in memory as a whole
  expect(process.memoryUsage().rss - started).toBeLessThan(400_000_000);
}, 60_000);

test("a file that is too long is refused before it comes, a piece while it comes, a table with too many lines by its draft", async () => {
  const huge = { id: randomUUID(), kind: "csv_clients" as const, fileName: "huge.csv", bytes: 9_000_000 };
  await expect(other.as("therapist", (ctx) => announce(ctx, huge), LATER)).rejects.toThrow(
    /larger than 8 MB/,
  );
  let asked = 0;
  async function* endless(): AsyncGenerator<Uint8Array> {
    for (;;) {
      asked += 1;
      yield new Uint8Array(1_000_000).fill(65);
    }
  }
  await expect(pieceOf(endless())).rejects.toThrow(/too long/);
  expect(asked).toBeLessThan(10);
  const lines = ["name,birth year", ...Array.from({ length: 20_010 }, (_, i) => `a${i},1970`)].join("\n");
  expect(await said("csv_clients", lines)).toMatch(/20000 lines/);
  expect(await said("csv_tests", `name,birth year,day,what,side,value,unit\n${"x,".repeat(3)}\n`)).toMatch(
    /line 2/,
  );
});

test("the same id with another file is refused; the same file is one", async () => {
  const id = randomUUID();
  const text = JSON.stringify(good);
  const send = (content: string, fileName = "one.json", to = other) =>
    to.as("therapist", (ctx) => readIn(ctx, { id, kind: "client", fileName }, Buffer.from(content)), LATER);
  const piece = (content: string) =>
    other.as("therapist", (ctx) => takePiece(ctx, id, 0, Buffer.from(content)), LATER);
  await send(text);
  await send(text);
  await piece(text);
  for (const [content, name] of [
    [text.slice(0, -1), "one.json"],
    [text, "two.json"],
  ] as const)
    await expect(send(content, name)).rejects.toThrow(/read in under this id before/);
  // as long as the first, and not the same
  await expect(piece(text.replace('"version":1', '"version":2'))).rejects.toThrow(/under this id before/);
  await expect(send(text, "one.json", clinic)).rejects.toThrow(/could not be kept under its id/);
  expect(await owner`select 1 from import where id = ${id}`).toHaveLength(1);
});

describe("a file in pieces", () => {
  const content = Buffer.from(`${JSON.stringify({ format: "bexlo-machines", version: 1, machines: [] })}`);
  // blanks at the end are no part of what JSON says
  const long = Buffer.concat([content, Buffer.alloc(2 * PIECE_BYTES, 32)]);
  const file = () => ({
    id: randomUUID(),
    kind: "machines" as const,
    fileName: "m.json",
    bytes: long.length,
  });
  const as = <T>(work: Parameters<TestClinic["as"]>[1]) => other.as("therapist", work, LATER) as Promise<T>;
  const cut = (from: number) => long.subarray(from, from + PIECE_BYTES);

  test("goes on after a break where it was, shows whether another is the same, and is a draft when all is here", async () => {
    const f = file();
    expect(await as((ctx) => announce(ctx, f))).toEqual({ haveBytes: 0 });
    expect(await as((ctx) => takePiece(ctx, f.id, 0, cut(0)))).toEqual({ haveBytes: PIECE_BYTES });
    // the answer was lost: sent again it is kept once
    expect(await as((ctx) => takePiece(ctx, f.id, 0, cut(0)))).toEqual({ haveBytes: PIECE_BYTES });
    expect(await as((ctx) => importById(ctx, f.id))).toMatchObject({
      state: "arriving",
      haveBytes: PIECE_BYTES,
      summary: null,
    });
    expect(await as((ctx) => announce(ctx, f))).toEqual({ haveBytes: PIECE_BYTES });
    const { digests } = await as<Arrived>((ctx) => arrived(ctx, f.id));
    expect(digests).toHaveLength(PIECE_BYTES / PART_BYTES);
    expect(digests[0]).toBe(createHash("sha256").update(long.subarray(0, PART_BYTES)).digest("hex"));
    await expect(as((ctx) => confirmImport(ctx, f.id))).rejects.toThrow(/no draft/);
    for (const from of [PIECE_BYTES, 2 * PIECE_BYTES])
      await as((ctx) => takePiece(ctx, f.id, from, cut(from)));
    const done = await as<StoredImport>((ctx) => importById(ctx, f.id));
    expect(done).toMatchObject({ state: "draft", haveBytes: long.length });
    expect(done.summary?.problems.map((p) => p.at)).toEqual(["made_at"]);
  });

  test("takes no gap, nothing beyond its end and no odd piece, and can be thrown away half here", async () => {
    const f = file();
    await as((ctx) => announce(ctx, f));
    const put = (from: number, piece: Buffer) => as((ctx) => takePiece(ctx, f.id, from, piece));
    await expect(put(PIECE_BYTES, cut(PIECE_BYTES))).rejects.toThrow(/missing before/);
    await expect(put(0, long.subarray(0, 100))).rejects.toThrow(/does not fit/);
    await put(0, cut(0));
    await put(PIECE_BYTES, cut(PIECE_BYTES));
    await expect(put(2 * PIECE_BYTES, cut(0))).rejects.toThrow(/does not fit/);
    await expect(as((ctx) => undoImport(ctx, f.id, "draft"))).rejects.toThrow(/another step/);
    await as((ctx) => undoImport(ctx, f.id, "arriving"));
    expect(await owner`select 1 from import_part where import_id = ${f.id}`).toHaveLength(0);
    expect(await as((ctx) => importById(ctx, f.id))).toMatchObject({ state: "thrown_away" });
  });
});

test("a file of wrong rows is given up after the first hundred, and others have their turn while rows are looked at", async () => {
  let looked = 0;
  const row = z.object({ a: z.number() }).superRefine(() => {
    looked += 1;
  });
  const counted = z.preprocess((x) => {
    looked += 1;
    return x;
  }, row);
  const tables = { many: { row: counted } };
  const wrong = { rows: { many: Array.from({ length: 50_000 }, () => ({ a: "1" })) } };
  const found = await fits(z.any(), wrong, "", { tables, in: "rows", most: 100_000 });
  expect("problems" in found && found.problems).toHaveLength(100);
  expect("problems" in found && found.problems[99]?.at).toBe("rows.many.99.a");
  expect(looked).toBeLessThanOrEqual(200);
  let turns = 0;
  const others = setInterval(() => {
    turns += 1;
  }, 0);
  const many = (length: number) => ({ rows: { many: Array.from({ length }, (_, a) => ({ a })) } });
  looked = 0;
  const schema = z.object({ rows: z.object({ many: z.array(counted).min(1).max(50_000) }) });
  const rows = { tables, in: "rows" as const, most: 50_000 };
  const right = await fits(schema, many(40_000), "", rows);
  clearInterval(others);
  expect(turns).toBeGreaterThan(1);
  // every row is there, and was read once but for the two that show the schema what the list is
  expect("data" in right && right.data.rows.many).toEqual(many(40_000).rows.many);
  expect(looked).toBe(2 * 40_002);
  expect(await fits(schema, many(50_001), "", rows)).toHaveProperty("problems.0.at", "rows.many");
  expect(await fits(schema, many(0), "", rows)).toHaveProperty("problems.0.at", "rows.many");
});

test("what a spreadsheet would take for a formula goes out as text, numbers as numbers", () => {
  const text = csvText({
    name: "x",
    columns: ["a", "b"],
    rows: [
      ["=1+1", -5],
      ["@sum", 2.5],
      ["＝cmd", null],
      ["plain", 0],
    ],
  });
  expect(text).toBe(`a,b\r\n"'=1+1",-5\r\n"'@sum",2.5\r\n'＝cmd,\r\nplain,0`);
});
