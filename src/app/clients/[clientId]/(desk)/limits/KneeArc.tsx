import type { AllowedWindow } from "@/core/bounds/window";
import type { MeasuredMotion } from "@/core/selection/fit/allowedArc";
import type { PainfulArc } from "@/core/strength/painfulArc";
import { SideLeg } from "@/ui/pose/SideLeg";
import { HatchDefs } from "@/ui/rail/Hatch";
import { endWords } from "@/words/en/plan/bounds";
import { MOVE_SHORT, painfulShort } from "@/words/en/plan/painfulArc";

const KNEE = { x: 250, y: 62 };
const REACH = 190;
const MOST_DEG = 130;
const W = 640;
const H = 312;

const at = (deg: number, r: number): { x: number; y: number } => ({
  x: KNEE.x + r * Math.cos((deg * Math.PI) / 180),
  y: KNEE.y + r * Math.sin((deg * Math.PI) / 180),
});

function sector(from: number, to: number, r: number): string {
  const [a, b] = [at(from, r), at(to, r)];
  return `M ${KNEE.x} ${KNEE.y} L ${a.x} ${a.y} A ${r} ${r} 0 ${to - from > 180 ? 1 : 0} 1 ${b.x} ${b.y} Z`;
}
function arc(from: number, to: number, r: number): string {
  const [a, b] = [at(from, r), at(to, r)];
  return `M ${a.x} ${a.y} A ${r} ${r} 0 0 1 ${b.x} ${b.y}`;
}

/**
 * The knee from the side with its bend: the open part clear, hatching beyond it, who cut it at the cut itself, what was
 * measured as dashes. The shank is drawn in the middle of what is open.
 */
export function KneeArc({
  window: w,
  motion,
  painfulArcs,
}: {
  window: AllowedWindow;
  motion: MeasuredMotion;
  painfulArcs: readonly PainfulArc[];
}) {
  const middle = w.isEmpty ? 45 : (w.fromDeg + w.toDeg) / 2;
  const foot = at(middle, 150);
  const toe = {
    x: foot.x + 30 * Math.cos(((middle - 80) * Math.PI) / 180),
    y: foot.y + 30 * Math.sin(((middle - 80) * Math.PI) / 180),
  };
  const measured = {
    from: Math.max(0, motion.shortOfStraightDeg ?? 0),
    to: Math.min(MOST_DEG, motion.bendDeg ?? MOST_DEG),
  };
  const isMeasured = motion.bendDeg !== null || motion.shortOfStraightDeg !== null;
  const words = w.isEmpty
    ? "No angle is open under load"
    : `Open under load from ${w.fromDeg}° (${endWords(w.from) || "nothing cuts it"}) to ${w.toDeg}° (${endWords(w.to) || "nothing cuts it"})`;
  const label = (deg: number, text: string, under: string, isEnd: boolean) => {
    const p = at(deg, REACH + 22);
    const anchor = deg > 80 ? "end" : "start";
    return (
      <g>
        <text
          x={p.x + (anchor === "end" ? -4 : 6)}
          y={p.y + (isEnd ? 8 : 4)}
          textAnchor={anchor}
          fontSize={17}
          fontWeight={700}
          className="fill-base-content"
        >
          {text}
        </text>
        <text
          x={p.x + (anchor === "end" ? -4 : 6)}
          y={p.y + (isEnd ? 24 : 20)}
          textAnchor={anchor}
          fontSize={13}
          className="fill-quiet"
        >
          {under}
        </text>
      </g>
    );
  };
  return (
    <svg
      viewBox={`0 0 ${W} ${H}`}
      className="w-full max-w-[640px]"
      role="img"
      aria-label={`${words}${isMeasured ? `; measured ${measured.from}° to ${measured.to}°` : "; motion not measured"}${painfulArcs.map((p) => `; ${MOVE_SHORT[p.moved]} ${painfulShort(p)}`).join("")}`}
    >
      <HatchDefs />
      <path d={sector(0, MOST_DEG, REACH)} fill="url(#barred)" />
      {!w.isEmpty && <path d={sector(w.fromDeg, w.toDeg, REACH)} className="fill-secondary" />}
      <SideLeg hip={{ x: KNEE.x - 215, y: KNEE.y }} knee={KNEE} foot={foot} toe={toe} width={38} />
      <path d={arc(0, MOST_DEG, REACH)} fill="none" className="stroke-base-content" />
      {isMeasured && (
        <path
          d={arc(measured.from, measured.to, REACH - 14)}
          fill="none"
          strokeWidth={1.6}
          strokeDasharray="5 4"
          className="stroke-base-content"
        />
      )}
      {!w.isEmpty && (
        <path d={arc(w.fromDeg, w.toDeg, REACH - 5)} fill="none" strokeWidth={7} className="stroke-primary" />
      )}
      {painfulArcs.map((p, i) => (
        <g key={p.moved}>
          <title>{`${MOVE_SHORT[p.moved]} ${painfulShort(p)}`}</title>
          <path
            d={arc(p.fromDeg, Math.min(p.toDeg, MOST_DEG), REACH - 30 - 16 * i)}
            fill="none"
            strokeWidth={6}
            strokeDasharray="2 4"
            className="stroke-accent"
          />
          <text x={6} y={36 + 18 * i} fontSize={13} className="fill-accent">
            {`${MOVE_SHORT[p.moved]} ${painfulShort(p)}`}
          </text>
        </g>
      ))}
      {[0, 30, 60, 90, 120].map((deg) => {
        const [a, b] = [at(deg, REACH), at(deg, REACH + 8)];
        return (
          <line
            key={deg}
            x1={a.x}
            y1={a.y}
            x2={b.x}
            y2={b.y}
            strokeWidth={1.6}
            className="stroke-base-content"
          />
        );
      })}
      {w.isEmpty ? (
        label(45, "no angle is open", "see the limits below", true)
      ) : (
        <>
          {label(w.fromDeg, `from ${w.fromDeg}°`, endWords(w.from) || "nothing cuts it", false)}
          {label(w.toDeg, `to ${w.toDeg}°`, endWords(w.to) || "nothing cuts it", true)}
        </>
      )}
      <text x={6} y={18} fontSize={13} className="fill-quiet">
        {isMeasured
          ? `dashes: measured ${measured.from}° to ${motion.bendDeg === null ? "not taken" : `${motion.bendDeg}°`}`
          : "motion not measured yet"}
      </text>
    </svg>
  );
}
