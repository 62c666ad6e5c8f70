import { max, scaleLinear } from "d3";
import type { WeekLoad } from "@/core/schedule/block/block";
import { Term } from "@/ui/help/Term";

const H = 62;
const W = 330;

/** Kneecap work of each week as bars, done in a lighter tone, planned in the full one: shown, not held against anything. */
export function WeekBars({
  done,
  planned,
}: {
  done: readonly WeekLoad[];
  planned: readonly { load: WeekLoad }[];
}) {
  const values = [...done, ...planned.map((w) => w.load)].map((w) => w.kneecapChairS);
  const y = scaleLinear([0, Math.max(1, max(values) ?? 1)], [0, H - 18]);
  const bar = Math.min(26, W / Math.max(1, values.length) - 4);
  const words = planned.map((w, i) => `week ${i + 1}: ${Math.round(w.load.kneecapChairS)}`).join("; ");
  return (
    <figure className="mt-3">
      <figcaption className="text-[15px] font-bold">
        Kneecap{" "}
        <span className="small quiet font-normal">
          <Term id="kneecap">seconds of a chair rise</Term>
        </span>
      </figcaption>
      <svg viewBox={`0 0 ${W} ${H}`} className="w-full" role="img" aria-label={`Kneecap. ${words}`}>
        {values.map((n, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: weeks in their order
          <g key={i}>
            <rect
              x={i * (bar + 4)}
              y={H - 14 - y(n)}
              width={bar}
              height={y(n)}
              className={i < done.length ? "fill-primary opacity-40" : "fill-primary"}
            />
            {i >= done.length && (
              <text
                x={i * (bar + 4) + bar / 2}
                y={H - 2}
                textAnchor="middle"
                className="fill-base-content text-[11px]"
              >
                {i - done.length + 1}
              </text>
            )}
          </g>
        ))}
      </svg>
    </figure>
  );
}
