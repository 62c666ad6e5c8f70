import { fromKept, type Said } from "../units/said";
import { BOUND_KIND_IDS, type BoundKind, boundKind } from "./kinds";
import type { Limit } from "./limit";
import { type Tightest, tightest } from "./tightest";

/** Everything that bounds a client on a day, one entry a kind with the limits that made it: all that anybody asks. */
export type InForce = Readonly<Partial<Record<BoundKind, Tightest>>>;

/** Words of extension with the foot free under which a load of it means anything. */
const MOVES: readonly (string | null)[] = ["arc", "free", null];

/** What all limits leave on a day. What bounds nothing has no entry. */
export function inForce(limits: readonly Limit[], onDate: string): InForce {
  const all: Partial<Record<BoundKind, Tightest>> = {};
  for (const kind of BOUND_KIND_IDS) {
    if (kind === "open_chain_load" && !MOVES.includes(all.open_chain_extension?.word ?? null)) continue;
    const found = tightest(limits, kind, onDate);
    if (found) all[kind] = found;
  }
  return all;
}

/** The same with further limits: never wider. Those that do not bind need not be asked again. */
export const withMore = (bounds: InForce, more: readonly Limit[]): InForce =>
  inForce([...Object.values(bounds).flatMap((t) => [...t.by]), ...more], "");

/** The most that is left of a kind; without a bound the end of what it can be. */
export function mostOf(bounds: InForce, kind: BoundKind): number {
  const spec = boundKind(kind);
  const end = spec.shape === "names" ? 0 : (spec.most ?? Number.POSITIVE_INFINITY);
  return Math.min(end, bounds[kind]?.high ?? end);
}

/** The least that is asked of a kind; without a bound the beginning of what it can be. */
export function leastOf(bounds: InForce, kind: BoundKind): number {
  const spec = boundKind(kind);
  const start = spec.shape === "names" ? 0 : (spec.least ?? 0);
  return Math.max(start, bounds[kind]?.low ?? start);
}

/** Whether what is left of a kind is stricter than a word of its scale. */
export function isStricter(bounds: InForce, kind: BoundKind, than: string): boolean {
  const spec = boundKind(kind);
  const word = bounds[kind]?.word ?? null;
  return spec.shape === "word" && word !== null && spec.scale.indexOf(word) < spec.scale.indexOf(than);
}

/** Whether a kind of limit bars something by this name. */
export const isNamed = (bounds: InForce, kind: BoundKind, name: string): boolean =>
  bounds[kind]?.names.includes(name) ?? false;

/** Who set what is left of a kind, each once; none where nothing bounds it. */
export const whoSet = (bounds: InForce, kind: BoundKind): Limit["origin"][] => [
  ...new Set((bounds[kind]?.by ?? []).map((l) => l.origin)),
];

/** Why a kind is bounded as it is: a reason, who gave it and until when. */
export interface BoundReason {
  reason: Said;
  origin: Limit["origin"];
  endsOn: string | null;
}

/** The reasons of all that binds, each once. */
export const reasonsOf = (t: Tightest): BoundReason[] => [
  ...new Map(
    t.by.map(({ reason, origin, endsOn }) => [
      `${reason} ${origin} ${endsOn}`,
      { reason: fromKept(reason), origin, endsOn },
    ]),
  ).values(),
];
