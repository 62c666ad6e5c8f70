"use client";
import { useMemo, useRef } from "react";
import { USUAL_BODY } from "@/core/body/segments";
import { middleDeg } from "@/core/equipment/families/family";
import { machine as machineSchema } from "@/core/equipment/machine";
import type { DimensionMark } from "@/core/selection/pose/dimensionMarks";
import { type Drawing, machineDrawing } from "@/core/selection/pose/drawing";
import { StillDrawing } from "@/ui/pose/StillDrawing";

/**
 * The machine from the side as its form is filled in: each dimension has its number on what it measures, and the field
 * one is in is drawn thick. While a number makes no machine the last one that did stays.
 */
export function MachineSketch({
  machine,
  name,
  marks,
  numberOf,
  active,
  range,
  deg,
  onDeg,
  onPick,
}: {
  machine: unknown;
  name: string;
  marks: readonly DimensionMark[];
  numberOf: (key: string) => number | null;
  /** of the field one is in */
  active: string | null;
  /** knee flexion that the model reaches; null where there is none */
  range: readonly [number, number] | null;
  /** undefined: half way through */
  deg: number | undefined;
  onDeg: (deg: number) => void;
  onPick: (key: string) => void;
}) {
  const last = useRef<Drawing | null>(null);
  const text = JSON.stringify(machine);
  const drawing = useMemo(() => {
    const read = machineSchema.safeParse(JSON.parse(text));
    return read.success ? machineDrawing({ ...read.data, id: "form" }, USUAL_BODY, deg) : null;
  }, [text, deg]);
  if (drawing) last.current = drawing;
  const shown = last.current;
  if (!shown) return null;
  const picked = marks.find((m) => m.key === active);
  return (
    <figure className="max-w-[520px]">
      <StillDrawing
        drawing={shown}
        label={`${name} from the side`}
        className="h-[300px] w-full border border-rule bg-base-100 p-2"
        thick={picked?.strokes}
      >
        {(at) =>
          marks.map((m) => {
            const [x, y] = at(m.x, m.y);
            const isActive = m.key === active;
            return (
              // a pointer's short way to the field; by keys one is in the fields already
              <g key={m.key} className="cursor-pointer" onPointerDown={() => onPick(m.key)}>
                <circle
                  cx={x}
                  cy={y}
                  r={7}
                  strokeWidth={1}
                  className={
                    isActive ? "fill-base-content stroke-base-content" : "fill-base-100 stroke-base-content"
                  }
                />
                <text
                  x={x}
                  y={y + 3}
                  textAnchor="middle"
                  className={`text-[9px] font-bold ${isActive ? "fill-base-100" : "fill-base-content"}`}
                >
                  {numberOf(m.key)}
                </text>
              </g>
            );
          })
        }
      </StillDrawing>
      <figcaption className="small quiet grid gap-1">
        {range && (
          <label className="flex items-center gap-3">
            <span className="whitespace-nowrap">knee bent</span>
            <input
              type="range"
              className="range range-xs w-full"
              min={range[0]}
              max={range[1]}
              step={5}
              value={deg ?? Math.round(middleDeg(range))}
              onChange={(e) => onDeg(Number(e.target.value))}
            />
            <b className="w-[4ch] text-right">{deg ?? Math.round(middleDeg(range))}°</b>
          </label>
        )}
        {drawing ? "from these numbers, a body of usual height" : "the last numbers that made a machine"}
      </figcaption>
    </figure>
  );
}
