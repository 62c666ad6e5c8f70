/**
 * Speed and memory on this machine, on a fresh private demo database (scripts/onFreshDemo.sh starts it). Absolute
 * numbers depend on the machine; compare the ratios within one run.
 */

import { chromium } from "@playwright/test";
import postgres from "postgres";
import { bodyFrom } from "../src/core/body/segments";
import { type CapacityEvent, learn } from "../src/core/capacity/learn";
import { draftSession } from "../src/core/drafts/draftSession";
import { seatedPress } from "../src/core/equipment/families/presses";
import { geometryOf } from "../src/core/equipment/machine";
import { TEMPLATES, templateOf } from "../src/core/equipment/templates";
import { shareForFeltEffort } from "../src/core/isometrics/effortConversion";
import { anchoredModel } from "../src/core/isometrics/fatigueModel";
import { simulateHolds } from "../src/core/isometrics/simulateHolds";
import { kneeExtension } from "../src/core/mechanics/postures/kneeExtension";
import { EXERCISES, exerciseById } from "../src/core/rules/exercises";
import { buildBlock } from "../src/core/schedule/block/buildBlock";
import { checkBlock } from "../src/core/schedule/block/checkBlock";
import { allowedArc } from "../src/core/selection/fit/allowedArc";
import { exerciseUse } from "../src/core/selection/fit/exerciseUse";
import { rangeSheet } from "../src/core/selection/rank/rangeSheet";
import { findSetUp } from "../src/core/selection/search/findSetUp";
import { machineFor } from "../src/core/selection/setUp/machineFor";
import { chairRise } from "../src/core/selection/tissue/tissues";
import { findDose } from "../src/core/sheet/draft/findDose";
import { fatigueLinesOf, itemsOf } from "../src/core/sheet/effect/scoreItems";
import { simulateSession } from "../src/core/sheet/effect/sessionFatigue";
import { judgeScore } from "../src/core/sheet/judge/judgeScore";
import { scoreTotals, USUAL_ORDER } from "../src/core/sheet/order/sessionScore";
import { analyseTrace } from "../src/core/signal/analyseTrace";
import { draftFor } from "../src/core/testdata/draftFor";
import { loadFacts } from "../src/core/testdata/loadFacts";
import { daysAfter } from "../src/core/units/days";
import { seededRandom } from "../src/devices/simulated/random";
import { simulateLoadCell } from "../src/devices/simulated/simulateLoadCell";
import { clientId, isAlive, signIn } from "../tests/e2e/support/bexlo";
import { startServer, stopServer } from "../tests/e2e/support/stack";
import { copyClient, growHistory } from "./grow";

const PRESS_SET_UP = {
  settings: { footM: 0.1, backToRailDeg: 115, seatGapM: 0.575, pressure: 1 },
  share: 0.5,
  phase: 0,
  load: 60,
} as const;
const pattern = { holdS: 45, reps: 5, restS: 120, sets: 1, setRestS: 0 };
const body = bodyFrom(75, 1.75);

/** Median milliseconds of one call, warm. */
function time(name: string, work: () => unknown, calls = 200): number {
  for (let i = 0; i < Math.min(20, calls); i++) work();
  const times = Array.from({ length: calls }, () => {
    const from = performance.now();
    work();
    return performance.now() - from;
  }).sort((a, b) => a - b);
  const median = times[Math.floor(calls / 2)] as number;
  console.log(
    `${name.padEnd(58)} ${median.toFixed(4).padStart(10)} ms ${(1000 / median).toFixed(0).padStart(9)} /s`,
  );
  return median;
}

console.log("Core");
const mechanics = time("knee extension at one angle", () =>
  kneeExtension(body, 60, { resistance: [{ kind: "torque", torqueNm: 60 }] }),
);
const model = anchoredModel("knee", 0.4);
const one = time("simulate 5 holds, model known", () => simulateHolds("knee", 0.4, pattern, { model }));
time("anchor the fatigue model", () => anchoredModel("knee", 0.4));
const felt = time("share of maximum for a felt effort", () => shareForFeltEffort("knee", pattern, 7));
const search = time(
  "find a dose (about 10,000 candidates)",
  () => findDose({ joint: "knee", sharesOfMax: [0.4], targetTensionS: 225 }),
  60,
);
const trace: { timeS: number[]; forceN: number[] } = { timeS: [], forceN: [] };
for (const s of simulateLoadCell({ maxForceN: 300, aimForceN: 300, restS: 1, pushS: 5 }, seededRandom(1))) {
  trace.timeS.push(s.timeS);
  trace.forceN.push(s.forceN);
}
const shown = Array.from({ length: 3334 }, (_, i): CapacityEvent => {
  const set = { loadKg: 20 + (i % 7), reps: 10, reserve: i % 4, ended: "planned" as const };
  return {
    kind: "sets",
    on: daysAfter("2016-01-05", i),
    id: String(i),
    station: {
      id: `station ${i % 10}`,
      isOwn: false,
      eta: 0.85,
      repetitionsFactor: 1,
      angles: [
        { bareNm: 8, perKgNm: 2, shape: 0.95 },
        { bareNm: 3, perKgNm: 2.2, shape: 0.9 },
      ],
    },
    stationSd: 0.2,
    isTrusted: true,
    doneKg: 20,
    sets: [set, set, set],
  };
});
time("fold 10,000 sets on ten stations", () => learn({ peakNm: 120, sd: 0.3 }, shown, "2026-01-05"), 20);
time("analyse a 7 s trace", () => analyseTrace(trace));
console.log(
  `search / one simulation ${(search / one).toFixed(0)}, felt effort / one simulation ${(felt / one).toFixed(0)}, simulation / mechanics ${(one / mechanics).toFixed(1)}`,
);

console.log("\nChoose");
const press = exerciseById("lp_horizontal");
const use = exerciseUse({ id: "lp_horizontal" });
const chair = chairRise(body);
if (!press || !use || !chair) throw new Error("The catalogue has no press.");
const facts = {
  ...loadFacts(body),
  body,
  chair,
  tissue: "kneecap" as const,
  capTimes: null,
  basis: { kind: "effort" as const, share: 0.5 },
};
const machines = TEMPLATES.map((t) => ({ ...templateOf(t.family), id: t.family }));
const pressGeometry = geometryOf(templateOf("seated_press"));
const solve = time(
  "press solved at one angle",
  () => seatedPress.solve(body, pressGeometry, PRESS_SET_UP, 60),
  500_000,
);
const sheet = time(
  "the whole range sheet, 100 exercises",
  () =>
    rangeSheet({
      ...facts,
      exercises: EXERCISES,
      machines,
      motion: { shortOfStraightDeg: null, bendDeg: null },
      goalIds: [],
      later: [],
    }),
  20,
);
// 15 foot heights x 15 seat notches x 15 backs x 20 steps over the angles of the model
const chosen = machineFor(use, [
  {
    ...templateOf("seated_press"),
    id: "bench",
    steps: { kind: "stack", first: 10, step: 10, plates: 20, addOns: [], pulley: 1 },
  },
]);
const allowed = allowedArc(press, {}, { shortOfStraightDeg: null, bendDeg: null });
if (!allowed) throw new Error("Free limits bar the press.");
let evaluations = 0;
const found = time(
  "search for a set-up of a press (every notch and step)",
  () => {
    evaluations = findSetUp(press, use, chosen, allowed, facts, {
      effortShare: 0.6,
      capTimes: 1,
      keepBack: true,
    }).evaluations;
  },
  15,
);
console.log(
  `${evaluations} set-ups x angles a search, ${((evaluations / found) * 1000).toExponential(1)} evaluations/s; search / one solve ${(found / solve).toFixed(0)}, sheet / one solve ${(sheet / solve).toFixed(0)}`,
);

console.log("\nSession");
const client = draftFor({ conditionId: "knee_oa", variantId: "moderate", phaseId: "build", goal: "stairs" });
const { context } = client;
const clientSheet = rangeSheet(context.sheet);
const wish = { place: "gym" as const, minutes: 45 };
const drafted = draftSession(client.facts, clientSheet, context, wish, USUAL_ORDER).lines;
const idOf = (_: unknown, i: number) => String(i);
const judging = time(
  `judge ${drafted.length} lines (loads, limits, gates)`,
  () => judgeScore(drafted, context),
  60,
);
const judged = judgeScore(drafted, context);
const { steps } = scoreTotals(itemsOf(judged, idOf));
const person = { k: 1, spread: 1.5 };
const whole = time(`simulate the session's fatigue (${steps.length} timers, three times)`, () =>
  simulateSession(steps, fatigueLinesOf(judged, idOf), person),
);
const drafting = time(
  "draft a session from the rules",
  () => draftSession(client.facts, clientSheet, context, wish, USUAL_ORDER),
  5,
);
console.log(
  `draft / judge ${(drafting / judging).toFixed(0)}, simulation / judge ${(whole / judging).toFixed(2)}, search / simulation ${(search / whole).toFixed(0)}`,
);

console.log("\nWeek");
const weekSheet = (id: string, kind: "strength" | "accumulated" | "iso" | "stretch", times: number) => ({
  id,
  kind,
  minutes: 20,
  needsGym: kind === "strength",
  times,
  keepTimes: Math.min(2, times),
  sets: kind === "strength" ? { quads: 9, hams: 3 } : {},
  short:
    kind === "strength" ? { minutes: 15, sets: { quads: 6, hams: 2 }, kneecapChairS: 30, tissue: 3 } : null,
  hardFor: kind === "strength" ? (["quads"] as const) : [],
  kneecapChairS: kind === "stretch" ? 0 : 40,
  tissue: kind === "stretch" ? 0 : 5,
});
const block = {
  startsOn: "2026-03-02",
  notBefore: "2026-03-02",
  buildWeeks: 6,
  keepWeeks: 4,
  sheets: [weekSheet("a", "strength", 3), weekSheet("b", "iso", 4), weekSheet("c", "stretch", 5)],
  minutes: [60, 60, 45, 60, 60, 30, 30],
  gym: [true, false, true, false, true, false, false],
  away: ["2026-03-25", "2026-04-06"],
  hardDone: [],
  activities: [],
  weeksDone: Array.from({ length: 4 }, () => ({ sets: { quads: 12, hams: 4 }, kneecapChairS: 400 })),
  begun: { sets: {}, kneecapChairS: 0 },
  guard: {
    bands: { quads: { from: 7.5, to: 10 } },
    step: 2 as const,
    isSore: false,
    isBar: false,
    mostTissue: 99,
  },
};
const laid = buildBlock(block);
const laying = time("lay ten weeks of three sheets (exact search)", () => buildBlock(block), 40);
const asking = time("ask every rule of those ten weeks (while dragging)", () => checkBlock(block, laid.days));
console.log(
  `lay / ask ${(laying / asking).toFixed(0)}; asked within a frame of 16 ms: ${asking < 16 ? "yes" : "no"}`,
);

console.log("\nChromium on the built app");
await startServer();
const browser = await chromium.launch({
  executablePath: process.env.CHROMIUM_PATH ?? "/usr/bin/chromium-headless-shell",
  args: ["--no-sandbox", "--disable-gpu", "--disable-dev-shm-usage"],
});
const baseURL = `http://127.0.0.1:${process.env.E2E_PORT ?? 4310}`;
const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 }, baseURL })).newPage();
await page.addInitScript(() => {
  const seen: number[] = [];
  Object.assign(window, { longTasks: seen });
  new PerformanceObserver((list) => seen.push(...list.getEntries().map((e) => e.duration))).observe({
    entryTypes: ["longtask"],
  });
});
const longTasks = () =>
  page.evaluate(() => {
    const seen = (window as unknown as { longTasks: number[] }).longTasks.splice(0);
    return `${seen.length} over 50 ms${seen.length ? `, longest ${Math.max(...seen).toFixed(0)} ms` : ""}`;
  });
await signIn(page, "therapist");
const id = await clientId(page, "Tove Aldermoor");
for (const path of [
  "/",
  `/clients/${id}/measure`,
  `/clients/${id}/choose`,
  `/clients/${id}/dose`,
  `/clients/${id}/floor`,
  `/clients/${id}/decide`,
]) {
  const times: number[] = [];
  for (let i = 0; i < 5; i++) {
    await page.goto(path);
    times.push(
      await page.evaluate(() => {
        const paint = performance.getEntriesByName("first-contentful-paint")[0];
        return paint ? paint.startTime : performance.now();
      }),
    );
  }
  times.sort((a, b) => a - b);
  console.log(
    `${`first paint of ${path.replace(id, ":client")}`.padEnd(58)} ${(times[2] as number).toFixed(0).padStart(10)} ms`,
  );
}
await page.goto(`/clients/${id}/dose`);
await isAlive(page);
await longTasks();
const flag = await page.getByRole("slider").locator("rect").last().boundingBox();
if (!flag) throw new Error("The rail has no flag.");
await page.mouse.move(flag.x + 20, flag.y + 8);
await page.mouse.down();
for (let i = 0; i < 120; i++) await page.mouse.move(flag.x + 20 + 120 * Math.sin(i / 12), flag.y + 8);
await page.mouse.up();
console.log(`${"long tasks while dragging the angle (120 moves)".padEnd(58)} ${await longTasks()}`);

await page.goto(`/clients/${id}/choose?row=lp_horizontal`);
await isAlive(page);
await longTasks();
const feet = await page.getByRole("slider", { name: "feet above the hip in the side view" }).boundingBox();
if (!feet) throw new Error("The pose has no feet to drag.");
const [footX, footY] = [feet.x + feet.width / 2, feet.y + feet.height / 2];
await page.mouse.move(footX, footY);
await page.mouse.down();
for (let i = 0; i < 120; i++) await page.mouse.move(footX, footY + 50 * Math.sin(i / 12));
await page.mouse.up();
console.log(`${"long tasks while dragging the feet, all rows shown".padEnd(58)} ${await longTasks()}`);

await page.goto(`/clients/${id}/dose?sheet=new`);
await isAlive(page);
await page.keyboard.press("t");
const aside = page.getByRole("complementary", { name: "The picked line" });
await aside.getByRole("cell", { name: /^\d/ }).first().waitFor();
await aside.getByRole("spinbutton", { name: "sets", exact: true }).focus();
await page.waitForTimeout(400);
await longTasks();
for (let i = 0; i < 20; i++) {
  await page.keyboard.press(i % 2 ? "ArrowDown" : "ArrowUp");
  await page.waitForTimeout(90);
}
console.log(
  `${"long tasks while a line changes 20 times, simulated in a worker".padEnd(58)} ${await longTasks()}`,
);
await page.goto(`/clients/${id}/dose`);
await isAlive(page);
await page.keyboard.press("f");
await longTasks();
const before = Date.now();
await page.getByRole("button", { name: "Search" }).click();
await page.getByRole("button", { name: /Use/ }).waitFor();
console.log(
  `${"find a dose in a fresh worker, click to answer".padEnd(58)} ${String(Date.now() - before).padStart(10)} ms, long tasks ${await longTasks()}`,
);

await page.goto(`/clients/${id}/week`);
await isAlive(page);
await page.getByText("Fits every rule").waitFor();
await longTasks();
const chip = await page
  .getByRole("button", { name: /^(Gym|Holds), / })
  .first()
  .boundingBox();
if (!chip) throw new Error("No day to drag.");
await page.mouse.move(chip.x + 10, chip.y + 6);
await page.mouse.down();
for (let i = 0; i < 120; i++)
  await page.mouse.move(chip.x + 10 + 260 + 250 * Math.sin(i / 12), chip.y + 6 + 60);
await page.mouse.up();
await page.waitForTimeout(600);
console.log(
  `${"long tasks while a day is dragged (120 moves), then laid anew".padEnd(58)} ${await longTasks()}`,
);

await page.goto(`/clients/${id}/measure`);
await isAlive(page);
await longTasks();
await page.keyboard.press("p");
await page.getByRole("button", { name: "first", exact: true }).waitFor({ timeout: 20_000 });
console.log(`${"long tasks while a 7 s trace streams and draws".padEnd(58)} ${await longTasks()}`);
const devtools = await page.context().newCDPSession(page);
await devtools.send("HeapProfiler.collectGarbage");
const heap = (await devtools.send("Runtime.getHeapUsage")).usedSize;
console.log(`${"page heap after it".padEnd(58)} ${(heap / 1e6).toFixed(1).padStart(10)} MB`);

console.log("\nTen years of one client, and a clinic of 250 (rows of the demo, copied)");
const owner = postgres(process.env.OWNER_URL ?? "", { onnotice: () => undefined });
/** Median time to the whole answer of a page, ms. */
async function answers(path: string): Promise<number> {
  const times: number[] = [];
  for (let i = 0; i < 7; i++) {
    const from = Date.now();
    await (await page.request.get(path)).body();
    times.push(Date.now() - from);
  }
  return times.sort((a, b) => a - b)[3] as number;
}
const pages = ["dose", "floor", "morning", "decide", "record"].map((step) => `/clients/${id}/${step}`);
const short = new Map<string, number>();
for (const path of ["/", ...pages]) short.set(path, await answers(path));
await page.goto(`/clients/${id}/review`);
await page.getByRole("slider", { name: "Span begins" }).waitFor();
const VISITS_OF_TEN_YEARS = 1500;
await growHistory(owner, id, VISITS_OF_TEN_YEARS);
for (const path of pages) {
  const long = await answers(path);
  const was = short.get(path) as number;
  console.log(
    `${`${path.replace(id, ":client")}, a month and ten years`.padEnd(58)} ${String(was).padStart(5)} and ${long} ms: ${(long / was).toFixed(2)} x`,
  );
}
const drawn: number[] = [];
for (let i = 0; i < 3; i++) {
  const from = Date.now();
  await page.goto(`/clients/${id}/review`);
  await page.getByRole("slider", { name: "Span begins" }).waitFor();
  drawn.push(Date.now() - from);
}
await isAlive(page);
await longTasks();
console.log(
  `${"review of ten years, first after a change, again".padEnd(58)} ${drawn[0]} and ${Math.max(...drawn.slice(1))} ms, ${await page.locator("main svg *").count()} marks`,
);
const end = await page.getByRole("slider", { name: "Span begins" }).locator("circle").boundingBox();
if (!end) throw new Error("The time line has no handle.");
await page.mouse.move(end.x + 5, end.y + 5);
await page.mouse.down();
for (let i = 0; i < 120; i++) await page.mouse.move(end.x - 180 + 160 * Math.sin(i / 12), end.y + 5);
await page.mouse.up();
console.log(`${"long tasks while its span is brushed (120 moves)".padEnd(58)} ${await longTasks()}`);
const CLIENTS_MORE = 243;
await copyClient(owner, await clientId(page, "Pell Amsworth"), CLIENTS_MORE);
await owner`analyze`;
const few = short.get("/") as number;
const many = await answers("/");
console.log(
  `${"Today at 7 and at 250 open clients".padEnd(58)} ${String(few).padStart(5)} and ${many} ms: ${(many / few).toFixed(2)} x`,
);
await owner.end();
await browser.close();
await stopServer();
