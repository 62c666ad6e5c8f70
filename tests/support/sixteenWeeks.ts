import { randomUUID } from "node:crypto";
import type { Action } from "@/core/progression/safetyRules";
import { buildBlock } from "@/core/schedule/block/buildBlock";
import { checkBlock } from "@/core/schedule/block/checkBlock";
import { judgeScore, standingBars } from "@/core/sheet/judge/judgeScore";
import { scoreContextOf } from "@/core/sheet/judge/scoreContextOf";
import type { KeptLine } from "@/core/sheet/line/keptLine";
import { effectiveSets } from "@/core/sheet/schemes/effectiveSets";
import { daysAfter } from "@/core/units/days";
import { seededRandom } from "@/devices/simulated/random";
import { type ClientEpisode, clientEpisode } from "@/server/client/clients";
import { chooseReturn, daysOffOf } from "@/server/decide/returns";
import { sheetFacts } from "@/server/facts/sheetFacts";
import { isStopped, recentVisits } from "@/server/history/visits";
import { recordTest } from "@/server/measure/measurements";
import { type SheetVersion, sheetsOf } from "@/server/versions/sheets";
import { floorBarred } from "@/server/visits/floor";
import { recordMorning } from "@/server/visits/mornings";
import { blockOf, keepBlock } from "@/server/week/blocks";
import { isRestDay } from "@/server/week/restDay";
import { weekFacts } from "@/server/week/weekFacts";
import { usualWishes } from "@/server/week/wishes";
import { sayPlainly } from "@/words/say";
import {
  daysLater,
  hold,
  MONDAY,
  plannedClient,
  runVisit,
  saveLines,
  screenClear,
  squats,
  type TestClinic,
  takeAll,
  testInput,
} from "./clinic";

/** One kind of client: what happens on a day of the sixteen weeks. */
export interface SimulatedClient {
  name: string;
  words: string;
  /** whether the client does what is planned for a day */
  comes: (day: number, chance: number) => boolean;
  /** also on days that are not planned */
  isEager?: boolean;
  pain: (day: number) => number;
  morning: (day: number, chance: number) => number | null;
  felt: (day: number) => number;
  /** seconds after which every hold is given up; null: held to the end */
  givesUpS: (day: number) => number | null;
}

const usual = { comes: () => true, pain: () => 1, morning: () => 1, felt: () => 6, givesUpS: () => null };
const week = (day: number): number => Math.floor(day / 7) + 1;

export const SIMULATED: readonly SimulatedClient[] = [
  { ...usual, name: "steady", words: "comes as planned, pain 1, every morning answered" },
  {
    ...usual,
    name: "flaring",
    words: "as steady; in week 3 joint pain of 5 in the sets and 4 the morning after",
    pain: (d) => (week(d) === 3 ? 5 : 1),
    morning: (d) => (week(d) === 3 ? 4 : 1),
  },
  {
    ...usual,
    name: "plateau",
    words: "from week 2 on the muscle gives out after 20 s and the holds feel like 9",
    felt: (d) => (week(d) >= 2 ? 9 : 6),
    givesUpS: (d) => (week(d) >= 2 ? 20 : null),
  },
  {
    ...usual,
    name: "forgetful",
    words: "misses every third planned day and every second morning",
    comes: (_d, chance) => chance > 0.33,
    morning: (_d, chance) => (chance > 0.5 ? 1 : null),
  },
  {
    ...usual,
    name: "over-eager",
    words: "tries to run every sheet every day, alone, planned or not",
    isEager: true,
  },
  {
    ...usual,
    name: "away",
    words: "nothing for 32 days from week 2 on, then as steady",
    comes: (d) => d < 7 || d >= 39,
  },
];

export interface SimulatedWeek {
  week: number;
  planned: number;
  done: number;
  refused: number;
  unanswered: number;
  actions: Record<Action, number>;
  /** effective sets of the front of the thigh that were planned in what was run, and the most that the weeks before allowed */
  sets: number;
  most: number | null;
  holdDeg: number | null;
  holdS: number | null;
  notes: string[];
}

export interface SimulatedCourse {
  client: SimulatedClient;
  weeks: SimulatedWeek[];
  /** what must never happen, with the day; empty */
  broken: string[];
}

const WEEKS = 16;
const WEEK_MS = 7 * 86_400_000;
const noActions = (): Record<Action, number> => ({ PROGRESS: 0, HOLD: 0, REGRESS: 0, STOP_REFER: 0 });

/** Lives sixteen weeks of one client through the product's own functions; a therapist takes every draft as it stands. */
export async function sixteenWeeks(
  clinic: TestClinic,
  c: SimulatedClient,
  weeksLived = WEEKS,
): Promise<SimulatedCourse> {
  const random = seededRandom(c.name.length * 97 + c.name.charCodeAt(0));
  const { client } = await plannedClient(clinic, {}, [
    hold({ ladder: { of: "angle", fromDeg: 45, toDeg: 90 } }),
  ]);
  await clinic.as("therapist", (ctx) =>
    saveLines(ctx, client, [squats({ ladder: { of: "reps", least: 8, most: 15 } })], { name: "Strength" }),
  );
  const broken: string[] = [];
  const weeks: SimulatedWeek[] = [];
  for (let w = 0; w < weeksLived; w++) {
    const row: SimulatedWeek = {
      week: w + 1,
      planned: 0,
      done: 0,
      refused: 0,
      unanswered: 0,
      actions: noActions(),
      sets: 0,
      most: null,
      holdDeg: null,
      holdS: null,
      notes: [],
    };
    const plan = await planWeek(clinic, client, w, broken, row);
    for (let d = 7 * w; d < 7 * w + 7; d++) {
      const on = daysAfter("2026-03-02", d);
      const chance = random();
      const today = plan.filter((p) => p.on === on).map((p) => p.sheetId);
      row.planned += today.length;
      const sheets = await clinic.as("therapist", (ctx) => sheetsOf(ctx, client.episodeId), daysLater(d));
      // in the sheets' own order: their ids are made by chance
      const wanted = sheets
        .map((s) => s.sheetId)
        .filter((id) => c.isEager || (c.comes(d, chance) && today.includes(id)));
      for (const sheetId of wanted)
        await oneVisit(clinic, client, c, { day: d, sheetId, morningChance: random() }, broken, row);
    }
    const [first] = await clinic.as(
      "therapist",
      (ctx) => sheetsOf(ctx, client.episodeId),
      daysLater(7 * w + 6),
    );
    row.holdDeg = first?.lines[0]?.kept?.fromDeg ?? null;
    row.holdS = first?.lines[0]?.kept?.sets[0]?.holds?.holdS ?? null;
    weeks.push(row);
  }
  return { client: c, weeks, broken };
}

/** Every Monday the block is laid anew from what was really done, and kept; the route asks all rules again. */
async function planWeek(
  clinic: TestClinic,
  client: ClientEpisode,
  w: number,
  broken: string[],
  row: SimulatedWeek,
) {
  const at = new Date(daysLater(7 * w).getTime() - 3 * 3_600_000);
  return clinic.as(
    "therapist",
    async (ctx) => {
      const wishes = usualWishes(ctx);
      const { question, sheets } = await weekFacts(ctx, client, wishes);
      const built = buildBlock(question);
      for (const b of checkBlock(question, built.days)) broken.push(`week ${w + 1}: ${b.rule} on ${b.on}`);
      await keepBlock(ctx, client, {
        id: randomUUID(),
        ...wishes,
        wishes: Object.fromEntries(
          sheets.map((s) => [s.id, { times: s.times, keepTimes: s.keepTimes, at: null }]),
        ),
        days: built.days,
        replaces: (await blockOf(ctx, client.episodeId))?.id ?? null,
      });
      row.most = built.weeks[0]?.most.quads ?? null;
      return built.days.filter((d) => d.on <= daysAfter(question.startsOn, 6));
    },
    at,
  );
}

async function oneVisit(
  clinic: TestClinic,
  client: ClientEpisode,
  c: SimulatedClient,
  v: { day: number; sheetId: string; morningChance: number },
  broken: string[],
  row: SimulatedWeek,
): Promise<void> {
  const at = daysLater(v.day);
  const sheetNow = async () =>
    (await clinic.as("therapist", (ctx) => sheetsOf(ctx, client.episodeId), at)).find(
      (s) => s.sheetId === v.sheetId,
    );
  await returned(clinic, client, v.day, row);
  const found = await sheetNow();
  if (!found) return;
  const sheet = await seenAgain(clinic, client, found, v.day, row);
  const barred = await clinic.as("trainer", (ctx) => floorBarred(ctx, client, sheet), at);
  // who comes on days that nobody planned works alone, as by a link at home
  const rests =
    c.isEager && (await clinic.as("trainer", (ctx) => isRestDay(ctx, client.episodeId, sheet), at));
  if (barred || rests) {
    row.refused++;
    const why = rests ? "a day of rest" : ((barred ?? "").split(/[.:]/)[0] ?? "");
    if (!row.notes.includes(why)) row.notes.push(why);
    return;
  }
  const gaveUp = c.givesUpS(v.day);
  const visitId = await runVisit(clinic, client, {
    at,
    sheet,
    pain: c.pain(v.day),
    painAtEnd: c.pain(v.day) > 2 ? 2 : 1,
    felt: c.felt(v.day),
    reserve: 4,
    ...(gaveUp === null ? {} : { heldS: gaveUp }),
  });
  row.done++;
  row.sets += sheet.lines.reduce((sum, l) => sum + (l.kept ? effectiveSets(l.kept) : 0), 0);
  const pain = c.morning(v.day, v.morningChance);
  const next = daysLater(v.day + 1, 6);
  if (pain !== null)
    await clinic.as(
      "trainer",
      (ctx) =>
        recordMorning(ctx, client, {
          id: randomUUID(),
          visitId,
          corrects: null,
          pain,
          swelling: null,
          stiffnessMin: null,
        }),
      next,
    );
  else row.unanswered++;
  const draft = await takeAll(clinic, client, next);
  for (const l of draft?.visit.id === visitId ? draft.lines : []) {
    row.actions[l.decision.action]++;
    // all sheets of a day have one morning
    if (l.decision.action === "PROGRESS" && draft?.visit.morning === null)
      broken.push(`day ${v.day}: ${l.kept.name} progressed without a morning`);
    if (pain !== null && pain >= 3 && l.decision.action === "PROGRESS")
      broken.push(`day ${v.day}: ${l.kept.name} progressed after a morning of ${pain}`);
    await lookAtNext(l.kept, l.decision.action, v, broken);
  }
  const after = await sheetNow();
  if (!after) return;
  await clinic.as(
    "therapist",
    async (ctx) => {
      const fresh = await clientEpisode(ctx, client.clientId);
      const context = scoreContextOf(await sheetFacts(ctx, fresh));
      for (const j of judgeScore(
        after.lines.map((l) => l.plan),
        context,
      ))
        if (standingBars(j).length > 0)
          broken.push(
            `day ${v.day}: ${j.exercise?.name} is barred: ${standingBars(j).map(sayPlainly).join("; ")}`,
          );
    },
    next,
  );

  async function lookAtNext(was: KeptLine, action: Action, _v: typeof v, into: string[]): Promise<void> {
    if (action !== "REGRESS" && action !== "PROGRESS") return;
    const rows = await clinic.as("therapist", (ctx) => sheetsOf(ctx, client.episodeId), next);
    const now = rows.flatMap((s) => s.lines).find((l) => l.kept?.lineId === was.lineId)?.kept;
    if (!now || action !== "REGRESS") return;
    if (workOf(now) > workOf(was) * 1.001 && now.fromDeg === was.fromDeg)
      into.push(`day ${v.day}: ${was.name} stepped back to more`);
  }
}

/** Seconds under tension or repetitions of a line. */
const workOf = (l: KeptLine): number =>
  l.sets.reduce((sum, s) => sum + (s.holds ? s.holds.reps * s.holds.holdS : (s.reps ?? s.tensionS)), 0);

/** After a stop the therapist sees the client a week later and writes a new version: the holds lower, the rest the same. */
async function seenAgain(
  clinic: TestClinic,
  client: ClientEpisode,
  sheet: SheetVersion,
  day: number,
  row: SimulatedWeek,
): Promise<SheetVersion> {
  const at = daysLater(day, 8);
  const visits = await clinic.as("therapist", (ctx) => recentVisits(ctx, client.episodeId), at);
  const stopped = visits
    .flatMap((v) => v.decisions)
    .filter((d) => d.action === "STOP_REFER")
    .at(-1);
  if (!isStopped(visits, sheet) || !stopped || at.getTime() - stopped.at.getTime() < WEEK_MS) return sheet;
  row.notes.push("seen again after the stop, planned lower");
  const items = sheet.lines.map(({ plan }) =>
    plan.scheme.kind === "holds"
      ? { ...plan, scheme: { ...plan.scheme, atDeg: 45, effort: { kind: "felt" as const, felt: 5 } } }
      : plan,
  );
  return clinic.as(
    "therapist",
    (ctx) =>
      saveLines(ctx, client, items, { sheetId: sheet.sheetId, name: sheet.name, baseVersion: sheet.version }),
    at,
  );
}

/** After days off somebody chooses what is proposed; a new beginning is screened and tested. */
async function returned(
  clinic: TestClinic,
  client: ClientEpisode,
  day: number,
  row: SimulatedWeek,
): Promise<void> {
  const at = daysLater(day, 8);
  const off = await clinic.as("therapist", (ctx) => daysOffOf(ctx, client), at);
  if (!off || off.chosen || off.proposed === "same") return;
  if (off.proposed === "start_again") await screenClear(clinic, client.clientId, daysLater(day, 7));
  await clinic.as(
    "therapist",
    (ctx) =>
      chooseReturn(ctx, client, {
        id: randomUUID(),
        visitId: off.visitId,
        proposed: off.proposed,
        chosen: off.proposed,
        reason: null,
        because: "busy",
        bedDays: 0,
      }),
    at,
  );
  if (off.proposed === "start_again")
    await clinic.as(
      "therapist",
      (ctx) => recordTest(ctx, client, testInput()),
      new Date(at.getTime() + 600_000),
    );
  row.notes.push(
    off.proposed === "start_again"
      ? `${off.days} days off: again from a test`
      : `${off.days} days off: one step back`,
  );
}

const MARKS: Record<Action, string> = { PROGRESS: "up", HOLD: "stay", REGRESS: "back", STOP_REFER: "stop" };

/** The courses as a page to read. */
export function reportOf(courses: readonly SimulatedCourse[]): string {
  const parts = [
    "# Sixteen weeks of simulated clients",
    "",
    `Six made-up clients live sixteen weeks from ${MONDAY.toISOString().slice(0, 10)} on through Bexlo's own functions:`,
    "every Monday the days are laid from what was really done, every visit is run and logged, the morning is answered or",
    "not, and a therapist takes every draft as it stands. Two sheets: a hold that climbs by angle, and squats that climb by",
    "repetitions. `tests/integration/week/sixteenWeeks.test.ts` makes this page and checks that nothing is broken in it: no",
    "line outside its limits, no day against a rule of the week, no progress on a missing morning, no step back to more.",
    "",
  ];
  for (const { client, weeks, broken } of courses) {
    parts.push(`## ${client.name}`, "", `${client.words[0]?.toUpperCase()}${client.words.slice(1)}.`, "");
    parts.push(
      "| week | planned, done | refused | mornings missing | decisions | effective sets, most | hold | |",
    );
    parts.push("|---|---|---|---|---|---|---|---|");
    for (const w of weeks) {
      const decisions = (Object.keys(MARKS) as Action[])
        .filter((a) => w.actions[a] > 0)
        .map((a) => `${MARKS[a]} ${w.actions[a]}`)
        .join(", ");
      parts.push(
        `| ${w.week} | ${w.planned}, ${w.done} | ${w.refused || ""} | ${w.unanswered || ""} | ${decisions} | ${Math.round(w.sets)}${w.most === null ? "" : `, ${Math.floor(w.most)}`} | ${w.holdDeg}° ${w.holdS} s | ${w.notes.join("; ")} |`,
      );
    }
    parts.push("", broken.length === 0 ? "Nothing was broken." : broken.join("\n"), "");
  }
  return `${parts.join("\n").trimEnd()}\n`;
}
