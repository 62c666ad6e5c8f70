import { GOALS } from "../rules/goals";
import type { BarredRow, RangeRow } from "../selection/rank/rangeSheet";
import { eased } from "../sheet/draft/easeLines";
import type { ScoreContext } from "../sheet/judge/judgeScore";
import type { ScoreLine } from "../sheet/line/scoreInput";
import type { OrderSchool } from "../sheet/order/sessionScore";
import { asKept, type Said, saidWith } from "../units/said";
import type { DraftFacts } from "./draftFacts";
import { type DraftLine, has, withSets } from "./draftLine";
import { moved, settled, withLightStart, withRamp } from "./draftOrder";
import { addLine, type Change, nameOf } from "./edit";
import { enoughSets, sayTooFew } from "./enoughSets";
import { filled, sayTime, secondsOf } from "./fillTime";
import { atMost, fitTime, LEAST_LINES } from "./fitTime";
import { aroundWhatHurts } from "./person/aroundPain";
import { withStandIns } from "./person/machineRules";
import { asksTooMuch, forStory } from "./person/notYet";
import { forPain, forSwelling } from "./person/painRules";
import {
  forExperience,
  forIrritability,
  forPlace,
  forWeakness,
  forYears,
  insideEffort,
} from "./person/personRules";
import { soundLines } from "./person/soundLines";
import { withStretch } from "./person/stretches";
import { withTrunk } from "./person/trunk";
import { forSchools } from "./schools/schoolRules";
import { withTask } from "./taskStage";
import { testsWorth } from "./testsWorth";

/** Where a session is done and how long it may take. */
export interface DraftWish {
  place: "gym" | "other_gym" | "home";
  minutes: number;
}

export interface SessionDraft {
  /** each with why it is there */
  lines: ScoreLine[];
  /** what to ask, what stands beside the sheet, what was left out and why */
  notes: Said[];
}

/**
 * A first draft as a careful therapist would begin: the lines of condition and phase, the goal as a line of its own, changed
 * for what hurts, swells and is weak, for irritability, years, experience, place and time; then every line is judged as it
 * would be when saved. For the therapist to read and change, never a prescription. Source: draft rules.
 */
export function draftSession(
  facts: DraftFacts,
  sheet: { rows: readonly RangeRow[]; barred: readonly BarredRow[] },
  context: ScoreContext,
  wish: DraftWish,
  school: OrderSchool,
): SessionDraft {
  const notes: Said[] = [];
  const byId = new Map(context.sheet.exercises.map((e) => [e.id, e]));
  const open = new Set(
    sheet.rows.filter((r) => isOpen(r, wish) && !asksTooMuch(facts, r.e.id)).map((r) => r.e.id),
  );
  const c: Change = {
    facts,
    limits: context.sheet.limits,
    exercise: (id) => byId.get(id) ?? null,
    fits: (id) => open.has(id),
    barredBecause: (id) => sheet.barred.find((b) => b.e.id === id)?.reasons[0] ?? null,
    opens: (id) => sheet.barred.find((b) => b.e.id === id)?.opens ?? null,
    note: (said) => {
      if (!notes.some((n) => asKept(n) === asKept(said))) notes.push(said);
    },
  };
  if (facts.unconfirmed) c.note(saidWith("drafts.unconfirmed", { phase: facts.unconfirmed }));
  const recipe = wish.place === "home" ? facts.recipe.home : facts.recipe.clinic;
  for (const n of recipe.notes) c.note(n);
  const by = { context, school };
  const most = mostLines(c, context, wish);
  const planned = insideEffort(shaped([...recipe.lines], c, context, wish), c);
  const made = atMost(soundLines(withStandIns(planned, c), c, context), most);
  const begun = withLightStart(
    moved(made, (m) => m.line, by),
    sheet.rows.filter((r) => open.has(r.e.id)),
    by,
  );
  const lines = withRamp(
    begun.map((m) => m.line),
    by,
  );
  const rested = eased(lines, context, { restLonger: true });
  const timed = fitTime(
    begun.map((m, i) => ({ ...m, line: rested[i] ?? m.line })),
    wish.minutes * 60,
    context,
    wish.minutes <= SHORT_MIN ? FEWEST_LINES : LEAST_LINES,
  );
  const moves = recipe.movesFirst;
  if (timed.some((m) => m.line.exerciseId === moves.exerciseId))
    c.note(saidWith("drafts.moves_first", { name: nameOf(c, moves.exerciseId), how: moves.how }));
  for (const b of facts.recipe.beside) c.note(saidWith("drafts.beside", { what: b }));
  const seconds = wish.minutes * 60;
  const enough = enoughSets(
    timed.map((m) => m.line),
    c,
    context,
    seconds,
  );
  const room = { seconds, lines: most + (wish.minutes >= WITH_MORE_MIN && !facts.isFrail ? 1 : 0) };
  // what would end early is left out only when all of it stands: its time is filled once more. Easing rests longer: where that is
  // past the time there is, so much less is filled
  const fill = (from: readonly ScoreLine[]): ScoreLine[] => {
    const first = settled(filled(from, c, context, room), c, by);
    const over = secondsOf(first, context) - seconds;
    return over > 0 ? settled(filled(from, c, context, { ...room, seconds: seconds - over }), c, by) : first;
  };
  const last = fill(fill(enough));
  sayTime(last, c, context, room);
  sayTooFew(last, c, context, seconds);
  for (const t of wish.place === "gym" ? testsWorth(last, facts, context) : [])
    c.note(saidWith("drafts.test_first", { ...t }));
  return { lines: last, notes };
}

const isOpen = (r: RangeRow, wish: DraftWish): boolean =>
  !r.e.match.requires_unlock &&
  !r.computed?.tooHeavyBecause &&
  (wish.place === "home" ? r.e.home_ready : r.isAtHand);

/** In the order of decisions: the goal, what hurts, what is weak, who it is, where and how long. */
function shaped(drafted: DraftLine[], c: Change, context: ScoreContext, wish: DraftWish): DraftLine[] {
  const { known } = context;
  const ladder = c.facts.recipe.ladders[0];
  const goal = GOALS.find((g) => g.id === ladder?.goal_id);
  const told = forStory(drafted, c);
  let made = ladder && goal ? withTask(told, c, known, ladder, goal.name) : told;
  made = forSwelling(forPain(forSchools(made, c), c), c);
  made = forWeakness(made, c);
  made = forIrritability(made, c, known.irritability);
  made = forYears(forPlace(made, c, wish.place), c);
  if (wish.minutes <= SHORT_MIN) made = shortened(made, c);
  made = forExperience(made, c, known.isNovice);
  if (wish.minutes >= LONG_MIN) made = lengthened(made, c);
  if (wish.minutes >= WITH_MORE_MIN) made = withTrunk(made, c);
  if (wish.minutes > SHORT_MIN) made = withStretch(made, c);
  // last: what weakness, years or place brought in goes around it too
  return aroundWhatHurts(made, c);
}

const SHORT_MIN = 20;
/** In a short session the goal and one main line are enough. */
const FEWEST_LINES = 2;
/** With so much time one line more is remembered. */
const WITH_MORE_MIN = 45;
const LONG_MIN = 60;
/** So long after surgery the calf is a pump and stays in a short session [own]. */
const PUMP_WEEKS = 6;

function shortened(made: DraftLine[], c: Change): DraftLine[] {
  const weeks = c.facts.weeksAfterSurgery;
  const pumps = weeks !== null && weeks < PUMP_WEEKS;
  const kept = made.map((l) => ({ ...l, isAsked: l.isAsked || (pumps && l.role === "calf") }));
  const fewer = kept.filter((l) => l.isAsked || l.role !== "calf");
  return (fewer.length >= LEAST_LINES ? fewer : kept).map((l) =>
    withSets(l, (now) => (l.scheme.kind === "holds" ? now : Math.min(2, now))),
  );
}

/** More of the best, not more kinds; balance with what is left. */
function lengthened(made: DraftLine[], c: Change): DraftLine[] {
  const more = made.map((l) =>
    l.role === "main" && l.scheme.kind !== "holds"
      ? withSets(l, (now) => Math.max(now, Math.min(4, now + 1)))
      : l,
  );
  if (has(more, "stand_one_leg", "stand_balance")) return more;
  return addLine(more, c, "stand_one_leg", { why: "drafts.balance_last", at: "last" });
}

/** So many lines are remembered and watched; a warm-up is not among them [own]. */
function mostLines(c: Change, context: ScoreContext, wish: DraftWish): number {
  const byPlace = wish.place === "gym" || wish.minutes >= WITH_MORE_MIN ? 7 : 5;
  const byPerson = c.facts.isFrail ? 4 : context.known.isNovice ? 5 : 7;
  return Math.min(byPlace, byPerson);
}
