"use client";
import { useEffect, useState } from "react";
import type { Body } from "@/core/body/segments";
import type { Compared } from "@/core/selection/rank/compare";
import { asKept } from "@/core/units/said";
import { Pose } from "@/ui/pose/Pose";
import { Said } from "@/ui/reader";

const STEP_DEG = 5;
const STEP_MS = 450;
const MOST_DEG = 110;
const LEAST_DEG = 5;

/** The client on each machine, with the force; the angle is dragged, moved by keys, or moves by itself until stopped. */
export function Figures({
  body,
  sides,
  deg,
  onDeg,
}: {
  body: Body;
  sides: Compared[];
  /** null: each is drawn at the angle that the words are about */
  deg: number | null;
  onDeg: (deg: number) => void;
}) {
  const [isMoving, setMoving] = useState(false);
  useEffect(() => {
    if (!isMoving || deg === null) return;
    const timer = setTimeout(() => onDeg(deg + STEP_DEG > MOST_DEG ? LEAST_DEG : deg + STEP_DEG), STEP_MS);
    return () => clearTimeout(timer);
  }, [isMoving, deg, onDeg]);
  return (
    <div className="flex flex-col gap-3">
      <div className={`grid items-end gap-6 ${sides.length > 1 ? "grid-cols-2" : ""}`}>
        {sides.map((s) => (
          <figure key={asKept(s.name)} className={sides.length > 1 ? "" : "mx-auto w-full max-w-[480px]"}>
            <Pose
              body={body}
              chosen={s.setUp.chosen}
              settings={s.setUp.settings}
              share={s.setUp.share}
              phase={s.setUp.phase}
              load={s.setUp.load}
              angle={s.here.deg}
              arc={{ fromDeg: s.setUp.arc.fromDeg, toDeg: s.setUp.arc.toDeg }}
              pelvicTuckDeg={0}
              onSetting={() => {}}
              onAngle={() => {}}
              isStill
            />
            <figcaption className="text-center text-[20px]">
              <b>
                <Said>{s.name}</Said>
              </b>
            </figcaption>
          </figure>
        ))}
      </div>
      {deg !== null && (
        <div className="mt-auto flex flex-wrap items-center gap-x-5 gap-y-2">
          <label className="flex flex-1 items-center gap-4 text-[22px]">
            <span className="whitespace-nowrap">
              knee bent <b className="inline-block w-[4ch] text-right">{deg}°</b>
            </span>
            <input
              type="range"
              min={LEAST_DEG}
              max={MOST_DEG}
              step={STEP_DEG}
              value={deg}
              className="range w-full"
              onChange={(e) => {
                setMoving(false);
                onDeg(Number(e.target.value));
              }}
            />
          </label>
          <button type="button" className="btn btn-line btn-lg" onClick={() => setMoving(!isMoving)}>
            {isMoving ? "Hold still" : "Let it move"}
          </button>
        </div>
      )}
    </div>
  );
}
