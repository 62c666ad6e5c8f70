import type { ScoreLine } from "../../sheet/line/scoreInput";

/** What is other in a draft: exercises that go and come, lines done otherwise, or another order of the same. */
export interface DraftDiff {
  out: string[];
  in: string[];
  otherwise: { exerciseId: string; before: ScoreLine; after: ScoreLine }[];
  /** the first lines, where the lines are the same in another order */
  order: string[] | null;
}

const how = ({ scheme, legs, window }: ScoreLine): string => JSON.stringify({ scheme, legs, window });
const ids = (lines: readonly ScoreLine[]): string[] => lines.map((l) => l.exerciseId);

export function draftDiff(before: readonly ScoreLine[], after: readonly ScoreLine[]): DraftDiff {
  const [was, is] = [ids(before), ids(after)];
  const otherwise = after.flatMap((l) => {
    const old = before.find((b) => b.exerciseId === l.exerciseId);
    return old && how(old) !== how(l) ? [{ exerciseId: l.exerciseId, before: old, after: l }] : [];
  });
  const isSame = was.length === is.length && was.every((id) => is.includes(id));
  return {
    out: was.filter((id) => !is.includes(id)),
    in: is.filter((id) => !was.includes(id)),
    otherwise,
    order: isSame && was.join(" ") !== is.join(" ") ? is : null,
  };
}

export const isNoDiff = (d: DraftDiff): boolean =>
  d.out.length + d.in.length + d.otherwise.length === 0 && d.order === null;
