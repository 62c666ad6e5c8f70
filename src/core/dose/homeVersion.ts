import { leastOf } from "../bounds/inForce";
import type { Exercise } from "../rules/exercises";
import { groupOf, type RangeRow } from "../selection/rangeSheet";
import { schemeByAim } from "./doseByAim";
import { eased } from "./easeLines";
import { usualHoldDeg } from "./holdAngle";
import { fitsWell, judgeScore, type ScoreContext } from "./judgeScore";
import { legsAllowed } from "./legs";
import type { Scheme } from "./scheme";
import { repetitionTarget } from "./schemeShare";
import type { ScoreLine } from "./scoreInput";
import { workKindOf } from "./workKind";

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
    const made = soundLine(row, line, context);
    if (made) return { name: row.e.name, line: made };
  }
  return null;
}

/** The line on another exercise: its own scheme, plain sets of it, or the catalogue's gentle dose, whichever fits first. */
function soundLine(row: RangeRow, line: ScoreLine, context: ScoreContext): ScoreLine | null {
  const { e } = row;
  const { limits } = context.sheet;
  const hold = { atDeg: usualHoldDeg(e, row.arc), mostS: context.sheet.limits.hold_seconds?.high ?? null };
  const tries: (Scheme | null)[] = [
    onThis(line.scheme, e, hold.atDeg),
    plainSets(line.scheme, leastOf(limits, "reserve")),
    schemeByAim(e, "rehab_activation", limits, hold),
  ];
  for (const scheme of tries) {
    if (!scheme) continue;
    const allowed = legsAllowed(e, scheme.kind);
    const legs = allowed.includes(line.legs) ? line.legs : (allowed[0] ?? "together");
    const made: ScoreLine = { ...line, exerciseId: e.id, scheme, legs, window: null, aboveStart: null };
    const [judged] = judgeScore([{ ...made, sharesRests: false }], context);
    if (judged && fitsWell(judged)) return made;
  }
  return null;
}

/** A hold keeps its angle only where it means something and lies inside. */
function onThis(s: Scheme, e: Exercise, atDeg: number | null): Scheme | null {
  // loads in steps are a machine's
  if (s.kind === "climb" || s.kind === "drop" || s.kind === "ramp" || s.kind === "two_up_one_down")
    return null;
  if (s.kind === "holds") return e.isometric.possible ? { ...s, atDeg } : null;
  return s;
}

/** Two or three plain sets for as many repetitions; null for holds and stretches. */
function plainSets(s: Scheme, leastReserve: number): Scheme | null {
  const target = repetitionTarget(s);
  if (s.kind === "holds" || s.kind === "stretch" || s.kind === "carry") return null;
  return {
    kind: "straight",
    sets: "sets" in s ? Math.min(3, s.sets) : 2,
    reps: Math.min(15, Math.max(8, target?.reps ?? 12)),
    reserve: Math.min(8, Math.max(leastReserve, target?.reserve ?? 3)),
    tempo: { liftS: 2, topS: 0, lowerS: 3, bottomS: 0 },
    restS: "restS" in s ? s.restS : 60,
  };
}
