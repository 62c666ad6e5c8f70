import { area, line } from "d3";
import { RAIL, xOf } from "./scale";

export interface CurvePoint {
  deg: number;
  value: number;
  /** half-width of the doubt */
  doubt: number;
}

/** Torque over angle with its doubt as a lighter band, tests as dots, and a level to compare with. */
export function CurveBand({
  points,
  tests,
  y,
  height,
  max,
  level,
}: {
  points: CurvePoint[];
  tests: { deg: number; value: number; tone: "own" | "other" }[];
  y: number;
  height: number;
  max: number;
  level?: { deg: number; value: number };
}) {
  const yOf = (value: number) => y + height - (Math.max(0, value) / max) * height;
  const band = area<CurvePoint>()
    .x((p) => xOf(p.deg))
    .y0((p) => yOf(p.value - p.doubt))
    .y1((p) => yOf(Math.min(max, p.value + p.doubt)));
  const curve = line<CurvePoint>()
    .x((p) => xOf(p.deg))
    .y((p) => yOf(p.value));
  return (
    <g>
      {[0.5, 1].map((share) => (
        <g key={share}>
          <line
            x1={RAIL.left}
            x2={RAIL.right}
            y1={yOf(max * share)}
            y2={yOf(max * share)}
            strokeDasharray="1 4"
            className="stroke-quiet"
          />
          <text x={RAIL.right + 6} y={yOf(max * share) + 4} fontSize={12} className="fill-quiet">
            {Math.round(max * share)} N·m
          </text>
        </g>
      ))}
      <line x1={RAIL.left} x2={RAIL.right} y1={y + height} y2={y + height} className="stroke-rule" />
      <path d={band(points) ?? ""} className="fill-secondary" opacity={0.8} />
      <path d={curve(points) ?? ""} fill="none" strokeWidth={2.2} className="stroke-primary" />
      {tests.map((t) =>
        t.tone === "own" ? (
          <circle
            key={`${t.deg}-${t.value}-own`}
            cx={xOf(t.deg)}
            cy={yOf(t.value)}
            r={5}
            strokeWidth={2}
            className="fill-primary stroke-base-100"
          />
        ) : (
          <path
            key={`${t.deg}-${t.value}-other`}
            d={`M ${xOf(t.deg)} ${yOf(Math.min(max, t.value)) - 5} l 5 5 l -5 5 l -5 -5 z`}
            strokeWidth={1.8}
            fill="none"
            className="stroke-quiet"
          />
        ),
      )}
      {level && (
        <line
          x1={xOf(level.deg) - 14}
          x2={xOf(level.deg) + 14}
          y1={yOf(level.value)}
          y2={yOf(level.value)}
          strokeWidth={3}
          className="stroke-mark"
        />
      )}
    </g>
  );
}
