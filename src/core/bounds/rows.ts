import { kgWords } from "../units/mass";
import type { Said } from "../units/said";
import { AT_LEAST, BOUND_KIND_IDS, type BoundKind, boundKind, boundWord, LIMB_WEIGHT } from "./kinds";
import { bindsAnything, isInForce, type Limit } from "./limit";
import { tightest } from "./tightest";

export interface LimitRow {
  limit: Limit;
  /** the allowed part in words, with what binds apart */
  words: { text: string; binds: boolean }[];
  isOver: boolean;
}

/** What only one phase bounds: said together, since reason, end and who lifts it are the same. */
export interface PhaseGroup {
  because: string;
  bounds: { kind: BoundKind; name: string; words: LimitRow["words"]; detail: string }[];
}

export interface LimitGroup {
  kind: BoundKind;
  name: string;
  rows: LimitRow[];
  conflict: Said | null;
}

/**
 * All limits by what they bound, the ones that bind first. What a single phase alone bounds comes apart, by phase; kinds
 * that nothing bounds are only named.
 */
export function limitRows(
  limits: readonly Limit[],
  onDate: string,
): { groups: LimitGroup[]; phases: PhaseGroup[]; free: string[] } {
  const groups: LimitGroup[] = [];
  const phases = new Map<string, PhaseGroup>();
  const free: string[] = [];
  for (const kind of BOUND_KIND_IDS) {
    const of = limits.filter((l) => l.kind === kind && bindsAnything(l));
    const name = boundKind(kind).name;
    if (of.length === 0) {
      if (kind !== "weight_on_leg" && kind !== "hold_seconds") free.push(name);
      continue;
    }
    const most = tightest(limits, kind, onDate);
    const rows = of.map((l) => {
      const binds = most?.by.some((b) => b.id === l.id) ?? false;
      return {
        limit: l,
        isOver: !isInForce(l, onDate),
        words: wordsOf(l, {
          low: binds && l.low === most?.low,
          high: binds && l.high === most?.high,
          word: binds && l.word === most?.word,
        }),
      };
    });
    const [only] = of;
    if (of.length === 1 && only?.origin === "condition" && !most?.conflict) {
      const because = only.ofPhase?.because ?? only.reason;
      const phase = phases.get(because) ?? { because, bounds: [] };
      phases.set(because, phase);
      phase.bounds.push({ kind, name, words: rows[0]?.words ?? [], detail: only.ofPhase?.detail ?? "" });
      continue;
    }
    rows.sort((a, b) => rank(a) - rank(b));
    groups.push({ kind, name, rows, conflict: most?.conflict ?? null });
  }
  return { groups, phases: [...phases.values()], free };
}

const rank = (r: LimitRow): number => (r.isOver ? 2 : r.words.some((w) => w.binds) ? 0 : 1);

function wordsOf(l: Limit, binds: { low: boolean; high: boolean; word: boolean }): LimitRow["words"] {
  const spec = boundKind(l.kind);
  if (spec.shape === "names") return l.names.map((n) => ({ text: nameWords(n), binds: true }));
  const gap = spec.unit === "°" ? "" : " ";
  const number = (n: number) => (spec.unit === "kg" ? kgWords(n) : `${n}${spec.unit ? gap + spec.unit : ""}`);
  if (l.low !== null && l.high !== null && l.low > l.high) return [{ text: "none", binds: true }];
  const out: LimitRow["words"] = [];
  if (l.word !== null) out.push({ text: boundWord(l.kind, l.word), binds: binds.word });
  if (l.kind === "open_chain_load" && l.high === 0) return [{ text: LIMB_WEIGHT, binds: binds.high }];
  if (l.low !== null && l.high !== null)
    out.push(
      { text: `${l.low}°`, binds: binds.low },
      { text: "to", binds: false },
      { text: number(l.high), binds: binds.high },
    );
  else if (l.low !== null)
    out.push(
      { text: spec.shape === "least" ? AT_LEAST : "from", binds: false },
      { text: number(l.low), binds: binds.low },
    );
  else if (l.high !== null)
    out.push({ text: "≤", binds: binds.high }, { text: number(l.high), binds: binds.high });
  return out;
}

/** "class:stretch" as people read it; exercises come by their id and are said by the page that knows them. */
export const nameWords = (name: string): string => name.replace(/^[a-z]+:/, "").replaceAll("_", " ");
