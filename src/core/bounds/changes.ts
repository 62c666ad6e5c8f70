import { BOUND_KIND_IDS, boundKind, boundWord, NOT_BOUNDED } from "./kinds";
import type { Limit } from "./limit";
import { nameWords } from "./rows";
import { type Tightest, tightest } from "./tightest";

/** What is left of a kind, in words. */
export function inWords(t: Tightest | null): string {
  if (!t) return NOT_BOUNDED;
  const spec = boundKind(t.kind);
  if (spec.shape === "names") return t.names.map(nameWords).join(", ") || "nothing";
  const unit = spec.unit ?? "";
  if (t.low !== null && t.high !== null && t.low > t.high) return "none";
  const ends = [t.low, t.high].filter((x) => x !== null).join(" to ");
  return [
    t.word === null ? "" : boundWord(t.kind, t.word),
    ends && `${ends}${unit === "°" ? "" : " "}${unit}`,
  ]
    .filter(Boolean)
    .join(" ");
}

/** Every kind whose tightest limit differs between two sets: "depth of presses and squats: 60° → 80°". */
export function changedLimits(before: readonly Limit[], after: readonly Limit[], onDate: string): string[] {
  return BOUND_KIND_IDS.flatMap((kind) => {
    const [a, b] = [inWords(tightest(before, kind, onDate)), inWords(tightest(after, kind, onDate))];
    return a === b ? [] : [`${boundKind(kind).name}: ${a} → ${b}`];
  });
}
