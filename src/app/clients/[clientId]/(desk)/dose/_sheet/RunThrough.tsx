import type { RunStep } from "@/core/sheet/time/runThrough";

const minutes = (s: number): number => Math.ceil(s / 60);

const STEP_WORDS: Record<RunStep["kind"], string> = {
  warm_up: "Warm-up: easy cycling or walking inside the open bend",
  changeover: "Changeover to the next exercise",
  set_up: "Set up",
  work: "Set",
  side_change: "Change of leg",
  move: "Go over",
  rest: "Rest",
  logging: "Joint pain, and what was done",
};

/** Every timer of the session in order, as the floor runs it. */
export function RunThrough({
  steps,
  nameOf,
}: {
  steps: readonly RunStep[];
  nameOf: (lineId: string) => string;
}) {
  let at = 0;
  return (
    <details className="mt-3">
      <summary className="cursor-pointer">
        Run-through: {steps.length} timers, {minutes(steps.reduce((sum, s) => sum + s.seconds, 0))} min
      </summary>
      <ol className="small mt-1 columns-2 gap-6">
        {steps.map((s, i) => {
          const from = at;
          at += s.seconds;
          const leg = s.leg === "second" ? ", other leg" : "";
          return (
            // biome-ignore lint/suspicious/noArrayIndexKey: a timer is its place in the order
            <li key={i} className={s.kind === "work" ? "" : "quiet"}>
              <span className="inline-block w-12 tabular-nums">
                {Math.floor(from / 60)}:{String(Math.round(from % 60)).padStart(2, "0")}
              </span>
              {STEP_WORDS[s.kind]}
              {s.kind === "work" && s.lineId ? ` ${(s.set ?? 0) + 1}, ${nameOf(s.lineId)}${leg}` : ""}{" "}
              {Math.round(s.seconds)} s
            </li>
          );
        })}
      </ol>
    </details>
  );
}
