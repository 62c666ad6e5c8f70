import type { KeptLine } from "../sheet/line/keptLine";
import type { VisitState } from "./run";

/** Reserve, or felt effort of holds, is asked once: after the last set of a leg, and where a scheme ends by it. */
export function askedOf(s: VisitState, task: { lineId: string; leg: string }, line: KeptLine) {
  const open = s.tasks.filter(
    (t) => t.status === "open" && t.lineId === task.lineId && t.leg === task.leg,
  ).length;
  const isLast = s.phase === "rating" ? open <= 1 : open === 0;
  const isHeld = line.kind === "holds";
  // who stops says the pain and goes
  if (line.kind === "stretch" || s.stopped !== null) return { reserve: false, felt: false };
  return { felt: isHeld && isLast, reserve: !isHeld && (isLast || line.leastReserve !== null) };
}
