import type { KeyBound } from "@/core/bounds/keyBounds";
import { originsWords } from "@/words/en/plan/bounds";

/** The bounds that bind today, each as a small drawing, a number and its author. */
export function KeyBounds({
  bounds,
  differing,
}: {
  bounds: KeyBound[];
  /** those that another answer has otherwise or not at all */
  differing?: ReadonlySet<KeyBound["kind"]>;
}) {
  if (bounds.length === 0) return <p className="quiet">Nothing else bounds the work today.</p>;
  return (
    <ul className="grid grid-cols-2 gap-x-5 gap-y-4">
      {bounds.map((b) => (
        <li key={b.kind} className="grid grid-cols-[44px_1fr] items-start gap-3">
          <Glyph bound={b} />
          <p className="leading-tight">
            <span className="display block text-[21px]">{b.words}</span>
            {b.name}
            {differing?.has(b.kind) && <b className="text-accent"> ◆ differs</b>}
            <span className="small quiet block">{originsWords(b.by)}</span>
          </p>
        </li>
      ))}
    </ul>
  );
}

/** How much is left of all there could be: a filled bar, an opened angle, ticks of ten, steps of a scale. */
function Glyph({ bound: b }: { bound: KeyBound }) {
  switch (b.as) {
    case "percent":
      return (
        <svg viewBox="0 0 44 40" aria-hidden>
          <rect x={2} y={2} width={40} height={36} className="fill-secondary" />
          <rect x={2} y={38 - 36 * b.share} width={40} height={36 * b.share} className="fill-primary" />
        </svg>
      );
    case "degrees": {
      const rad = (130 * b.share * Math.PI) / 180;
      return (
        <svg viewBox="0 0 44 40" aria-hidden>
          <g fill="none" strokeWidth={6} strokeLinecap="round">
            <line x1={4} y1={12} x2={22} y2={12} className="stroke-quiet" />
            <line
              x1={22}
              y1={12}
              x2={22 + 18 * Math.cos(rad)}
              y2={12 + 18 * Math.sin(rad)}
              className="stroke-primary"
            />
          </g>
        </svg>
      );
    }
    case "score":
      return (
        <svg viewBox="0 0 44 40" aria-hidden>
          {Array.from({ length: 11 }, (_, i) => (
            <line
              // biome-ignore lint/suspicious/noArrayIndexKey: ticks of a scale
              key={i}
              x1={3 + i * 3.8}
              x2={3 + i * 3.8}
              y1={10}
              y2={30}
              strokeWidth={2.4}
              className={i / 10 <= b.share + 1e-9 ? "stroke-primary" : "stroke-rule"}
            />
          ))}
        </svg>
      );
    case "step":
      return (
        <svg viewBox="0 0 44 40" aria-hidden>
          {[0, 1, 2, 3].map((i) => (
            <rect
              key={i}
              x={3 + i * 10}
              y={30 - i * 7}
              width={8}
              height={6 + i * 7}
              className={i / 3 <= b.share + 1e-9 && b.share > 0 ? "fill-primary" : "fill-none stroke-quiet"}
            />
          ))}
        </svg>
      );
  }
}
