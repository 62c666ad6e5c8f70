import { sideOf } from "@/core/visit/recordOf";
import type { VisitState } from "@/core/visit/run";
import { taskKey } from "@/core/visit/tasks";

/** The sets or holds of a line as bars: what was done, what is now, what is left. */
export function SetBars({
  state,
  lineId,
  firstSide,
}: {
  state: VisitState;
  lineId: string;
  firstSide: "left" | "right";
}) {
  const tasks = state.tasks.filter((t) => t.lineId === lineId && t.status !== "dropped");
  const current = state.tasks.find((t) => t.status === "open");
  return (
    <ol className="flex flex-wrap gap-2" aria-label="Sets of this line">
      {tasks.map((t, i) => {
        const done = state.done.find((d) => taskKey(d.task) === taskKey(t));
        const isNow = current !== undefined && taskKey(current) === taskKey(t);
        const share = done
          ? t.reps === null
            ? Math.min(1, done.workedS / (t.holdS ?? 1))
            : Math.min(1, (done.reps ?? 0) / Math.max(1, t.reps))
          : 0;
        const side = t.leg === "both" ? "" : `, ${sideOf(t.leg, firstSide)} leg`;
        return (
          <li key={taskKey(t)} className="w-[88px]" aria-current={isNow ? "step" : undefined}>
            <svg viewBox="0 0 88 14" className="w-full" aria-hidden>
              <rect
                x={1}
                y={1}
                width={86}
                height={12}
                fill="none"
                strokeWidth={isNow ? 2.6 : 1.2}
                className={isNow ? "stroke-trace" : "stroke-rule"}
              />
              <rect x={1} y={1} width={86 * share} height={12} className="fill-primary" />
            </svg>
            <span className={`text-[15px] ${isNow ? "font-bold" : ""}`}>
              {done
                ? `${done.reps ?? `${Math.round(done.workedS)} s`} · pain ${done.pain}`
                : `${i + 1}${side}`}
            </span>
          </li>
        );
      })}
    </ol>
  );
}
