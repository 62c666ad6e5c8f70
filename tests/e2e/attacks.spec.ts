import { randomUUID } from "node:crypto";
import { readdirSync } from "node:fs";
import path from "node:path";
import { expect, type Page, test } from "@playwright/test";
import { templateOf } from "../../src/core/equipment/templates";
import { clientId, post, signIn, workAs } from "./support/bexlo";
import { putTheDemoBack } from "./support/stack";

test.beforeAll(putTheDemoBack);

const BODIES = process.env.WHOLE_SIMULATION ? 10_000 : 600;

/** Every route of the app by its address, from the folders that are its routes. */
function routes(under: string, at = ""): string[] {
  return readdirSync(under, { withFileTypes: true }).flatMap((e) =>
    e.isDirectory()
      ? routes(path.join(under, e.name), `${at}/${e.name}`)
      : e.name === "route.ts"
        ? [`/api${at}`]
        : [],
  );
}

/** Words that schemas ask for, so that random bodies get past the first question. */
const FIELDS = [
  ..."id version baseVersion kind low high word origin reason endsOn replaces evenIfChanged isLifted answers questionId".split(
    " ",
  ),
  ..."answer escalations systolicMmHg diastolicMmHg onWordOf words items exerciseId scheme legs window sharesRests".split(
    " ",
  ),
  ..."plan side events event lines items scheme kneeFlexionDeg effort means pattern holdS reps restS sets ladderFromDeg trials forceN leverArmM".split(
    " ",
  ),
  ..."person episode name birthYear heightM bodyMassKg goals conditions painNow painMarks weekdays visitId lineId sheetId action".split(
    " ",
  ),
  ..."pain swelling stiffnessMin startedAt endedAt heldS painBefore painAfter seq corrects conditionRowId phaseId".split(
    " ",
  ),
  ..."machine family steps geometry settings readings email password clientId episodeId signs isClear value way".split(
    " ",
  ),
];

/** Sends so many random bodies from one of the app's own pages; what was answered with 500 or more comes back. */
async function fuzz(page: Page, targets: { method: string; path: string }[], many: number, seed: number) {
  return page.evaluate(
    async ({ targets, many, seed, fields }) => {
      let state = seed;
      const random = () => {
        state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
        return state / 2 ** 32;
      };
      const pick = <T>(of: readonly T[]): T => of[Math.floor(random() * of.length)] as T;
      const uuid = () => crypto.randomUUID();
      const ODD = [
        () => null,
        () => -1,
        () => 1e308,
        () => 0.1 + random(),
        () => Math.floor(random() * 200),
        () => 2 ** 53,
        () => "",
        () => "x\u0000y",
        () => "\ud800",
        () => "İ ﷽ \u202e",
        () => "x".repeat(3000),
        () => "'; drop table client; --",
        () => "2026-99-99",
        () => "2026-03-02",
        () => "2026-03-02T09:00:00Z",
        () => "therapist",
        () => "left",
        () => "knee_bend",
        () => true,
        () => [],
        () => ({}),
        uuid,
      ];
      const value = (depth: number): unknown => {
        const r = random();
        if (depth > 3 || r < 0.62) return pick(ODD)();
        if (r < 0.8) return Array.from({ length: Math.floor(random() * 4) }, () => value(depth + 1));
        return body(depth + 1);
      };
      const body = (depth: number): Record<string, unknown> =>
        Object.fromEntries(
          Array.from({ length: Math.floor(random() * 12) }, () => [pick(fields), value(depth)]),
        );
      const bad: { path: string; status: number; text: string }[] = [];
      const statuses: Record<number, number> = {};
      let sent = 0;
      const worker = async () => {
        while (sent < many) {
          const { method, path } = targets[sent++ % targets.length] as { method: string; path: string };
          const text = random() < 0.03 ? "{".repeat(40) : JSON.stringify({ id: uuid(), ...body(0) });
          const isGet = method === "GET";
          const query = new URLSearchParams({
            client: String(value(9)),
            angle: String(value(9)),
            lever: "0.3",
            side: "right",
          });
          // a stream that was opened goes on for ever: it is let go, anything else has to answer
          const isStream = path.endsWith("/stream");
          const abort = new AbortController();
          const late = setTimeout(() => abort.abort(), isStream ? 400 : 60_000);
          const response = await fetch(isGet ? `${path}?${query}` : path, {
            signal: abort.signal,
            ...(isGet ? {} : { method, headers: { "content-type": "application/json" }, body: text }),
          }).catch(() => null);
          clearTimeout(late);
          if (!response) {
            if (!isStream) bad.push({ path, status: 599, text: text.slice(0, 400) });
            continue;
          }
          statuses[response.status] = (statuses[response.status] ?? 0) + 1;
          if (response.status >= 500) bad.push({ path, status: response.status, text: text.slice(0, 400) });
          abort.abort();
        }
      };
      await Promise.all(Array.from({ length: 6 }, worker));
      return { bad: bad.slice(0, 10), statuses };
    },
    { targets, many, seed, fields: FIELDS },
  );
}

test("random bodies over every route: never a 500", async ({ page }) => {
  await workAs(page, "trainer");
  const id = await clientId(page, "Quill Bastow");
  const filled = routes("src/app/api").map((r) =>
    r.replace("[clientId]", id).replace(/\[\w+\]/g, () => randomUUID()),
  );
  expect(filled.length).toBeGreaterThan(40);
  const GETS = ["/stream", "/health", "/trace"];
  const targets = filled
    // signing out would end the run, and signing in is slow by purpose: it is tried below
    .filter((p) => !p.endsWith("/sign-out") && !p.endsWith("/sign-in"))
    .map((p) => ({
      method: GETS.some((g) => p.endsWith(g)) ? "GET" : p.endsWith("/pieces") ? "PUT" : "POST",
      path: p,
    }));
  const asTrainer = await fuzz(page, targets, BODIES / 2, 7);
  expect(asTrainer.bad).toEqual([]);
  await page.context().clearCookies();
  await signIn(page, "therapist");
  const asTherapist = await fuzz(page, targets, BODIES / 2, 11);
  expect(asTherapist.bad).toEqual([]);
  expect((asTherapist.statuses[422] ?? 0) + (asTherapist.statuses[404] ?? 0)).toBeGreaterThan(BODIES / 4);
});

test("sign-in reads small, flat bodies only", async ({ page, request }) => {
  await page.goto("/sign-in");
  const nested = `{"email":${"[".repeat(2_900_000)}${"]".repeat(2_900_000)},"password":"x"}`;
  const answer = await request.post("/api/sign-in", {
    data: nested,
    headers: { "content-type": "application/json", "sec-fetch-site": "same-origin" },
  });
  expect(answer.status()).toBe(422);
  // refused for its size, so nobody walked into it
  expect(await answer.text()).toMatch(/This is larger than 4 kB/);
  const deep = await post(page, "/api/sign-in", `{"email":${"[".repeat(900)}${"]".repeat(900)}}`);
  expect(deep.status).toBe(422);
  expect(deep.problems[0]?.sentence).toMatch(/nested deeper/);
});

test("impossible text in an address or a field is a sentence, never a 500", async ({ page }) => {
  await workAs(page, "therapist");
  const id = await clientId(page, "Tove Aldermoor");
  for (const at of ["%00", "x%00y", "%ED%A0%80", "..%2f..%2fetc", "%F0%9F%A6%B5"]) {
    for (const path of [
      `/clients/${at}/dose`,
      `/library/${at}`,
      `/gym/${at}`,
      `/clients/${id}/swap?planned=${at}`,
    ]) {
      const status = await page.evaluate(async (p) => (await fetch(p)).status, path);
      expect({ path, is500: status >= 500 }).toEqual({ path, is500: false });
    }
    const answer = await post(page, `/api/clients/${at}/tests`, {});
    expect({ at, is500: answer.status >= 500 }).toEqual({ at, is500: false });
  }
  const answer = await post(page, `/api/clients/${id}/limits`, {
    id: randomUUID(),
    kind: "knee_flexion_under_load",
    low: 0,
    high: 80,
    word: null,
    origin: "surgeon",
    reason: "a note\u0000 with a hole",
    endsOn: null,
    replaces: null,
    isLifted: false,
    evenIfChanged: false,
  });
  expect(answer.status).toBe(422);
  expect(answer.problems[0]?.sentence).toMatch(/characters that cannot be kept/);
});

test("a machine with five kinds of plates is refused before it can cost anything", async ({ page }) => {
  await signIn(page, "therapist");
  const sled = { ...templateOf("sled_press"), name: "Costly sled", place: "", note: "" };
  const perSide = Object.fromEntries([1, 2.5, 5, 10, 20].map((kg) => [String(kg), 10]));
  const answer = await post(page, "/api/machines", {
    id: randomUUID(),
    machine: { ...sled, steps: { kind: "pairs", base: 10, perSide } },
  });
  expect(answer.status).toBe(422);
  // refused for its plates and nothing else, before anybody laid them out
  expect(answer.problems.map((p) => p.sentence)).toEqual([
    expect.stringMatching(/more ways than can be laid out/),
  ]);
});
