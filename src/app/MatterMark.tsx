import type { MatterKind } from "@/core/desk/matters";

/** Says by shape how much a group matters: a full square stops, a diamond needs a hand, an arrow goes on, a ring is to come. */
const SHAPES: Record<MatterKind, "square" | "diamond" | "arrow" | "ring"> = {
  concern: "square",
  stop: "square",
  gone: "diamond",
  open_visit: "arrow",
  morning: "diamond",
  decision: "diamond",
  request: "diamond",
  planned: "arrow",
  run: "arrow",
  limit_ends: "ring",
  criteria: "ring",
  plan: "diamond",
  plateau: "ring",
  retest: "ring",
};

export function MatterMark({ kind }: { kind: MatterKind }) {
  const shape = SHAPES[kind];
  return (
    <svg width={18} height={18} viewBox="0 0 18 18" aria-hidden className="shrink-0">
      {shape === "square" && <rect x={3} y={3} width={12} height={12} className="fill-error" />}
      {shape === "diamond" && (
        <path d="M 9 2 L 16 9 L 9 16 L 2 9 Z" strokeWidth={2} className="fill-base-100 stroke-mark" />
      )}
      {shape === "arrow" && (
        <path d="M 5 3 L 13 9 L 5 15" fill="none" strokeWidth={2.4} className="stroke-primary" />
      )}
      {shape === "ring" && (
        <circle cx={9} cy={9} r={6} fill="none" strokeWidth={2} className="stroke-primary" />
      )}
    </svg>
  );
}
