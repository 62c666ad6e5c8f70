import { daysAfter, weekdayOf } from "../../units/days";
import { hardEveryWeek } from "../activity";
import type { ByMuscle, Muscle } from "../balance";
import { type BlockQuestion, loadOfWeek, mostOfWeek, type PlannedDay, type WeekLoad, weeksOf } from "./block";
import { overSets } from "./setGuard";
import {
  ACCUMULATED_GAP_DAYS,
  AFTER_ACCUMULATED_DAYS,
  doseOf,
  HARD_GAP_DAYS,
  isHard,
  isTooMuch,
  type WeekRule,
} from "./weekRules";

/** A rule that a calendar breaks, with the days and the sheet that it is about. */
export interface Broken {
  rule: WeekRule;
  on: string;
  /** the other day, where two are too close */
  and?: string;
  sheetId?: string;
  /** the muscle groups that have too much of the week */
  muscles?: readonly Muscle[];
  /** what the client does on `and`, in their words: it cannot be moved here */
  what?: string;
  /** a therapist may pass it with a reason. Rule W1 */
  isCaution?: boolean;
}

const DAY_MS = 86_400_000;
const dayNumber = (iso: string): number => Math.round(Date.parse(`${iso}T00:00:00Z`) / DAY_MS);

/**
 * Every hard rule against a calendar as it stands, however it came about: the page asks while a day is dragged, the route
 * before it keeps one. It looks at each rule by itself and shares nothing with the search.
 */
export function checkBlock(q: BlockQuestion, days: readonly PlannedDay[]): Broken[] {
  const byId = new Map(q.sheets.map((s) => [s.id, s]));
  const broken: Broken[] = [];
  const minutesOn = new Map<string, number>();
  const seen = new Set<string>();
  const hard: HardOn[] = [...q.hardDone, ...ownOn(q)].map((h) => ({ ...h, sheetId: undefined }));
  for (const d of days) {
    const sheet = byId.get(d.sheetId);
    if (!sheet) {
      broken.push({ rule: "not_in_use", on: d.on, sheetId: d.sheetId });
      continue;
    }
    const about = { on: d.on, sheetId: d.sheetId };
    if (seen.has(`${d.sheetId} ${d.on}`)) broken.push({ rule: "once_a_day", ...about });
    seen.add(`${d.sheetId} ${d.on}`);
    const weekday = weekdayOf(d.on);
    const isFree = (q.minutes[weekday] ?? 0) > 0 && !q.away.includes(d.on) && d.on >= q.notBefore;
    if (!isFree) broken.push({ rule: "not_free", ...about });
    else if (sheet.needsGym && !q.gym[weekday]) broken.push({ rule: "no_gym", ...about });
    const minutes = (minutesOn.get(d.on) ?? 0) + doseOf(sheet, d.isShort).minutes;
    minutesOn.set(d.on, minutes);
    if (isFree && minutes > (q.minutes[weekday] ?? 0)) broken.push({ rule: "minutes", ...about });
    if (!d.isShort && sheet.short && isTooMuch(sheet, q))
      broken.push({ rule: "tissue_day", ...about, isCaution: true });
    if (isHard(sheet.kind))
      hard.push({
        on: d.on,
        isAccumulated: sheet.kind === "accumulated",
        muscles: sheet.hardFor,
        sheetId: d.sheetId,
      });
  }
  broken.push(...spacing(hard), ...growth(q, days));
  return broken;
}

interface HardOn {
  on: string;
  isAccumulated: boolean;
  muscles: readonly Muscle[];
  sheetId: string | undefined;
  what?: string;
}

/** The client's own hard days from today on, within and around the block. Rule Besides 1. */
function ownOn(q: BlockQuestion): Omit<HardOn, "sheetId">[] {
  const own = hardEveryWeek(q.activities);
  const days = 7 * weeksOf(q) + 2 * AFTER_ACCUMULATED_DAYS;
  return Array.from({ length: days }, (_, d) => daysAfter(q.startsOn, d - AFTER_ACCUMULATED_DAYS))
    .filter((on) => on >= q.notBefore)
    .flatMap((on) =>
      own
        .filter((a) => a.weekday === weekdayOf(on))
        .map(({ muscles, what }) => ({ on, isAccumulated: false, muscles, what })),
    );
}

/** Every pair of hard days, of which one at least is planned. */
function spacing(hard: readonly HardOn[]): Broken[] {
  const sorted = [...hard].sort((a, b) => a.on.localeCompare(b.on));
  const broken: Broken[] = [];
  for (const [i, a] of sorted.entries())
    for (const b of sorted.slice(i + 1)) {
      const gap = dayNumber(b.on) - dayNumber(a.on);
      if (gap >= ACCUMULATED_GAP_DAYS) break;
      if (a.sheetId === undefined && b.sheetId === undefined) continue;
      // what is the client's own cannot be moved: the other day is the one that is wrong
      const [wrong, near] = b.what === undefined ? [b, a] : [a, b];
      const about = {
        on: wrong.on,
        and: near.on,
        ...(wrong.sheetId ? { sheetId: wrong.sheetId } : {}),
        ...(near.what ? { what: near.what } : {}),
      };
      const isSame = a.muscles.some((m) => b.muscles.includes(m));
      const follows = a.isAccumulated || (gap === 0 && b.isAccumulated);
      if (isSame && gap < HARD_GAP_DAYS) broken.push({ rule: "hard_48h", ...about });
      else if (follows && gap < AFTER_ACCUMULATED_DAYS)
        broken.push({ rule: "after_accumulated_72h", ...about });
      else if (a.isAccumulated && b.isAccumulated) broken.push({ rule: "accumulated_7d", ...about });
    }
  return broken;
}

/** Each week against the most that the weeks before it allow. */
function growth(q: BlockQuestion, days: readonly PlannedDay[]): Broken[] {
  return loadsByWeek(q, days).flatMap(({ startsOn, load, most }, w) => {
    // what was done already cannot be planned away
    const muscles = overSets(load.sets, most).filter(
      (m) => w > 0 || (load.sets[m] ?? 0) > (q.begun.sets[m] ?? 0) + 1e-6,
    );
    return muscles.length === 0
      ? []
      : [{ rule: "sets_week" as const, on: startsOn, muscles, isCaution: !q.guard.isBar }];
  });
}

/** Every week's work with the most for it, after what was done and what stands before it. */
export function loadsByWeek(
  q: BlockQuestion,
  days: readonly PlannedDay[],
): { startsOn: string; load: WeekLoad; most: ByMuscle }[] {
  let lastMost: ByMuscle | null = null;
  const before: WeekLoad[] = [...q.weeksDone];
  return Array.from({ length: weeksOf(q) }, (_, w) => {
    const startsOn = daysAfter(q.startsOn, 7 * w);
    const last = daysAfter(startsOn, 6);
    const sheets = q.sheets.map((s) => ({ ...s, times: w >= q.buildWeeks ? s.keepTimes : s.times }));
    const most = mostOfWeek(q, before, lastMost, sheets, w === 0);
    lastMost = most;
    const load = loadOfWeek(
      days.filter((d) => d.on >= startsOn && d.on <= last),
      sheets,
      w === 0 ? q.begun : undefined,
    );
    before.push(load);
    return { startsOn, load, most };
  });
}
