import type { Movement } from "@/core/strength/movements";
import { SideLeg } from "@/ui/pose/SideLeg";

const W = 230;
const H = 158;
const KNEE = { x: 112, y: 48 };
/** Drawn length of a metre of shank. */
const PX_PER_M = 200;
const SHANK_M = 0.42;

/**
 * How leg, strap and load cell sit for a test of the knee: the thigh on the seat, the shank at the test's angle, the strap
 * at the lever arm, the cell along the pull. A sketch to set up by; angles and lever arm are to scale.
 */
export function TestFigure({
  movement,
  kneeFlexionDeg,
  leverArmM,
  pullAngleDeg,
}: {
  movement: Movement;
  kneeFlexionDeg: number;
  leverArmM: number;
  pullAngleDeg: number;
}) {
  const deg = Number.isFinite(kneeFlexionDeg) ? Math.min(130, Math.max(0, kneeFlexionDeg)) : 60;
  const lever = Number.isFinite(leverArmM) ? Math.min(SHANK_M, Math.max(0.1, leverArmM)) : 0.33;
  const pull = Number.isFinite(pullAngleDeg) ? Math.min(135, Math.max(45, pullAngleDeg)) : 90;
  const along = (rad: number, r: number, from = KNEE) => ({
    x: from.x + r * Math.cos(rad),
    y: from.y + r * Math.sin(rad),
  });
  const shank = (deg * Math.PI) / 180;
  const foot = along(shank, SHANK_M * PX_PER_M);
  const toe = along(shank - 1.35, 22, foot);
  const strap = along(shank, lever * PX_PER_M);
  // straightening pulls away from the cell behind the shank, bending from one in front of it
  const side = movement === "knee_flexion" ? -1 : 1;
  const pullRad = shank + side * ((pull * Math.PI) / 180);
  const cell = along(pullRad, 26, strap);
  const anchor = along(pullRad, 52, strap);
  const mid = along(shank / 2, 30);
  return (
    <svg
      viewBox={`0 0 ${W} ${H}`}
      className="w-full"
      role="img"
      aria-label={`Knee at ${deg} degrees, strap ${Math.round(lever * 100)} cm below the joint line, load cell at ${pull} degrees to the shank`}
    >
      <rect x={8} y={KNEE.y + 16} width={88} height={9} rx={4} className="fill-rule" />
      <SideLeg hip={{ x: 18, y: KNEE.y }} knee={KNEE} foot={foot} toe={toe} width={26} />
      <path
        d={`M ${KNEE.x + 24} ${KNEE.y} A 24 24 0 0 1 ${along(shank, 24).x} ${along(shank, 24).y}`}
        fill="none"
        className="stroke-base-content"
      />
      <text x={mid.x + 8} y={mid.y} fontSize={13} fontWeight={700} className="fill-base-content">
        {deg}°
      </text>
      <line x1={strap.x} y1={strap.y} x2={anchor.x} y2={anchor.y} strokeWidth={1.6} className="stroke-mark" />
      <circle cx={strap.x} cy={strap.y} r={7} fill="none" strokeWidth={3} className="stroke-mark" />
      <rect
        x={cell.x - 8}
        y={cell.y - 6}
        width={16}
        height={12}
        rx={2}
        className="fill-base-100 stroke-mark"
        strokeWidth={1.6}
      />
      <text
        x={Math.min(W - 4, Math.max(4, cell.x))}
        y={cell.y + (cell.y > H - 30 ? -12 : 22)}
        textAnchor="middle"
        fontSize={12}
        className="fill-base-content"
      >
        cell
      </text>
    </svg>
  );
}
