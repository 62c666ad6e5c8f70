import type { Action } from "@/core/progression/safetyRules";

/** A shape for each action: a step up, a level, a step down, a bar across. */
export function ActionMark({ action, size = 22 }: { action: Action; size?: number }) {
  const calm = action === "PROGRESS" || action === "HOLD";
  const paths: Record<Action, string> = {
    PROGRESS: "M 2 17 H 9 V 11 H 15 V 5 H 20",
    HOLD: "M 2 11 H 20",
    REGRESS: "M 2 5 H 8 V 11 H 14 V 17 H 20",
    STOP_REFER: "M 4 4 L 18 18 M 4 18 L 18 4",
  };
  return (
    <svg width={size} height={size} viewBox="0 0 22 22" aria-hidden className="mt-0.5 shrink-0">
      <path
        d={paths[action]}
        fill="none"
        strokeWidth={2.6}
        strokeLinecap="round"
        strokeLinejoin="round"
        className={calm ? "stroke-primary" : "stroke-mark"}
      />
    </svg>
  );
}
