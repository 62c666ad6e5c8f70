interface Point {
  x: number;
  y: number;
}

/** A leg from the side as a sketch: the thigh from hip to knee, the shank to the foot, the foot to its toes. */
export function SideLeg({
  hip,
  knee,
  foot,
  toe,
  width,
}: {
  hip: Point;
  knee: Point;
  foot: Point;
  toe: Point;
  /** of the thigh, in the picture's units */
  width: number;
}) {
  const parts = [
    { from: hip, to: knee, width, tone: "stroke-quiet opacity-60" },
    { from: knee, to: foot, width: 0.78 * width, tone: "stroke-primary" },
    { from: foot, to: toe, width: 0.47 * width, tone: "stroke-primary" },
  ];
  return (
    <>
      {parts.map((p) => (
        <line
          key={`${p.width}`}
          x1={p.from.x}
          y1={p.from.y}
          x2={p.to.x}
          y2={p.to.y}
          strokeWidth={p.width}
          strokeLinecap="round"
          className={p.tone}
        />
      ))}
      <circle cx={knee.x} cy={knee.y} r={0.19 * width} className="fill-base-100" />
    </>
  );
}
