"use client";
import type { Body } from "@/core/body/segments";
import { familyById } from "@/core/equipment/families";
import { templateOf } from "@/core/equipment/templates";
import { exerciseUse } from "@/core/selection/fit/exerciseUse";
import { type GymMachine, machineFor } from "@/core/selection/setUp/machineFor";
import type { KeptLine } from "@/core/sheet/line/keptLine";
import { Pose } from "@/ui/pose/Pose";

/** The client on the machine in this set-up, at the held angle or in the middle of the range; nothing without a model. */
export function LinePose({
  line,
  body,
  machines,
  loadKg,
}: {
  line: KeptLine;
  body: Body;
  machines: readonly GymMachine[];
  loadKg: number | null;
}) {
  const use = line.drawing && exerciseUse({ id: line.drawing.like ?? line.exerciseId });
  if (!line.drawing || !use) return null;
  const own = machineFor(use, machines, line.machineId);
  const family = familyById(own.family.id);
  if (!family) return null;
  const [fromDeg, toDeg] = [line.fromDeg ?? family.range[0], line.toDeg ?? family.range[1]];
  return (
    <Pose
      body={body}
      chosen={own.id ? own : { machine: templateOf(family.id), id: null, family }}
      settings={line.drawing.settings}
      share={line.drawing.share}
      phase={line.drawing.phase}
      load={loadKg ?? 0}
      angle={Math.round((fromDeg + toDeg) / 2)}
      arc={{ fromDeg, toDeg }}
      pelvicTuckDeg={0}
      onSetting={() => {}}
      onAngle={() => {}}
      isStill
    />
  );
}
