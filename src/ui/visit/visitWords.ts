import type { VisitState } from "@/core/visit/run";

/** Seconds as a giant number: "42", from a minute on "1:04". */
export function clock(seconds: number): string {
  const s = Math.ceil(seconds);
  return s >= 60 ? `${Math.floor(s / 60)}:${String(s % 60).padStart(2, "0")}` : String(s);
}

export type Band = "set_up" | "pain" | "go" | "hold" | "move" | "rest" | "done";

/** What the band across the screen says: one word, one shape, what to do now. */
export interface BandWords {
  band: Band;
  word: string;
  hint: string;
}

/** The state of the floor in one word; `restS` are the seconds of rest that are left. */
export function bandOf(s: VisitState, restS: number): BandWords {
  const rest = restS > 0 ? `rest ${clock(restS)} to go` : "";
  switch (s.phase) {
    case "set-up":
      return { band: "set_up", word: "SET UP", hint: "set the machine, look at each point" };
    case "pain-before":
      return {
        band: "pain",
        word: "PAIN?",
        hint: rest ? `joint pain now · ${rest}` : "joint pain now, before it",
      };
    case "ready":
      return restS > 0
        ? { band: "rest", word: "REST", hint: "the next may start when it is over" }
        : { band: "go", word: "GO", hint: "start when ready" };
    case "working":
      return s.under?.task.holdS != null
        ? { band: "hold", word: "HOLD", hint: "breathe, no holding of breath" }
        : { band: "move", word: "MOVE", hint: "steady; stop at pain or when range goes" };
    case "rating":
      return {
        band: "pain",
        word: "PAIN?",
        hint:
          s.stopped === null
            ? "joint pain in it, not muscle burn"
            : "stopped: joint pain in it, then it ends",
      };
    case "closing":
      return { band: "pain", word: "PAIN?", hint: "joint pain now, then close the visit" };
    case "finished":
      return { band: "done", word: "DONE", hint: "nothing more to enter today" };
  }
}

/** What the space bar and the large key do now; null where they do nothing. */
export function spaceDoes(s: VisitState, restS: number, isReady: boolean): string | null {
  switch (s.phase) {
    case "set-up":
      return isReady ? "Everything is set" : null;
    case "ready":
      return restS > 0 ? "Start before the rest is over" : "Go";
    case "working":
      return s.under?.task.holdS != null ? "Stop it early" : "Set is done";
    default:
      return null;
  }
}

/** What the screen still waits for where the large key does nothing; null where it does something. */
export function missingWords(
  s: VisitState,
  o: {
    isReady: boolean;
    isEarly: boolean;
    pain: number | null;
    left: number | null;
    asked: { reserve: boolean; felt: boolean };
  },
): string | null {
  if (o.isEarly) return "Say why it ended early";
  if (s.phase === "set-up") return o.isReady ? null : "Tick the safety pins first";
  if (s.phase === "pain-before") return "Answer joint pain now";
  if (s.phase !== "rating") return null;
  if (o.pain === null) return "Answer joint pain in it";
  if (o.left === null && o.asked.felt) return "Answer the felt effort";
  return o.left === null && o.asked.reserve ? "Answer how many more were possible" : null;
}

/** Where what was logged is: at the clinic is said only of what the clinic has. */
export function savedWords(o: { waiting: number; refused: number }): string {
  const refused = o.refused > 0 ? `${o.refused} not taken, kept here` : null;
  const waiting = o.waiting > 0 ? `saved here, ${o.waiting} waiting` : null;
  return [refused, waiting].filter(Boolean).join(" · ") || "saved at the clinic";
}
