import type { Scheme, SchemeKind } from "@/core/dose/scheme";

const TEMPO = { liftS: 2, topS: 0, lowerS: 3, bottomS: 0 } as const;

/** Where an editor starts when a kind of scheme is chosen. */
export const SCHEME_STARTS: { [K in SchemeKind]: Extract<Scheme, { kind: K }> } = {
  holds: { kind: "holds", sets: 1, reps: 5, holdS: 30, restS: 60, setRestS: 0, feltEffort: 6 },
  straight: { kind: "straight", sets: 3, reps: 10, reserve: 3, tempo: TEMPO, restS: 90 },
  ramp: { kind: "ramp", sets: 3, reps: 8, reserve: 3, tempo: TEMPO, restS: 120 },
  climb: { kind: "climb", plateKg: 5 },
  accumulated: { kind: "accumulated", total: 15, restS: 20 },
  drop: { kind: "drop", drops: 2, dropPct: 20 },
  partials: { kind: "partials", sets: 2, reps: 10, partials: 5, end: "stretched", holdS: 15, restS: 90 },
  light: { kind: "light", sets: 2, reps: 32, restS: 60 },
  lowering: { kind: "lowering", sets: 3, reps: 5, lowerS: 5, restS: 120 },
  stretch: { kind: "stretch", totalS: 60, toleratedS: 30 },
};

/** A scheme in a line. */
export function schemeWords(s: Scheme): string {
  switch (s.kind) {
    case "holds":
      return `${s.sets > 1 ? `${s.sets} × ` : ""}${s.reps} × ${s.holdS} s, felt ${s.feltEffort}`;
    case "straight":
      return `${s.sets} × ${s.reps}, ${s.reserve} left`;
    case "ramp":
      return `ramp, ${s.sets} × ${s.reps}, ${s.reserve} left`;
    case "climb":
      return `sixes, ${s.plateKg} kg a step`;
    case "accumulated":
      return `to ${s.total}, rests ${s.restS} s`;
    case "drop":
      return `${s.drops} drops of ${s.dropPct} %`;
    case "partials":
      return `${s.sets} × ${s.reps} + ${s.partials} partials`;
    case "light":
      return `${s.sets} × ${s.reps} light`;
    case "lowering":
      return `${s.sets} × ${s.reps}, ${s.lowerS} s down`;
    case "stretch":
      return `${s.totalS} s, ${s.toleratedS} s at once`;
  }
}
