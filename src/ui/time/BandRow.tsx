import type { Band } from "@/core/review/facts";
import { atMidnight, TIME, timeScale } from "./scale";

const LINE = 22;

/** Bands that lie over one another go to rows of their own. */
function rowsOf(bands: readonly Band[]): Band[][] {
  const rows: Band[][] = [];
  for (const b of bands) {
    const free = rows.find((r) => {
      const last = r.at(-1);
      return last && last.to !== null && last.to <= b.from;
    });
    if (free) free.push(b);
    else rows.push([b]);
  }
  return rows;
}

/** What held from when to when: phases filled where they hold now, limits as outlines. */
export function BandRow({
  bands,
  from,
  to,
  label,
}: {
  bands: readonly Band[];
  from: string;
  to: string;
  label: string;
}) {
  const rows = rowsOf([...bands].sort((a, b) => a.from.localeCompare(b.from)));
  const time = timeScale(from, to);
  const x = (day: string): number => Math.min(TIME.right, Math.max(TIME.left, time(atMidnight(day))));
  return (
    <svg
      viewBox={`0 0 ${TIME.width} ${rows.length * LINE}`}
      className="block w-full"
      role="img"
      aria-label={`${label}: ${bands.map((b) => `${b.words} from ${b.from}${b.to ? ` until ${b.to}` : ""}`).join("; ")}`}
    >
      {rows.flatMap((row, i) =>
        row.map((b) => {
          const left = x(b.from);
          const width = Math.max(2, x(b.to ?? to) - left - 2);
          const isNow = b.kind === "phase" && b.to === null;
          const fits = Math.floor((width - 10) / 6.2);
          return (
            <g key={b.id}>
              <title>{b.words}</title>
              <rect
                x={left}
                y={i * LINE + 1}
                width={width}
                height={LINE - 4}
                className={isNow ? "fill-primary" : "fill-base-100 stroke-rule"}
              />
              {fits > 3 && (
                <text
                  x={left + 6}
                  y={i * LINE + 14}
                  className={`text-[12px] ${isNow ? "fill-primary-content" : "fill-base-content"}`}
                >
                  {b.words.length > fits ? `${b.words.slice(0, fits - 1)}…` : b.words}
                </text>
              )}
            </g>
          );
        }),
      )}
    </svg>
  );
}
