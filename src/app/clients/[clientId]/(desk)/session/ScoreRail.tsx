import type { ScoreTotals } from "@/core/dose/sessionScore";
import type { RangeRow } from "@/core/selection/rangeSheet";
import { Ruler } from "@/ui/rail/Ruler";
import { RAIL, xOf } from "@/ui/rail/scale";
import { twoLines } from "@/ui/rail/twoLines";
import { schemeWords } from "./schemeDefaults";
import type { Line } from "./useScore";

const HEIGHT = 54;
const MIDDLE = 27;
const LETTERS = 21;

/** The lines under the ruler: a thick line where a repetition travels, a disc where a hold sits, words where the knee is quiet. */
export function ScoreRail({
  lines,
  rows,
  totals,
  bars,
  picked,
  onPick,
}: {
  lines: readonly Line[];
  rows: ReadonlyMap<string, RangeRow>;
  totals: ScoreTotals;
  bars: ReadonlyMap<string, string[]>;
  picked: string | null;
  onPick: (key: string) => void;
}) {
  let at = -1;
  return (
    <div className="mt-2">
      <svg viewBox={`0 0 ${RAIL.width} 34`} className="w-full">
        <title>Knee flexion</title>
        <Ruler />
      </svg>
      <ol>
        {lines.map((l, i) => {
          const row = rows.get(l.exerciseId) ?? null;
          if (row) at += 1;
          const total = row ? totals.perItem[at] : null;
          const names = twoLines(`${i + 1}. ${row?.e.name ?? l.exerciseId}`, LETTERS);
          return (
            <li key={l.key}>
              <button
                type="button"
                aria-pressed={l.key === picked}
                onClick={() => onPick(l.key)}
                className={`block w-full cursor-pointer border-b border-rule text-left ${l.key === picked ? "bg-base-100 shadow-[inset_4px_0_0_var(--color-primary)]" : ""}`}
              >
                <svg
                  viewBox={`0 0 ${RAIL.width} ${HEIGHT}`}
                  className="block w-full"
                  role="img"
                  aria-label={`${i + 1}. ${row?.e.name ?? l.exerciseId}, ${schemeWords(l.scheme)}${bars.has(l.key) ? ", barred" : ""}`}
                >
                  {names.map((words, n) => (
                    <text
                      key={words}
                      x={8}
                      y={16 + n * 14}
                      fontSize={12.5}
                      fontWeight={650}
                      className="fill-current"
                    >
                      {words}
                    </text>
                  ))}
                  <text
                    x={8}
                    y={16 + names.length * 14}
                    fontSize={12}
                    className={bars.has(l.key) ? "fill-accent" : "fill-quiet"}
                  >
                    {bars.has(l.key) ? "barred: see at the right" : schemeWords(l.scheme)}
                  </text>
                  <Mark line={l} row={row} />
                  <text x={RAIL.right + 6} y={20} fontSize={12.5} className="fill-current">
                    {total ? `${Math.max(1, Math.round(total.seconds / 60))} min` : ""}
                  </text>
                  <text x={RAIL.right + 6} y={36} fontSize={12} className="fill-quiet">
                    {total?.hard ? `${total.hard} hard` : ""}
                  </text>
                </svg>
              </button>
            </li>
          );
        })}
      </ol>
    </div>
  );
}

/** Where the knee works: quiet work says so. */
function Mark({ line, row }: { line: Line; row: RangeRow | null }) {
  if (!row) return null;
  const { arc, e } = row;
  const isQuiet = e.match.class === "hip_open" || e.match.class === "calf" || e.match.class === "stretch";
  if (isQuiet)
    return (
      <text x={RAIL.left} y={MIDDLE + 4} fontSize={12.5} className="fill-quiet">
        the knee stays quiet
      </text>
    );
  const [x1, x2] = [xOf(arc.fromDeg), xOf(arc.toDeg)];
  const isHold = line.scheme.kind === "holds";
  const hold = xOf(Math.round((arc.fromDeg + arc.toDeg) / 2 / 5) * 5);
  return (
    <g>
      <line
        x1={x1}
        x2={x2}
        y1={MIDDLE}
        y2={MIDDLE}
        strokeWidth={isHold ? 1.2 : 7}
        strokeLinecap="round"
        strokeDasharray={isHold ? "2 4" : undefined}
        className="stroke-primary"
      />
      {isHold && <circle cx={hold} cy={MIDDLE} r={9} className="fill-primary" />}
      {(line.scheme.kind === "partials" || line.scheme.kind === "lowering") && (
        <line
          x1={line.scheme.kind === "partials" && line.scheme.end === "short" ? x1 : x1 + (x2 - x1) * 0.6}
          x2={line.scheme.kind === "partials" && line.scheme.end === "short" ? x1 + (x2 - x1) * 0.4 : x2}
          y1={MIDDLE}
          y2={MIDDLE}
          strokeWidth={11}
          className="stroke-mark"
        />
      )}
    </g>
  );
}
