import { daysAfter, weekdayOf } from "../../units/days";
import {
  type BlockQuestion,
  loadOfWeek,
  type MostOfWeek,
  mostOfWeek,
  type PlannedDay,
  type WeekLoad,
  weeksOf,
} from "./block";
import {
  ACCUMULATED_GAP_DAYS,
  AFTER_ACCUMULATED_DAYS,
  HARD_GAP_DAYS,
  isHard,
  type WeekRule,
} from "./weekRules";

/** A rule that a calendar breaks, with the days and the sheet that it is about. */
export interface Broken {
  rule: WeekRule;
  on: string;
  /** the other day, where two are too close */
  and?: string;
  sheetId?: string;
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
  const hard = q.hardDone.map((h) => ({
    on: h.on,
    isAccumulated: h.isAccumulated,
    sheetId: undefined as string | undefined,
  }));
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
    const minutes = (minutesOn.get(d.on) ?? 0) + sheet.minutes;
    minutesOn.set(d.on, minutes);
    if (isFree && minutes > (q.minutes[weekday] ?? 0)) broken.push({ rule: "minutes", ...about });
    if (isHard(sheet.kind))
      hard.push({ on: d.on, isAccumulated: sheet.kind === "accumulated", sheetId: d.sheetId });
  }
  broken.push(...spacing(hard), ...ramp(q, days));
  return broken;
}

/** Every pair of hard days, of which one at least is planned. */
function spacing(
  hard: readonly { on: string; isAccumulated: boolean; sheetId: string | undefined }[],
): Broken[] {
  const sorted = [...hard].sort((a, b) => a.on.localeCompare(b.on));
  const broken: Broken[] = [];
  for (const [i, a] of sorted.entries())
    for (const b of sorted.slice(i + 1)) {
      const gap = dayNumber(b.on) - dayNumber(a.on);
      if (gap >= ACCUMULATED_GAP_DAYS) break;
      if (a.sheetId === undefined && b.sheetId === undefined) continue;
      const about = { on: b.on, and: a.on, ...(b.sheetId ? { sheetId: b.sheetId } : {}) };
      if (a.isAccumulated && b.isAccumulated) broken.push({ rule: "accumulated_7d", ...about });
      else if (gap < HARD_GAP_DAYS) broken.push({ rule: "hard_48h", ...about });
      else if (a.isAccumulated && gap < AFTER_ACCUMULATED_DAYS)
        broken.push({ rule: "after_accumulated_72h", ...about });
    }
  return broken;
}

/** Each week against the most that the weeks before it allow. */
function ramp(q: BlockQuestion, days: readonly PlannedDay[]): Broken[] {
  const broken: Broken[] = [];
  for (const [w, week] of loadsByWeek(q, days).entries()) {
    // what was done already cannot be planned away
    const isOver = (of: keyof WeekLoad) => {
      const most = week.most[of];
      return most !== null && week.load[of] > Math.max(most, w === 0 ? q.begun[of] : 0) + 1e-6;
    };
    if (isOver("hardReps")) broken.push({ rule: "hard_reps_week", on: week.startsOn });
    if (isOver("kneecapChairS")) broken.push({ rule: "kneecap_week", on: week.startsOn });
  }
  return broken;
}

/** Every week's work with the most for it, after what was done and what stands before it. */
export function loadsByWeek(
  q: BlockQuestion,
  days: readonly PlannedDay[],
): { startsOn: string; load: WeekLoad; most: MostOfWeek }[] {
  let lastMost: MostOfWeek | null = null;
  const before: WeekLoad[] = [...q.weeksDone];
  return Array.from({ length: weeksOf(q) }, (_, w) => {
    const startsOn = daysAfter(q.startsOn, 7 * w);
    const last = daysAfter(startsOn, 6);
    const sheets = q.sheets.map((s) => ({ ...s, times: w >= q.buildWeeks ? s.keepTimes : s.times }));
    const most = mostOfWeek(before, lastMost, sheets);
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
