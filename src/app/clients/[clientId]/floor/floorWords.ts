import type { RunPhase } from "@/core/session/floorRun";

/** Seconds as a giant number: "42", from a minute on "1:04". */
export function clock(seconds: number): string {
  const s = Math.ceil(seconds);
  return s >= 60 ? `${Math.floor(s / 60)}:${String(s % 60).padStart(2, "0")}` : String(s);
}

/** What is to be done now, under the giant number. */
export function phaseWords(
  phase: RunPhase,
  restS: number,
  seq: number,
  of: number,
  isEarly: boolean,
): string {
  if (isEarly) return "stopped early: say why, below";
  switch (phase) {
    case "holding":
      return "seconds to go · breathe, no holding of breath";
    case "pain-after":
      return `hold ${seq} is done: joint pain in it?`;
    case "ready":
      return restS > 0 ? `rest left · ready for hold ${seq} of ${of}` : `press space: hold ${seq} of ${of}`;
    default:
      return restS > 0
        ? `rest left · then joint pain before hold ${seq}`
        : `joint pain before hold ${seq} of ${of}?`;
  }
}
