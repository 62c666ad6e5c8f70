import { max, scaleLinear } from "d3";
import type { WeekLoad } from "@/core/schedule/block/block";
import { Term } from "@/ui/help/Term";
import type { TermId } from "@/ui/help/terms";

const H = 92;
const W = 330;

/** Work of each week as bars, done in a lighter tone, planned in the full one; the line over a bar is the most for it. */
export function WeekBars({
  of,
  title,
  term,
  unit,
  done,
  planned,
}: {
  of: keyof WeekLoad;
  title: string;
  /** what the unit means */
  term: TermId;
  unit: string;
  done: readonly WeekLoad[];
  planned: readonly { load: WeekLoad; most: Record<keyof WeekLoad, number | null> }[];
}) {
  const values = [...done.map((w) => w[of]), ...planned.flatMap((w) => [w.load[of], w.most[of] ?? 0])];
  const y = scaleLinear([0, Math.max(1, max(values) ?? 1)], [0, H - 22]);
  const bar = Math.min(26, W / Math.max(1, done.length + planned.length) - 4);
  const words = planned
    .map(
      (w, i) =>
        `week ${i + 1}: ${Math.round(w.load[of])}${w.most[of] === null ? "" : `, at most ${Math.floor(w.most[of])}`}`,
    )
    .join("; ");
  return (
    <figure className="mt-3">
      <figcaption className="text-[15px] font-bold">
        {title}{" "}
        <span className="small quiet font-normal">
          <Term id={term}>{unit}</Term>; line: the most for that week
        </span>
      </figcaption>
      <svg viewBox={`0 0 ${W} ${H}`} className="w-full" role="img" aria-label={`${title}. ${words}`}>
        {done.map((w, i) => (
          <rect
            // biome-ignore lint/suspicious/noArrayIndexKey: weeks in their order
            key={`d${i}`}
            x={i * (bar + 4)}
            y={H - 14 - y(w[of])}
            width={bar}
            height={y(w[of])}
            className="fill-primary opacity-40"
          />
        ))}
        {planned.map((w, i) => {
          const x = (done.length + i) * (bar + 4);
          const most = w.most[of];
          const isOver = most !== null && w.load[of] > most + 1e-6;
          return (
            // biome-ignore lint/suspicious/noArrayIndexKey: weeks in their order
            <g key={`p${i}`}>
              <rect
                x={x}
                y={H - 14 - y(w.load[of])}
                width={bar}
                height={y(w.load[of])}
                className={isOver ? "fill-error" : "fill-primary"}
              />
              {most !== null && most > 0 && (
                <line
                  x1={x - 1}
                  x2={x + bar + 1}
                  y1={H - 14 - y(most)}
                  y2={H - 14 - y(most)}
                  strokeWidth={2}
                  className="stroke-mark"
                />
              )}
              <text x={x + bar / 2} y={H - 2} textAnchor="middle" className="fill-base-content text-[11px]">
                {i + 1}
              </text>
            </g>
          );
        })}
      </svg>
    </figure>
  );
}
