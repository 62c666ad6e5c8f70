"use client";
import { useMemo, useRef } from "react";
import { USUAL_BODY } from "@/core/body/segments";
import { machine as machineSchema } from "@/core/equipment/machine";
import { type Drawing, machineDrawing } from "@/core/selection/pose/drawing";
import { StillDrawing } from "@/ui/pose/StillDrawing";

/** The machine from the side as its form is filled in; while a number makes no machine the last one that did stays. */
export function MachineSketch({ machine, name }: { machine: unknown; name: string }) {
  const last = useRef<Drawing | null>(null);
  const text = JSON.stringify(machine);
  const drawing = useMemo(() => {
    const read = machineSchema.safeParse(JSON.parse(text));
    return read.success ? machineDrawing({ ...read.data, id: "form" }, USUAL_BODY) : null;
  }, [text]);
  if (drawing) last.current = drawing;
  if (!last.current) return null;
  return (
    <figure className="max-w-[440px]">
      <StillDrawing
        drawing={last.current}
        label={`${name} from the side`}
        className="h-[190px] w-full border border-rule bg-base-100 p-2"
      />
      <figcaption className="small quiet">
        {drawing
          ? "drawn from the numbers below, half way through, a body of usual height"
          : "the last numbers that made a machine"}
      </figcaption>
    </figure>
  );
}
