import type { Exercise } from "../../rules/exercises";
import { groupOf, type RangeRow } from "../../selection/rank/rangeSheet";
import type { ScoreContext } from "../judge/judgeScore";
import type { ScoreLine } from "../line/scoreInput";
import { workKindOf } from "../line/workKind";
import { eased } from "./easeLines";
import { onOther } from "./onOther";

/** What people have at home. Floor, wall, a rail to hold and a bed are taken to be there. */
export const HOME_THINGS = {
  chair: "chair",
  band: "band",
  backpack: "backpack",
  cuff: "ankle cuff",
  towel: "towel or pillow",
  step: "step",
} as const;
export type HomeThing = keyof typeof HOME_THINGS;
export const HOME_THING_IDS = Object.keys(HOME_THINGS) as HomeThing[];

/** Words of the catalogue's equipment, and which thing does for them. */
const WORDS: readonly (readonly [RegExp, HomeThing])[] = [
  [/ankle weight|cuff/, "cuff"],
  [/chair|bench|table edge/, "chair"],
  [/band/, "band"],
  [/dumbbell|weight on thigh|hand-held/, "backpack"],
  [/towel|strap|slider|ball|pillow|cushion|roll/, "towel"],
  [/\bstep\b|plate|wedge/, "step"],
];

/** Whether an exercise can be done at home with what is there. */
export function canBeDoneWith(e: Exercise, have: ReadonlySet<HomeThing>): boolean {
  if (!e.home_ready) return false;
  return e.equipment
    .toLowerCase()
    .split(",")
    .filter((part) => !part.includes("optional"))
    .every((part) => part.split(" or ").some((choice) => isThere(choice, have)));
}

function isThere(words: string, have: ReadonlySet<HomeThing>): boolean {
  if (/machine/.test(words)) return false;
  const needed = WORDS.filter(([word]) => word.test(words)).map(([, thing]) => thing);
  return needed.length === 0 || needed.some((t) => have.has(t));
}

export interface HomeVersion {
  lines: ScoreLine[];
  /** what became of each line, in words */
  notes: string[];
}

/**
 * Any session with what people have at home: each line as it is where that works, else the catalogue's substitute, else
 * the best-ranked exercise of the same group. Every line is judged again; what nothing replaces is left out and said.
 */
export function homeVersion(
  lines: readonly ScoreLine[],
  rows: readonly RangeRow[],
  context: ScoreContext,
  have: ReadonlySet<HomeThing>,
): HomeVersion {
  const byId = new Map(context.sheet.exercises.map((e) => [e.id, e]));
  const kept: ScoreLine[] = [];
  const notes: string[] = [];
  for (const line of lines) {
    const e = byId.get(line.exerciseId);
    if (!e) continue;
    const own = rows.find((r) => r.e.id === e.id);
    const substitute = rows.find((r) => r.e.id === e.home_substitute_id);
    const group = groupOf(e).group;
    const inGroup = rows.filter((r) => r.group === group && r.e.match.class !== "stretch");
    // what does the same comes before what only trains the same
    const others = [
      ...inGroup.filter((r) => r.e.match.class === e.match.class),
      ...inGroup.filter((r) => workKindOf(r.e) === workKindOf(e)),
      ...inGroup,
    ];
    const made = firstSound(
      [own, substitute, ...others],
      line,
      context,
      (r) => canBeDoneWith(r.e, have) && !kept.some((k) => k.exerciseId === r.e.id),
    );
    if (!made) {
      notes.push(`${e.name}: nothing at home takes its place, it is left out.`);
      continue;
    }
    kept.push({ ...made.line, sharesRests: made.line.sharesRests && kept.length > 0 });
    if (made.name !== e.name) notes.push(`${e.name} becomes ${made.name}.`);
  }
  return { lines: eased(kept, context, { restLonger: true }), notes };
}

/** The first of the rows that may be taken and on which the line fits; later ones are not judged. */
function firstSound(
  rows: readonly (RangeRow | undefined)[],
  line: ScoreLine,
  context: ScoreContext,
  mayTake: (r: RangeRow) => boolean,
): { name: string; line: ScoreLine } | null {
  for (const row of rows) {
    if (!row || !mayTake(row)) continue;
    const made = onOther(row, line, context);
    if (made) return { name: row.e.name, line: made };
  }
  return null;
}
