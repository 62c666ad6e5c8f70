"use client";
import { useMemo } from "react";
import { rungsOf } from "@/core/decision/nextLine";
import { feltEffortBand } from "@/core/isometrics/effortConversion";
import { simulateHolds } from "@/core/isometrics/simulateHolds";
import type { Irritability, School } from "@/core/progression/painRule";
import { directionOf } from "@/core/selection/setUp/loadContext";
import { type Direction, type KnownStrength, strengthAt } from "@/core/selection/setUp/strengthKnown";
import { jointOf } from "@/core/sheet/effect/sessionFatigue";
import type { JudgedLine, ScoreContext } from "@/core/sheet/judge/judgeScore";
import { workKindOf } from "@/core/sheet/line/workKind";
import { effortCap } from "@/core/sheet/load/effortCap";
import { CURVE_SURE_FROM_DEG, CURVE_SURE_TO_DEG } from "@/core/strength/torqueAngleShape";
import { EffortChart } from "@/ui/charts/EffortChart";
import { AngleCursor } from "@/ui/rail/AngleCursor";
import { CurveBand } from "@/ui/rail/CurveBand";
import { HatchDefs } from "@/ui/rail/Hatch";
import { RowLabel } from "@/ui/rail/RowLabel";
import { Rungs } from "@/ui/rail/Rungs";
import { RAIL } from "@/ui/rail/scale";
import { WindowBand } from "@/ui/rail/WindowBand";

const STEP_DEG = 5;

/** The chosen hold as a picture: what the leg can do over the bend, the rungs, and how each hold will feel. */
export function HoldPicture({
  judged,
  context,
  who,
  tests,
  onAngle,
}: {
  judged: JudgedLine;
  context: ScoreContext;
  who: { school: School; irritability: Irritability };
  tests: Record<"extension" | "flexion", readonly { deg: number; value: number; tone: "own" }[]>;
  /** null: the angle is only looked at */
  onAngle: ((deg: number) => void) | null;
}) {
  const { line, exercise, open, load } = judged;
  const { scheme } = line;
  const direction = exercise ? directionOf(exercise) : "extension";
  const { strength } = context.sheet;
  const curve = useMemo(() => curveOf(strength, direction), [strength, direction]);
  const kind = exercise && workKindOf(exercise);
  if (scheme.kind !== "holds" || !exercise || !open) return null;
  const share = load?.share ?? null;
  const joint = kind ? jointOf(kind) : "general";
  const at = scheme.atDeg;
  const max = Math.ceil(Math.max(40, ...curve.map((p) => p.value + p.doubt)) / 20) * 20;
  const { personal } = context;
  const inside = share === null ? null : Math.min(share, 0.99);
  return (
    <section aria-label="The chosen hold" className="mt-3">
      {at !== null && (
        <svg viewBox={`0 0 ${RAIL.width} 210`} className="w-full">
          <title>What the leg can do, the allowed window and the rungs over knee flexion</title>
          <HatchDefs />
          <RowLabel y={58} name="What it can do" detail="as far as it is known" />
          <CurveBand
            points={curve}
            tests={[...tests[direction]]}
            y={40}
            height={84}
            max={max}
            {...(load?.setUp ? { level: { deg: at, value: load.setUp.momentNm } } : {})}
          />
          <RowLabel y={158} name="The rungs" detail="dotted: the next" />
          <WindowBand fromDeg={open.arc.fromDeg} toDeg={open.arc.toDeg} y={142} height={44} />
          <Rungs rungs={rungsOf(line, open.arc, who)} at={at} y={164} />
          {onAngle && (
            <AngleCursor
              deg={at}
              onChange={onAngle}
              min={Math.ceil(open.arc.fromDeg / STEP_DEG) * STEP_DEG}
              max={Math.floor(open.arc.toDeg / STEP_DEG) * STEP_DEG}
              stepDeg={STEP_DEG}
              top={34}
              bottom={188}
              label="Hold angle, knee flexion"
            />
          )}
        </svg>
      )}
      {inside !== null && (
        <EffortChart
          run={simulateHolds(joint, inside, scheme, { k: personal.k })}
          felt={feltEffortBand(joint, scheme, inside, personal.k, personal.holds)}
          cap={effortCap(who.school, who.irritability, context.sheet.limits)}
          pattern={scheme}
        />
      )}
    </section>
  );
}

/** What the leg can hold over its angles, where the curve is sure. */
function curveOf(known: KnownStrength, direction: Direction) {
  const points = [];
  for (let deg = CURVE_SURE_FROM_DEG; deg <= CURVE_SURE_TO_DEG; deg += 2) {
    const can = strengthAt(known, direction, deg);
    if (can) points.push({ deg, value: can.middle, doubt: can.high - can.middle });
  }
  return points;
}
