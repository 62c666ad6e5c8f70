/** Name of a row at the left of the rail, with a quieter second line. */
export function RowLabel({ y, name, detail }: { y: number; name: string; detail?: string }) {
  return (
    <g className="fill-current">
      <text x={0} y={y} fontSize={13.5} fontWeight={700}>
        {name}
      </text>
      {detail && (
        <text x={0} y={y + 16} fontSize={12.5} className="fill-quiet">
          {detail}
        </text>
      )}
    </g>
  );
}
