import { asRamp } from "../dose/asRamp";
import { eased, endingEarly } from "../dose/easeLines";
import { fitsWell, judgeScore, type ScoreContext } from "../dose/judgeScore";
import { lightStart } from "../dose/lightStart";
import type { ScoreLine } from "../dose/scoreInput";
import { itemsOf } from "../dose/scoreItems";
import { orderNotes, USUAL_ORDER } from "../dose/sessionScore";
import type { Exercise } from "../rules/exercises";
import { GOALS } from "../rules/goals";
import type { BarredRow, RangeRow } from "../selection/rangeSheet";
import { lowerFirst } from "../units/lowerFirst";
import type { DraftFacts } from "./draftFacts";
import { type DraftLine, has, plainLine, withSets } from "./draftLine";
import { addLine, type Change } from "./edit";
import { fitTime, LEAST_LINES, type Made, withoutLeast } from "./fitTime";
import { standInsOf, withStandIns } from "./machineRules";
import { forPain, forSwelling } from "./painRules";
import { forExperience, forIrritability, forPlace, forWeakness, forYears, insideEffort } from "./personRules";
import { soundLine } from "./soundLine";
import { withTask } from "./taskStage";

/** Where a session is done and how long it may take. */
export interface DraftWish {
  place: "gym" | "other_gym" | "home";
  minutes: number;
}

export interface SessionDraft {
  /** each with why it is there */
  lines: ScoreLine[];
  /** what to ask, what stands beside the sheet, what was left out and why */
  notes: string[];
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
): SessionDraft {
  const notes: string[] = [];
  const byId = new Map(context.sheet.exercises.map((e) => [e.id, e]));
  const open = new Set(sheet.rows.filter((r) => isOpen(r, wish)).map((r) => r.e.id));
  const c: Change = {
    facts,
    limits: context.sheet.limits,
    exercise: (id) => byId.get(id) ?? null,
    fits: (id) => open.has(id),
    opens: (id) => sheet.barred.find((b) => b.e.id === id)?.opens ?? null,
    note: (sentence) => {
      if (!notes.includes(sentence)) notes.push(sentence);
    },
  };
  const recipe = wish.place === "home" ? facts.recipe.home : facts.recipe.clinic;
  for (const n of recipe.notes) c.note(n);
  const planned = insideEffort(shaped([...recipe.lines], c, context, wish), c);
  const made = sound(withStandIns(planned, c), c, context);
  const most = mostLines(c, context, wish);
  const begun = withLightStart(
    moved(atMost(made, most), (m) => m.line, context),
    sheet.rows.filter((r) => open.has(r.e.id)),
    context,
  );
  const inOrder = atMost(begun, most);
  const rested = eased(withRamp(lines(inOrder), context), context, { restLonger: true });
  const timed = fitTime(
    inOrder.map((m, i) => ({ ...m, line: rested[i] ?? m.line })),
    wish.minutes * 60,
    context,
  );
  const moves = recipe.movesFirst;
  if (timed.some((m) => m.line.exerciseId === moves.exerciseId))
    c.note(`What moves first: ${nameOf(c, moves.exerciseId)}, ${moves.how}.`);
  for (const b of facts.recipe.beside) c.note(`Beside the sheet: ${b}.`);
  return { lines: settled(lines(timed), c, context), notes };
}

/** What would still end early, however it is eased, is left out and said. */
function withoutEarly(drafted: ScoreLine[], c: Change, context: ScoreContext): ScoreLine[] {
  let kept = drafted;
  for (;;) {
    const [first] = endingEarly(judgeScore(kept, context), context);
    const line = first === undefined ? undefined : kept[first];
    if (!line) return kept;
    c.note(`Left out: ${nameOf(c, line.exerciseId)}, because after the lines before it it would end early.`);
    kept = kept.filter((l) => l !== line).map((l, i) => (i === 0 ? { ...l, sharesRests: false } : l));
  }
}

const lines = (made: readonly Made[]): ScoreLine[] => made.map((m) => m.line);
const nameOf = (c: Change, id: string): string => lowerFirst(c.exercise(id)?.name ?? id);

const isOpen = (r: RangeRow, wish: DraftWish): boolean =>
  !r.e.match.requires_unlock &&
  !r.computed?.tooHeavyBecause &&
  (wish.place === "home" ? r.e.home_ready : r.isAtHand);

/** In the order of decisions: the goal, what hurts, what is weak, who it is, where and how long. */
function shaped(drafted: DraftLine[], c: Change, context: ScoreContext, wish: DraftWish): DraftLine[] {
  const { known } = context;
  const ladder = c.facts.recipe.ladders[0];
  const goal = GOALS.find((g) => g.id === ladder?.goal_id);
  let made = ladder && goal ? withTask(drafted, c, known, ladder, goal.name) : drafted;
  made = forSwelling(forPain(made, c), c);
  made = forWeakness(made, c);
  made = forIrritability(made, c, known.irritability);
  made = forYears(forPlace(made, c, wish.place), c);
  if (wish.minutes <= SHORT_MIN) made = shortened(made, c);
  made = forExperience(made, c, known.isNovice);
  if (wish.minutes >= LONG_MIN) made = lengthened(made, c);
  return made;
}

const SHORT_MIN = 15;
const LONG_MIN = 60;
/** So long after surgery the calf is a pump and stays in a short session [own]. */
const PUMP_WEEKS = 6;

function shortened(made: DraftLine[], c: Change): DraftLine[] {
  const weeks = c.facts.weeksAfterSurgery;
  const pumps = weeks !== null && weeks < PUMP_WEEKS;
  const kept = made.map((l) => ({ ...l, isAsked: l.isAsked || (pumps && l.role === "calf") }));
  const fewer = kept.filter((l) => l.isAsked || (l.role !== "stretch" && l.role !== "calf"));
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
  return addLine(more, c, "stand_one_leg", { why: "balance with the time that is left", at: "last" });
}

/** So many lines are remembered and watched; a warm-up is not among them [own]. */
function mostLines(c: Change, context: ScoreContext, wish: DraftWish): number {
  const byPlace = wish.place === "gym" ? 7 : 5;
  const byPerson = c.facts.isFrail ? 4 : context.known.isNovice ? 5 : 7;
  return Math.min(byPlace, byPerson);
}

function atMost(made: Made[], most: number): Made[] {
  let kept = made;
  while (kept.filter((m) => m.draft.role !== "warm_up").length > most) {
    const fewer = withoutLeast(kept);
    if (fewer.length === kept.length) break;
    kept = fewer;
  }
  return kept;
}

/** Every line as it may be saved; what is barred gives way to its stand-ins, else is left out and said. */
function sound(planned: readonly DraftLine[], c: Change, context: ScoreContext): Made[] {
  const made: Made[] = [];
  for (const draft of planned) {
    const e = c.exercise(draft.exerciseId);
    if (!e || made.some((m) => m.line.exerciseId === e.id)) continue;
    let because: string | null = null;
    for (const form of formsOf(draft, e, c)) {
      const taken =
        made.some((m) => m.line.exerciseId === form.exerciseId) ||
        (form !== draft && has(planned, form.exerciseId));
      const of = c.exercise(form.exerciseId);
      if (taken || !of) continue;
      const found = c.fits(of.id) ? soundLine(form, of, context) : { barredBecause: notOpen(of, context) };
      if (!("barredBecause" in found)) {
        made.push({ draft: form, line: found });
        because = null;
        break;
      }
      because ??= found.barredBecause;
    }
    if (because) c.note(`Left out: ${lowerFirst(e.name)}, because ${because}.`);
  }
  return made;
}

const notOpen = (e: Exercise, context: ScoreContext): string => {
  const [judged] = judgeScore(
    [
      {
        exerciseId: e.id,
        scheme: {
          kind: "holds",
          sets: 1,
          reps: 1,
          holdS: 5,
          restS: 5,
          setRestS: 0,
          effort: { kind: "felt", felt: 1 },
          atDeg: null,
        },
        legs: "together",
        window: null,
        sharesRests: false,
      },
    ],
    context,
  );
  return judged?.open === null
    ? (judged.bars[0]?.replace(/: take it out.*$/, "") ?? "it does not fit")
    : "it does not fit here today";
};

/** The line itself, then what may stand in for it: by the table, else the catalogue's easier form. */
function formsOf(draft: DraftLine, e: Exercise, c: Change): DraftLine[] {
  const stand = standInsOf(e.id).map(([to, why]) => ({ to, why: `${draft.why} (${why})` }));
  const easier = e.easier_id ? [{ to: e.easier_id, why: `${draft.why} (an easier form)` }] : [];
  return [
    draft,
    ...[...stand, ...easier].flatMap(({ to, why }) => {
      const of = c.exercise(to);
      if (!of) return [];
      const isHeld = of.match.static_hold;
      const scheme = isHeld === (draft.scheme.kind === "holds") ? draft.scheme : isHeld ? HELD : MOVED;
      return [
        { ...draft, exerciseId: to, scheme, window: scheme === draft.scheme ? draft.window : null, why },
      ];
    }),
  ];
}

const HELD: DraftLine["scheme"] = {
  kind: "holds",
  sets: 1,
  reps: 5,
  holdS: 10,
  restS: 20,
  setRestS: 60,
  effort: { kind: "felt", felt: 4 },
  atDeg: null,
};
const MOVED: DraftLine["scheme"] = {
  kind: "straight",
  sets: 2,
  reps: 10,
  reserve: 4,
  tempo: { liftS: 2, topS: 0, lowerS: 3, bottomS: 0 },
  restS: 60,
};

const ORDER_ROUNDS = 8;

/** The first thing that the rules of order would settle by themselves; null where there is none. */
function orderFix(drafted: readonly ScoreLine[], context: ScoreContext, kind: "move" | "warm_up") {
  const items = itemsOf(judgeScore(drafted, context), (_, i) => String(i));
  return orderNotes(items, USUAL_ORDER).find((n) => n.fix?.kind === kind) ?? null;
}

/** What the rules of order would move is moved. */
function moved<L>(all: readonly L[], lineOf: (l: L) => ScoreLine, context: ScoreContext): L[] {
  let kept = [...all];
  for (let round = 0; round < ORDER_ROUNDS; round++) {
    const note = orderFix(kept.map(lineOf), context, "move");
    const line = note ? kept[Number(note.itemId)] : undefined;
    if (line === undefined || note?.fix?.kind !== "move") return kept;
    const rest = kept.filter((l) => l !== line);
    kept = [...rest.slice(0, note.fix.to), line, ...rest.slice(note.fix.to)];
  }
  return kept;
}

/** What wakes the thigh without the last degrees to straight, which a sore kneecap or nerve does not like. */
const LIGHT_STARTS = ["kext_iso_machine", "quad_set", "kext_iso_band", "kext_light_high_rep"];

/** Heavy work that would come first gets a light start before it. */
function withLightStart(made: readonly Made[], rows: readonly RangeRow[], context: ScoreContext): Made[] {
  if (!orderFix(lines(made), context, "warm_up")) return [...made];
  const start = lightStart(
    rows.filter((r) => LIGHT_STARTS.includes(r.e.id) && !made.some((m) => m.line.exerciseId === r.e.id)),
    context,
  );
  if (!start) return [...made];
  const why = "a light start before heavy work";
  const { exerciseId, scheme, legs } = start;
  const draft = { ...plainLine(exerciseId, "warm_up", { scheme, window: null }, legs, why), isAsked: true };
  return [{ draft, line: { ...start, why } }, ...made];
}

/** Eased, in order, and nothing that would end early: each may undo another, so until nothing is left to do. */
function settled(drafted: readonly ScoreLine[], c: Change, context: ScoreContext): ScoreLine[] {
  let kept = [...drafted];
  for (let round = 0; round < ORDER_ROUNDS; round++) {
    const inOrder = moved(kept, (l) => l, context).map((l, i) =>
      i === 0 ? { ...l, sharesRests: false } : l,
    );
    kept = withoutEarly(eased(inOrder, context, { restLonger: false }), c, context);
    if (!orderFix(kept, context, "move")) return kept;
  }
  return kept;
}

/** Ramp sets where a heavy press or squat would begin cold and the scheme's gates allow them. */
function withRamp(drafted: ScoreLine[], context: ScoreContext): ScoreLine[] {
  const items = itemsOf(judgeScore(drafted, context), (_, i) => String(i));
  const note = orderNotes(items, USUAL_ORDER).find((n) => n.fix?.kind === "ramp");
  if (!note) return drafted;
  return drafted.map((l, i) => {
    if (String(i) !== note.itemId || l.scheme.kind !== "straight") return l;
    const ramped = asRamp(l);
    const [judged] = judgeScore([ramped], context);
    return judged && fitsWell(judged) ? ramped : l;
  });
}
