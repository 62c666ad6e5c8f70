import { type BoundKind, boundKind } from "./boundKinds";
import { isInForce, type Limit } from "./limits";
import { LEAST_COMMON_ARC_DEG } from "./mergeOpenChain";

/** What is left of one kind after all limits in force, each side with the limits that set it. */
export interface Tightest {
  kind: BoundKind;
  low: number | null;
  high: number | null;
  word: string | null;
  /** ids of the limits that bind */
  binding: string[];
  /** said when limits leave nothing between them, or too little to move in */
  conflict: string | null;
}

/** The tightest of all limits of a kind on a date; null when nothing bounds it. */
export function tightest(limits: readonly Limit[], kind: BoundKind, onDate: string): Tightest | null {
  const inForce = limits.filter((l) => l.kind === kind && isInForce(l, onDate));
  if (inForce.length === 0) return null;
  const spec = boundKind(kind);
  const scale = spec.shape === "word" ? spec.scale : [];
  const words = inForce.flatMap((l) => (l.word === null ? [] : [l.word]));
  const word = words.length ? words.reduce((a, b) => (scale.indexOf(b) < scale.indexOf(a) ? b : a)) : null;
  const low = edge(
    inForce.map((l) => l.low),
    Math.max,
  );
  const high = edge(
    inForce.map((l) => l.high),
    Math.min,
  );
  const binding = inForce.filter(
    (l) =>
      (l.word !== null && l.word === word) ||
      (l.low !== null && l.low === low && low > (spec.least ?? 0)) ||
      (l.high !== null && l.high === high),
  );
  return {
    kind,
    low,
    high,
    word,
    binding: binding.map((l) => l.id),
    conflict: conflictOf(kind, low, high, word, binding),
  };
}

const edge = (values: readonly (number | null)[], pick: (...of: number[]) => number): number | null => {
  const set = values.filter((v) => v !== null);
  return set.length ? pick(...set) : null;
};

function conflictOf(
  kind: BoundKind,
  low: number | null,
  high: number | null,
  word: string | null,
  binding: readonly Limit[],
): string | null {
  if (low === null || high === null) return null;
  const who = [...new Set(binding.map((l) => `${l.reason} (${l.origin})`))].join(" and ");
  const name = boundKind(kind).name;
  if (binding.some((l) => l.low !== null && l.high !== null && l.low > l.high))
    return `No angle is left for ${name}: ${who}.`;
  if (low > high)
    return `The limits on ${name} contradict each other and leave no angle: ${who}. One of those who set them must change it.`;
  if (kind === "open_chain_extension" && word === "arc" && high - low < LEAST_COMMON_ARC_DEG)
    return `The arcs share only ${high - low}°, too little to move in: holds only. ${who}.`;
  return null;
}
