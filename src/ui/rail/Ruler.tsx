import { RAIL, xOf } from "./scale";

const TENS = Array.from({ length: 14 }, (_, i) => i * 10);

/** The ruler of knee flexion: 0° straight at the left, 130° at the right, with a straight and a bent leg at its ends. */
export function Ruler({ y = 0 }: { y?: number }) {
  return (
    <g transform={`translate(0 ${y})`} className="fill-current stroke-current">
      {TENS.map((deg) => {
        const strong = deg % 30 === 0;
        return (
          <g key={deg}>
            <text
              x={xOf(deg)}
              y={12}
              textAnchor="middle"
              stroke="none"
              className={strong ? "font-bold" : "fill-quiet"}
              fontSize={12.5}
            >
              {deg === 0 ? "0°" : deg}
            </text>
            <line x1={xOf(deg)} x2={xOf(deg)} y1={18} y2={strong ? 29 : 25} strokeWidth={strong ? 1.6 : 1} />
            {deg < 130 && <line x1={xOf(deg + 5)} x2={xOf(deg + 5)} y1={21} y2={25} strokeWidth={0.8} />}
          </g>
        );
      })}
      <line x1={RAIL.left} x2={RAIL.right} y1={25} y2={25} strokeWidth={1.2} />
      <g fill="none" strokeWidth={2.6} strokeLinecap="round" className="stroke-primary">
        <path d={`M ${RAIL.left - 36} 22 h 9 h 9`} />
        <path d={`M ${RAIL.right + 22} 14 h 10 l -5 9`} />
      </g>
    </g>
  );
}
