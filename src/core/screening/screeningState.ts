import type { Limit } from "../bounds/limit";
import { limitsOfOverride } from "../phases/limitsOfOverride";
import type { Consequence, RedFlag } from "../rules/redFlags";
import { redFlagById } from "../rules/redFlags";
import { daysBetween } from "../units/days";
import { asKept, type Said, saidWith } from "../units/said";
import { type Answer, screen } from "./screening";

/** A whole screening is asked again when it is older than this [own]. */
export const SCREEN_AGAIN_AFTER_DAYS = 84;
/** … and after a gap in the sessions longer than this (warning-sign data, "who"). */
export const SCREEN_AFTER_GAP_DAYS = 28;

export interface ScreeningRecord {
  id: string;
  /** ISO day */
  on: string;
  answers: readonly { questionId: string; answer: Answer; escalations: readonly string[] }[];
  cleared: readonly string[];
}

/** A positive answer that nobody has cleared. */
export interface StandingSign {
  screeningId: string;
  flag: RedFlag;
  answer: Answer;
  consequence: Consequence;
  timeFrame: string;
  on: string;
}

export interface ScreeningState {
  /** missing: never asked; incomplete: questions without an answer; due: too old or after a gap */
  status: "missing" | "incomplete" | "stop" | "hold" | "due" | "caution" | "clear";
  standing: StandingSign[];
  unanswered: RedFlag[];
  /** why a whole screening is due, or null */
  dueBecause: Said | null;
  /** why planning is barred, with who can unbar it; null if it is not */
  barsPlanning: Said | null;
  /** the same for the floor: an old screening alone does not stop a plan that runs */
  barsFloor: Said | null;
}

/**
 * Where the screening stands. A positive answer stands until it is cleared, also when a later screening says no:
 * answering again is not clearing. For each question the strictest standing answer counts.
 */
export function screeningState(
  asked: readonly RedFlag[],
  screenings: readonly ScreeningRecord[],
  today: string,
  /** the newest session, or null */
  lastSessionOn: string | null,
): ScreeningState {
  const standing = standingSigns(screenings);
  const newest = screenings.reduce<ScreeningRecord | null>((n, s) => (n && n.on > s.on ? n : s), null);
  const answered = new Set(screenings.flatMap((s) => s.answers.map((a) => a.questionId)));
  const unanswered = newest ? asked.filter((q) => !answered.has(q.id)) : [...asked];
  const dueBecause = newest ? whyDue(newest.on, today, lastSessionOn) : null;
  const worst = worstOf(standing);
  const base = { standing, unanswered, dueBecause };
  if (worst?.consequence === "stop_send_now" || worst?.consequence === "hold_ask_physician") {
    const isStop = worst.consequence === "stop_send_now";
    const bars = saidWith("screening.sign", {
      isStop,
      timeFrame: worst.timeFrame,
      question: worst.flag.question,
    });
    return { ...base, status: isStop ? "stop" : "hold", barsPlanning: bars, barsFloor: bars };
  }
  if (!newest) {
    const bars = { code: "screening.not_asked" };
    return { ...base, status: "missing", barsPlanning: bars, barsFloor: bars };
  }
  if (unanswered.length > 0) {
    const bars = saidWith("screening.unanswered", { count: unanswered.length });
    return { ...base, status: "incomplete", barsPlanning: bars, barsFloor: bars };
  }
  if (dueBecause) {
    const bars = saidWith("screening.due_again", { because: dueBecause });
    const isGap = lastSessionOn !== null && daysBetween(lastSessionOn, today) > SCREEN_AFTER_GAP_DAYS;
    return { ...base, status: "due", barsPlanning: bars, barsFloor: isGap ? bars : null };
  }
  return { ...base, status: worst ? "caution" : "clear", barsPlanning: null, barsFloor: null };
}

function standingSigns(screenings: readonly ScreeningRecord[]): StandingSign[] {
  const strictest = new Map<string, StandingSign>();
  for (const s of screenings)
    for (const a of s.answers) {
      const flag = redFlagById(a.questionId);
      if (!flag || a.answer === "no" || s.cleared.includes(a.questionId)) continue;
      const [found] = screen([flag], [a]).positive;
      if (!found) continue;
      const sign = { screeningId: s.id, answer: a.answer, on: s.on, ...found };
      const before = strictest.get(flag.id);
      // of two answers to one question each must be cleared; the stricter one is shown
      if (!before || rank(sign.consequence) < rank(before.consequence)) strictest.set(flag.id, sign);
    }
  return [...strictest.values()].sort((a, b) => rank(a.consequence) - rank(b.consequence));
}

const ORDER: readonly Consequence[] = ["stop_send_now", "hold_ask_physician", "proceed_with_caution"];
const rank = (c: Consequence): number => ORDER.indexOf(c);
const worstOf = (standing: readonly StandingSign[]): StandingSign | null => standing[0] ?? null;

function whyDue(on: string, today: string, lastSessionOn: string | null): Said | null {
  const age = daysBetween(on, today);
  const gap = lastSessionOn === null ? 0 : daysBetween(lastSessionOn, today);
  if (gap > SCREEN_AFTER_GAP_DAYS && lastSessionOn !== null && on <= lastSessionOn)
    return saidWith("screening.gap", { days: gap });
  if (age > SCREEN_AGAIN_AFTER_DAYS) return saidWith("screening.old", { days: age });
  return null;
}

/** The limits that standing signs bring: of the question, and caps on every hold. */
export function limitsOfSigns(standing: readonly StandingSign[]): Limit[] {
  return standing.flatMap(({ flag }) => {
    const because = asKept(saidWith("screening.because", { question: flag.question }));
    const limits = limitsOfOverride(flag.limit_overrides.limits, because, flag.id, "warning_sign");
    const { isometric_effort_max_pct: effort, isometric_hold_max_s: seconds } = flag.limit_overrides.holds;
    const cap = (kind: Limit["kind"], high: number | undefined): Limit[] =>
      high === undefined
        ? []
        : [
            {
              id: `${flag.id}-${kind}`,
              kind,
              low: null,
              high,
              word: null,
              names: [],
              origin: "warning_sign",
              reason: because,
              endsOn: null,
            },
          ];
    return [...limits, ...cap("hold_effort", effort), ...cap("hold_seconds", seconds)];
  });
}
