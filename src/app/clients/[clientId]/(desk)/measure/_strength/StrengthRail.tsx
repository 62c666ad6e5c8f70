"use client";
import { useMemo } from "react";
import { type CurveCan, capacityAt } from "@/core/capacity/capacityAt";
import { testsForCurve } from "@/core/strength/testsForCurve";
import type { Side } from "@/core/units/fields";
import type { StoredTest } from "@/server/measure/measurements";
import { AngleCursor } from "@/ui/rail/AngleCursor";
import { CurveBand } from "@/ui/rail/CurveBand";
import { RowLabel } from "@/ui/rail/RowLabel";
import { Ruler } from "@/ui/rail/Ruler";
import { RAIL } from "@/ui/rail/scale";

/** By what the curve is known, in few words. */
const KNOWN_BY: Record<CurveCan["from"], string> = {
  prior: "by age and body, no test yet",
  sets: "by sets and holds, no test yet",
  trials: "by tests, sets and holds",
};

/** Torque over the knee's angles: what the treated leg can do by everything known of it, its tests, and the other leg's beside it. */
export function StrengthRail({
  can,
  tests,
  side,
  angle,
  onAngle,
}: {
  can: CurveCan;
  tests: StoredTest[];
  side: Side;
  angle: number;
  onAngle: (deg: number) => void;
}) {
  const own = useMemo(() => testsForCurve(tests.filter((t) => t.side === side)), [tests, side]);
  const other = useMemo(() => testsForCurve(tests.filter((t) => t.side !== side)), [tests, side]);
  const curve = useMemo(() => {
    const points = [];
    for (let deg = 10; deg <= 110; deg += 2) {
      const c = capacityAt(can, deg);
      points.push({ deg, value: c.value, doubt: c.doubt ?? 0 });
    }
    return points;
  }, [can]);
  const most = Math.max(40, ...curve.map((p) => p.value + p.doubt), ...other.map((t) => t.torqueNm));
  return (
    <svg viewBox={`0 0 ${RAIL.width} 168`} className="mt-1 w-full">
      <title>Torque over knee flexion, by everything known</title>
      <Ruler />
      <RowLabel y={66} name={`${side} knee`} detail={KNOWN_BY[can.from]} />
      <text x={0} y={104} fontSize={12.5} className="fill-quiet">
        ● tested {other.length > 0 ? "◇ other leg" : ""}
      </text>
      <CurveBand
        points={curve}
        tests={[
          ...own.map((t) => ({ deg: t.kneeFlexionDeg, value: t.torqueNm, tone: "own" as const })),
          ...other.map((t) => ({ deg: t.kneeFlexionDeg, value: t.torqueNm, tone: "other" as const })),
        ]}
        y={40}
        height={96}
        max={Math.ceil(most / 20) * 20}
      />
      <AngleCursor
        deg={angle}
        onChange={onAngle}
        min={10}
        max={110}
        stepDeg={5}
        top={30}
        bottom={138}
        label="Test angle, knee flexion"
      />
    </svg>
  );
}
