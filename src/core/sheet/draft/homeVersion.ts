import { canBeDoneWith, type HomeThing } from "../../rules/exerciseNeeds";
import { groupOf, type RangeRow } from "../../selection/rank/rangeSheet";
import { type Said, saidWith } from "../../units/said";
import type { ScoreContext } from "../judge/judgeScore";
import type { ScoreLine } from "../line/scoreInput";
import { workKindOf } from "../line/workKind";
import { eased } from "./easeLines";
import { onOther } from "./onOther";

export interface HomeVersion {
  lines: ScoreLine[];
  /** what became of each line */
  notes: Said[];
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
  const notes: Said[] = [];
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
      notes.push(saidWith("drafts.nothing_at_home", { name: e.name }));
      continue;
    }
    kept.push({ ...made.line, sharesRests: made.line.sharesRests && kept.length > 0 });
    if (made.name !== e.name) notes.push(saidWith("drafts.becomes", { name: e.name, to: made.name }));
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
