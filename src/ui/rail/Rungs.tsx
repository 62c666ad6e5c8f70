import { xOf } from "./scale";

/** The angle ladder on a row: rungs as rings, the hold as a filled disc, the next rung dotted. */
export function Rungs({ rungs, at, y }: { rungs: number[]; at: number; y: number }) {
  const [first, last] = [rungs[0], rungs[rungs.length - 1]];
  const up = first !== undefined && last !== undefined && last >= first ? 1 : -1;
  const next = rungs.filter((deg) => up * (deg - at) > 0).sort((a, b) => up * (a - b))[0];
  return (
    <g>
      {first !== undefined && last !== undefined && first !== last && (
        <line x1={xOf(first)} x2={xOf(last)} y1={y} y2={y} className="stroke-rule" />
      )}
      {rungs
        .filter((deg) => deg !== at)
        .map((deg) => (
          <circle
            key={deg}
            cx={xOf(deg)}
            cy={y}
            r={deg === next ? 8 : 5}
            fill="none"
            strokeWidth={1.8}
            strokeDasharray={deg === next ? "3 3" : undefined}
            className="stroke-mark"
          />
        ))}
      <circle cx={xOf(at)} cy={y} r={14} className="fill-accent" />
      <text
        x={xOf(at)}
        y={y + 5}
        textAnchor="middle"
        fontSize={13}
        fontWeight={700}
        className="fill-accent-content"
      >
        {at}
      </text>
    </g>
  );
}
