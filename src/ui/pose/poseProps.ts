import type { Body } from "@/core/body/segments";
import type { ChosenMachine } from "@/core/selection/setUp/machineFor";

/** What a pose is drawn from, and what dragging it does. */
export interface PoseProps {
  body: Body;
  chosen: ChosenMachine;
  settings: Record<string, number>;
  share: number;
  phase: -1 | 0 | 1;
  load: number;
  angle: number;
  /** angles that are allowed, for the small arc at the knee */
  arc: { fromDeg: number; toDeg: number };
  pelvicTuckDeg: number;
  onSetting: (key: string, value: number) => void;
  onAngle: (deg: number) => void;
  /** the picture alone, for print and cards */
  isStill?: boolean;
}
