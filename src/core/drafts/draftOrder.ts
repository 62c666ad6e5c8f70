import type { RangeRow } from "../selection/rank/rangeSheet";
import { asRamp } from "../sheet/draft/asRamp";
import { eased, endingEarly } from "../sheet/draft/easeLines";
import { lightStart } from "../sheet/draft/lightStart";
import { itemsOf } from "../sheet/effect/scoreItems";
import { fitsWell, judgeScore, type ScoreContext } from "../sheet/judge/judgeScore";
import type { ScoreLine } from "../sheet/line/scoreInput";
import { type Fix, type OrderSchool, orderNotes } from "../sheet/order/sessionScore";
import { plainLine } from "./draftLine";
import { type Change, leftOut } from "./edit";
import type { Made } from "./fitTime";

/** By what a session is put in order: everything it is judged by, and the views on order in force. */
export interface OrderedBy {
  context: ScoreContext;
  school: OrderSchool;
}

const ROUNDS = 8;

/** The first thing of a kind that the rules of order would settle; null where there is none. */
function orderFix(drafted: readonly ScoreLine[], { context, school }: OrderedBy, kind: Fix["kind"]) {
  const items = itemsOf(judgeScore(drafted, context), (_, i) => String(i));
  return orderNotes(items, school).find((n) => n.fix?.kind === kind) ?? null;
}

/** What the rules of order would move is moved. */
export function moved<L>(all: readonly L[], lineOf: (l: L) => ScoreLine, by: OrderedBy): L[] {
  let kept = [...all];
  for (let round = 0; round < ROUNDS; round++) {
    const note = orderFix(kept.map(lineOf), by, "move");
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
export function withLightStart(made: readonly Made[], rows: readonly RangeRow[], by: OrderedBy): Made[] {
  const drafted = made.map((m) => m.line);
  if (!orderFix(drafted, by, "warm_up")) return [...made];
  const start = lightStart(
    rows.filter((r) => LIGHT_STARTS.includes(r.e.id) && !drafted.some((l) => l.exerciseId === r.e.id)),
    by.context,
  );
  if (!start) return [...made];
  const why = "drafts.light_start";
  const { exerciseId, scheme, legs } = start;
  const draft = { ...plainLine(exerciseId, "warm_up", { scheme, window: null }, legs, why), isAsked: true };
  return [{ draft, line: { ...start, why } }, ...made];
}

/** Ramp sets where a heavy press or squat would begin cold and the scheme's gates allow them. */
export function withRamp(drafted: ScoreLine[], by: OrderedBy): ScoreLine[] {
  const note = orderFix(drafted, by, "ramp");
  return drafted.map((l, i) => {
    if (String(i) !== note?.itemId) return l;
    const ramped = asRamp(l);
    const [judged] = judgeScore([ramped], by.context);
    return judged && fitsWell(judged) ? ramped : l;
  });
}

/** Eased, in order, and nothing that would end early: each may undo another, so until nothing is left to do. */
export function settled(drafted: readonly ScoreLine[], c: Change, by: OrderedBy): ScoreLine[] {
  let kept = [...drafted];
  for (let round = 0; round < ROUNDS; round++) {
    const inOrder = aloneFirst(moved(kept, (l) => l, by));
    kept = withoutEarly(eased(inOrder, by.context, { restLonger: false }), c, by.context);
    if (!orderFix(kept, by, "move")) return kept;
  }
  return kept;
}

/** What would still end early, however it is eased, is left out and said. */
function withoutEarly(drafted: ScoreLine[], c: Change, context: ScoreContext): ScoreLine[] {
  let kept = drafted;
  for (;;) {
    const [first] = endingEarly(judgeScore(kept, context), context);
    const line = first === undefined ? undefined : kept[first];
    if (!line) return kept;
    c.note(leftOut(c, line.exerciseId, { code: "drafts.would_end_early" }));
    kept = aloneFirst(kept.filter((l) => l !== line));
  }
}

/** The first line has nothing above it to share rests with. */
export const aloneFirst = (all: readonly ScoreLine[]): ScoreLine[] =>
  all.map((l, i) => (i === 0 ? { ...l, sharesRests: false } : l));
