import type { KeptLine } from "@/core/sheet/line/keptLine";
import { sideOf } from "@/core/visit/recordOf";

/** What the load cell is asked for a hold of this line; null where there is nothing to aim at. */
export function cellQuery(
  client: string,
  first: "left" | "right",
  line: KeptLine,
  task: { leg: "both" | "first" | "second"; holdS: number | null },
) {
  const padM = line.drawing?.settings.padM;
  if (task.holdS === null || line.aimForceN === null || !padM || line.fromDeg === null) return null;
  return {
    client,
    side: task.leg === "both" ? first : sideOf(task.leg, first),
    angle: line.fromDeg,
    lever: padM,
    aim: line.aimForceN.toFixed(1),
    seconds: task.holdS,
  };
}

/** What the angle sensor is asked for repetitions of this line; null where the knee has no way of its own. */
export function sensorQuery(
  client: string,
  first: "left" | "right",
  line: KeptLine,
  task: { leg: "both" | "first" | "second"; reps: number | null; workS: number },
) {
  if (!task.reps || line.fromDeg === null || line.toDeg === null || line.toDeg <= line.fromDeg) return null;
  return {
    client,
    side: task.leg === "both" ? first : sideOf(task.leg, first),
    kind: "repetitions",
    from: Math.round(line.fromDeg),
    to: Math.round(line.toDeg),
    reps: task.reps,
    repS: (task.workS / task.reps).toFixed(2),
  };
}
