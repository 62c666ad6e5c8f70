import { itemsOf } from "../sheet/effect/scoreItems";
import { judgeScore, type ScoreContext } from "../sheet/judge/judgeScore";
import type { ScoreLine } from "../sheet/line/scoreInput";
import { scoreTotals } from "../sheet/order/sessionScore";
import { MOST_WORK_SETS } from "../sheet/schemes/parts";
import { isPlainSets } from "../sheet/schemes/scheme";
import { saidWith } from "../units/said";
import { addedScheme } from "./addedSchemes";
import type { DraftLine } from "./draftLine";
import type { Change } from "./edit";
import { aroundWhatHurts } from "./person/aroundPain";
import { soundLines } from "./person/soundLines";

/** A draft fits the time there is within a quarter of it. Rule D5. */
const FITS = { from: 0.75, to: 1.25 } as const;
/** It is filled up to here. */
const FILLED = 0.85;

/** Why a draft leaves much of the time that there is. */
export type TimeBecause = "frail" | "first_visit" | "phase" | "lines" | "nothing";

/** Work beside the main lines, group by group, each by the first of it that is open: what most have too little of first [own]. */
const BESIDE: readonly (readonly string[])[] = [
  ["hip_abd", "hip_abd_standing", "slr_side", "side_step_band"],
  ["curl_seated", "curl_lying", "curl_standing", "ham_hold_prone_elbow"],
  ["calf_standing", "calf_press", "calf_seated", "heel_raise_single"],
  ["bridge_two", "slr_prone", "hinge_two", "rev_two"],
  ["hip_add", "add_squeeze", "slr_add"],
  ["stand_one_leg", "stand_balance", "march_standing"],
  ["slr_supine", "quad_set"],
];

/** What may be added, and in what: how much time there is, how many lines are remembered. */
export interface Room {
  seconds: number;
  lines: number;
}

export const secondsOf = (lines: readonly ScoreLine[], context: ScoreContext): number =>
  scoreTotals(itemsOf(judgeScore(lines, context), (_, i) => String(i))).seconds;

const isEarly = ({ facts }: Change): boolean => facts.stage === "protect" || facts.stage === "wake";
/** In a phase that protects or wakes only work beside the main lines gets a set more, and no more than this [own]. */
const MOST_EARLY_SETS = 3;
const STANDS_BESIDE = new Set(BESIDE.flat());

/** How many sets a line may have: who is frail or here first learns, and nothing is added. Rule D3. */
function mostSetsOf(c: Change, l: ScoreLine): number {
  if (c.facts.isFrail || c.facts.isFirstVisit || !isPlainSets(l.scheme)) return 0;
  if (!isEarly(c)) return MOST_WORK_SETS;
  return STANDS_BESIDE.has(l.exerciseId) ? MOST_EARLY_SETS : 0;
}

/** Work beside the main lines, then a set more of what has the fewest, until the time there is is used. Rule D5. */
export function filled(
  drafted: readonly ScoreLine[],
  c: Change,
  context: ScoreContext,
  room: Room,
): ScoreLine[] {
  const wanted = FILLED * room.seconds;
  let lines = [...drafted];
  let took = secondsOf(lines, context);
  const tryOut = (next: ScoreLine[]): boolean => {
    const takes = secondsOf(next, context);
    if (takes > room.seconds) return false;
    [lines, took] = [next, takes];
    return true;
  };
  if (!c.facts.isFrail)
    for (const group of BESIDE) {
      if (took >= wanted || lines.length >= room.lines) break;
      const added = besideOf(group, lines, c, context);
      if (added) tryOut([...lines, added]);
    }
  for (let sets = 2; sets < MOST_WORK_SETS; sets++)
    for (const [i, l] of lines.entries()) {
      if (took >= wanted) return lines;
      if (isPlainSets(l.scheme) && l.scheme.sets === sets && sets < mostSetsOf(c, l))
        tryOut(
          lines.map((x, k) =>
            k === i ? { ...l, scheme: { ...l.scheme, sets: sets + 1 } } : x,
          ) as ScoreLine[],
        );
    }
  return lines;
}

/** The first of a group that is open and may be saved, where none of the group stands already. */
function besideOf(
  group: readonly string[],
  lines: readonly ScoreLine[],
  c: Change,
  context: ScoreContext,
): ScoreLine | null {
  if (lines.some((l) => group.includes(l.exerciseId))) return null;
  const quietly: Change = { ...c, note: () => {} };
  for (const exerciseId of group) {
    const e = c.exercise(exerciseId);
    if (!e || !c.fits(exerciseId)) continue;
    const draft: DraftLine = {
      ...{ exerciseId, role: "support", scheme: addedScheme(e), legs: "together", window: null },
      ...{ why: "drafts.time_for_it", isAsked: false },
    };
    const [made] = soundLines(aroundWhatHurts([draft], quietly), quietly, context);
    if (made && !lines.some((l) => l.exerciseId === made.line.exerciseId)) return made.line;
  }
  return null;
}

/** Says why a draft is far shorter or longer than the time there is. Rule D5. */
export function sayTime(lines: readonly ScoreLine[], c: Change, context: ScoreContext, room: Room): void {
  const took = secondsOf(lines, context);
  const minutes = Math.ceil(took / 60);
  const asked = Math.round(room.seconds / 60);
  if (took > FITS.to * room.seconds) c.note(saidWith("drafts.minutes_over", { minutes, asked }));
  if (took < FITS.from * room.seconds)
    c.note(saidWith("drafts.minutes_left", { minutes, asked, because: whyLeft(lines, c, room) }));
}

function whyLeft(lines: readonly ScoreLine[], c: Change, room: Room): TimeBecause {
  const { facts } = c;
  if (facts.isFrail) return "frail";
  if (facts.isFirstVisit) return "first_visit";
  if (isEarly(c)) return "phase";
  return lines.length >= room.lines ? "lines" : "nothing";
}
