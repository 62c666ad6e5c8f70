import type { TraceFlag } from "@/core/signal/analyseTrace";

/** What is wrong with a push, and what to do. */
export const FLAG_SENTENCES: Readonly<Record<TraceFlag, string>> = {
  "times-not-rising": "the times of the trace do not rise: record it again",
  dropouts:
    "samples are missing, more than 5 % or a quarter of a second at once: check the connection and repeat",
  "low-sampling-rate": "fewer than 40 samples a second: the force is coarse",
  saturated: "the load cell hit its limit: use a stronger one",
  "pre-tension": "the leg was already pushing before the start",
  countermovement: "a pull back before the push: start from relaxed",
  unsteady: "the plateau shakes by more than 10 %: repeat, steadier",
  jerk: "a jerk, not a push: build up over a second and hold",
  drifting: "the force fell quickly during the plateau",
  "hold-shorter-than-plateau": "held less than 3 s: the best second is used",
  "no-effort": "no push can be seen in this trace: repeat",
};

/** Whether a change of strength says anything. */
export const VERDICTS = {
  within_noise: "within measurement noise",
  real: "more than measurement error",
} as const;
