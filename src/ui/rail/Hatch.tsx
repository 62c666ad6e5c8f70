/** The hatching of what is barred; put it once into a drawing. */
export function HatchDefs() {
  return (
    <defs>
      <pattern id="barred" width={7} height={7} patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <line x1={0} x2={0} y1={0} y2={7} className="hatch-line" />
      </pattern>
    </defs>
  );
}

/** Two brackets around the allowed part of a row. */
export function Brackets({ x1, x2, y, height }: { x1: number; x2: number; y: number; height: number }) {
  return (
    <g fill="none" strokeWidth={2.4} className="stroke-primary">
      <path d={`M ${x1 + 6} ${y} H ${x1} V ${y + height} H ${x1 + 6}`} />
      <path d={`M ${x2 - 6} ${y} H ${x2} V ${y + height} H ${x2 - 6}`} />
    </g>
  );
}
