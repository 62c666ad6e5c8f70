import type { Scheme, SchemeKind } from "@/core/sheet/schemes/scheme";

const TEMPO = { liftS: 2, topS: 0, lowerS: 3, bottomS: 0 } as const;

/** How a hold is asked for: by felt effort or by a share of the maximum measured (stance `own_effort_meaning`). */
export type HoldEffort = "felt" | "percent";
export const HOLD_EFFORT_STARTS = {
  felt: { kind: "felt", felt: 6 },
  percent: { kind: "percent", percent: 40 },
} as const;

/** Where an editor starts when a kind of scheme is chosen. */
export const SCHEME_STARTS: { [K in SchemeKind]: Extract<Scheme, { kind: K }> } = {
  holds: {
    kind: "holds",
    sets: 1,
    reps: 5,
    holdS: 30,
    restS: 60,
    setRestS: 120,
    effort: HOLD_EFFORT_STARTS.felt,
    atDeg: null,
  },
  straight: { kind: "straight", sets: 3, reps: 10, reserve: 3, tempo: TEMPO, restS: 90 },
  ramp: { kind: "ramp", sets: 3, reps: 8, reserve: 3, tempo: TEMPO, restS: 120 },
  climb: { kind: "climb", reps: 5, plateKg: 5, reserve: 2 },
  accumulated: { kind: "accumulated", total: 16, restS: 20, reserve: 2 },
  drop: { kind: "drop", drops: 2, dropPct: 20, reserve: 2 },
  partials: { kind: "partials", sets: 2, reps: 10, partials: 5, end: "stretched", holdS: 15, restS: 90 },
  pulses: { kind: "pulses", sets: 2, reps: 10, pulses: 2, end: "short", restS: 90 },
  light: { kind: "light", sets: 2, reps: 30, reserve: 3, restS: 60 },
  slow: { kind: "slow", sets: 4, reps: 15, reserve: 2, restS: 120 },
  power: { kind: "power", sets: 3, reps: 6, percent: 50, restS: 120 },
  lowering: { kind: "lowering", sets: 3, reps: 5, lowerS: 5, restS: 120 },
  two_up_one_down: { kind: "two_up_one_down", sets: 3, reps: 6, reserve: 2, lowerS: 4, restS: 120 },
  carry: { kind: "carry", sets: 2, distanceM: 10, carriedKg: 0, restS: 90 },
  stretch: { kind: "stretch", totalS: 60, toleratedS: 30 },
};

const LAST_SHORT = { lighter: ", last lighter", slower: ", last slower", nearer: ", last nearer its end" };

/** A scheme in a line. */
export function schemeWords(s: Scheme): string {
  switch (s.kind) {
    case "holds": {
      const effort = s.effort.kind === "felt" ? `felt ${s.effort.felt}` : `${s.effort.percent} %`;
      const at = s.atDeg === null ? "" : ` at ${s.atDeg}°`;
      return `${s.sets > 1 ? `${s.sets} × ` : ""}${s.reps} × ${s.holdS} s${at}, ${effort}`;
    }
    case "straight":
      return `${s.sets} × ${s.reps}, ${s.reserve} in reserve${s.last && s.sets > 1 ? LAST_SHORT[s.last] : ""}`;
    case "ramp":
      return `ramp, ${s.sets} × ${s.reps}, ${s.reserve} in reserve`;
    case "climb":
      return `${s.reps} each, ${s.plateKg} kg a step`;
    case "accumulated":
      return `to ${s.total}, rests ${s.restS} s`;
    case "drop":
      return `${s.drops} drops of ${s.dropPct} %`;
    case "partials":
      return `${s.sets} × ${s.reps} + ${s.partials} partials`;
    case "pulses":
      return `${s.sets} × ${s.reps}, ${s.pulses} pulses each`;
    case "light":
      return `${s.sets} × ${s.reps} light, ${s.reserve} in reserve`;
    case "slow":
      return `${s.sets} × ${s.reps} slow, ${s.reserve} in reserve`;
    case "power":
      return `${s.sets} × ${s.reps} fast up, ${s.percent} %`;
    case "lowering":
      return `${s.sets} × ${s.reps}, ${s.lowerS} s down`;
    case "two_up_one_down":
      return `${s.sets} × ${s.reps}, ${s.lowerS} s down on one`;
    case "carry":
      return `${s.sets} × ${s.distanceM} m${s.carriedKg > 0 ? `, ${s.carriedKg} kg` : ""}`;
    case "stretch":
      return `${s.totalS} s, ${s.toleratedS} s at once`;
  }
}
