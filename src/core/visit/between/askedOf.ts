import type { KeptLine } from "../../sheet/line/keptLine";
import type { VisitState } from "../run";

/** Reserve is asked after each set that the next one may be offered by; else once, after the last set of a leg, as felt effort of holds is. */
export function askedOf(
  s: VisitState,
  task: { lineId: string; leg: string; role: "ramp" | "work" },
  line: KeptLine,
) {
  const open = s.tasks.filter(
    (t) => t.status === "open" && t.lineId === task.lineId && t.leg === task.leg,
  ).length;
  const isLast = s.phase === "rating" ? open <= 1 : open === 0;
  const isHeld = line.kind === "holds";
  // who stops says the pain and goes
  if (line.kind === "stretch" || s.stopped !== null) return { reserve: false, felt: false };
  return {
    felt: isHeld && isLast,
    // a warm-up says nothing of what is left
    reserve:
      !isHeld && (isLast || line.leastReserve !== null || (task.role === "work" && Boolean(line.offers))),
  };
}
