import { type Said, saidWith } from "../units/said";
import { type BoundKind, boundKind } from "./kinds";
import { isInForce, type Limit } from "./limit";

/** Two arcs that share less than this leave holds only. */
export const LEAST_COMMON_ARC_DEG = 30;

/** What is left of one kind after all limits in force, with the limits that made it. */
export interface Tightest {
  kind: BoundKind;
  /** low above high: nothing is left */
  low: number | null;
  high: number | null;
  word: string | null;
  /** barred by name, in alphabetical order */
  names: readonly string[];
  /** the limits that bind */
  by: readonly Limit[];
  /** said when limits leave nothing between them, or too little to move in */
  conflict: Said | null;
}

/** The tightest of all limits of a kind on a date; null when nothing bounds it. */
export function tightest(limits: readonly Limit[], kind: BoundKind, onDate: string): Tightest | null {
  const all = limits.filter((l) => l.kind === kind && isInForce(l, onDate));
  if (all.length === 0) return null;
  const spec = boundKind(kind);
  const scale = spec.shape === "word" ? spec.scale : [];
  const words = all.flatMap((l) => (l.word === null ? [] : [l.word]));
  const word = words.length ? words.reduce((a, b) => (scale.indexOf(b) < scale.indexOf(a) ? b : a)) : null;
  const low = edge(
    all.map((l) => l.low),
    Math.max,
  );
  const high = edge(
    all.map((l) => l.high),
    Math.min,
  );
  const least = spec.shape === "names" ? 0 : (spec.least ?? 0);
  const by = all.filter(
    (l) =>
      l.names.length > 0 ||
      (l.word !== null && l.word === word) ||
      (l.low !== null && l.low === low && low > least) ||
      (l.high !== null && l.high === high),
  );
  const names = [...new Set(all.flatMap((l) => l.names))].sort();
  const found = { kind, names, by, conflict: conflictOf(kind, low, high, word, by) };
  if (kind !== "open_chain_extension" || word === null) return { ...found, low, high, word };
  if (word !== "arc") return { ...found, low: null, high: null, word };
  const isNarrow = low !== null && high !== null && high - low < LEAST_COMMON_ARC_DEG;
  return isNarrow ? { ...found, low: null, high: null, word: "isometric" } : { ...found, low, high, word };
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
  by: readonly Limit[],
): Said | null {
  if (low === null || high === null) return null;
  const said = (code: string) =>
    saidWith(code, { name: boundKind(kind).name, by: by.map(sourceOf), low, high });
  if (by.some((l) => l.low !== null && l.high !== null && l.low > l.high)) return said("bound.no_angle");
  if (low > high) return said("bound.contradict");
  if (kind === "open_chain_extension" && word === "arc" && high - low < LEAST_COMMON_ARC_DEG)
    return said("bound.narrow");
  return null;
}

const sourceOf = ({ reason, origin }: Limit) => ({ reason, origin });
