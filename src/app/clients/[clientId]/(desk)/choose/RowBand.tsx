import { area, curveMonotoneX, line } from "d3";
import { memo } from "react";
import type { RangeRow } from "@/core/selection/rank/rangeSheet";
import type { Tissue } from "@/core/selection/tissue/tissues";
import { Brackets } from "@/ui/rail/Hatch";
import { PainfulBand } from "@/ui/rail/PainfulBand";
import { RAIL, xOf } from "@/ui/rail/scale";
import { twoLines } from "@/ui/rail/twoLines";
import { tissuePhrase, tissueShort, tissueWords } from "@/words/en/plan/choose";
import { painfulShort } from "@/words/en/plan/painfulArc";
import { rampTone } from "./rampTone";

const HEIGHT = 54;
const TOP = 6;
const BASE = 46;
const LETTERS = 21;

type Point = { deg: number; value: number };

const ridgeOf = (y: (v: number) => number) =>
  area<Point>()
    .x((p) => xOf(p.deg))
    .y0(BASE)
    .y1((p) => y(p.value))
    .curve(curveMonotoneX);

const edgeOf = (y: (v: number) => number) =>
  line<Point>()
    .x((p) => xOf(p.deg))
    .y((p) => y(p.value))
    .curve(curveMonotoneX);

/**
 * One exercise under the ruler: clear and bracketed where it may go, hatched where not, its ridge as high and as dark as
 * the tissue load. Work that leaves the knee quiet has no ridge and says so.
 */
export const RowBand = memo(function RowBand({
  row,
  most,
  chairAt,
  tissue,
  also,
  alsoOf,
  alsoMost,
  isCompared,
}: {
  row: RangeRow;
  most: number;
  /** value of one reference task, null where the tissue has none */
  chairAt: number | null;
  tissue: Tissue;
  /** the same set-up's load on a second tissue, on a scale of its own; null: none is shown, or no model */
  also: { points: Point[]; peak: number } | null;
  alsoOf: Tissue | null;
  alsoMost: number;
  isCompared: boolean;
}) {
  const { arc, computed } = row;
  const [x1, x2] = [xOf(arc.fromDeg), xOf(arc.toDeg)];
  const y = (v: number) => BASE - (Math.min(v, most) / most) * (BASE - TOP);
  const names = twoLines(row.e.name, LETTERS);
  return (
    <svg
      viewBox={`0 0 ${RAIL.width} ${HEIGHT}`}
      className="block w-full"
      role="img"
      aria-label={rowWords(row, tissue) + (also && alsoOf ? `, ${tissuePhrase(alsoOf, also.peak)}` : "")}
    >
      {names.map((words, i) => (
        <text key={words} x={8} y={16 + i * 14} fontSize={12.5} fontWeight={650} className="fill-current">
          {words}
        </text>
      ))}
      <text
        x={8}
        y={16 + names.length * 14}
        fontSize={12}
        className={computed?.tooHeavyBecause ? "fill-accent" : "fill-quiet"}
      >
        {detail(row)}
      </text>
      {row.painful && (
        <PainfulBand {...row.painful} y={TOP} height={BASE - TOP} words={painfulShort(row.painful)} />
      )}
      {computed ? (
        <Ridge row={row} points={computed.points} x1={x1} x2={x2} y={y} most={most} chairAt={chairAt} />
      ) : (
        <text x={RAIL.left} y={29} fontSize={12.5} className="fill-quiet">
          {row.e.match.class === "closed_knee" || row.e.match.class === "open_knee_extension"
            ? "no model of the knee for it"
            : "the knee stays quiet, or no model of it"}
        </text>
      )}
      {also && (
        <path
          d={edgeOf((v) => BASE - (Math.min(v, alsoMost) / alsoMost) * (BASE - TOP))(also.points) ?? ""}
          fill="none"
          strokeWidth={2}
          strokeDasharray="6 4"
          className="stroke-mark"
        />
      )}
      <text x={RAIL.right + 6} y={17} fontSize={12.5} className="fill-current">
        {computed ? tissueShort(tissue, computed.peak) : ""}
      </text>
      <text x={RAIL.right + 6} y={32} fontSize={12} className="fill-quiet">
        {also && alsoOf ? tissueShort(alsoOf, also.peak) : trains(row)}
      </text>
      <text
        x={RAIL.right + 6}
        y={47}
        fontSize={12}
        className={isCompared ? "fill-primary font-bold" : "fill-quiet"}
      >
        {isCompared ? "compared" : row.status === "fitted" ? "adapted" : ""}
      </text>
    </svg>
  );
});

function Ridge({
  row,
  points,
  x1,
  x2,
  y,
  most,
  chairAt,
}: {
  row: RangeRow;
  points: Point[];
  x1: number;
  x2: number;
  y: (v: number) => number;
  most: number;
  chairAt: number | null;
}) {
  const clip = `arc-${row.e.id}`;
  const ridge = ridgeOf(y);
  const edge = edgeOf(y)(points);
  const end = xOf(points.at(-1)?.deg ?? 0);
  return (
    <>
      <clipPath id={clip}>
        <rect x={x1} y={0} width={Math.max(2, x2 - x1)} height={HEIGHT} />
      </clipPath>
      <rect
        x={RAIL.left}
        y={TOP}
        width={Math.max(0, end - RAIL.left)}
        height={BASE - TOP}
        fill="url(#barred)"
      />
      <rect x={x1} y={TOP} width={Math.max(2, x2 - x1)} height={BASE - TOP} className="fill-base-100" />
      <g clipPath={`url(#${clip})`}>
        {runsOfTone(points, most).map((run) => (
          <path key={run.points[0]?.deg} d={ridge(run.points) ?? ""} fill={run.tone} />
        ))}
      </g>
      <path d={edge ?? ""} fill="none" strokeWidth={1} strokeDasharray="3 2" className="stroke-quiet" />
      <g clipPath={`url(#${clip})`}>
        <path d={edge ?? ""} fill="none" strokeWidth={1.7} className="stroke-base-content" />
      </g>
      {chairAt !== null && (
        <line
          x1={RAIL.left}
          x2={RAIL.right}
          y1={y(chairAt)}
          y2={y(chairAt)}
          strokeDasharray="1 4"
          className="stroke-quiet"
        />
      )}
      <line x1={RAIL.left} x2={RAIL.right} y1={BASE} y2={BASE} className="stroke-rule" />
      <Brackets x1={x1} x2={x2} y={TOP} height={BASE - TOP} />
    </>
  );
}

/** Neighbouring stretches of one tone as one piece. */
function runsOfTone(points: readonly Point[], most: number): { tone: string; points: Point[] }[] {
  const runs: { tone: string; points: Point[] }[] = [];
  for (const [i, p] of points.entries()) {
    const before = points[i - 1];
    if (!before) continue;
    const tone = rampTone(Math.max(before.value, p.value) / most);
    const last = runs.at(-1);
    if (last?.tone === tone) last.points.push(p);
    else runs.push({ tone, points: [before, p] });
  }
  return runs;
}

const MUSCLES: Record<string, string> = {
  quads: "front",
  hamstrings: "back",
  glutes: "buttock",
  abductors: "outer",
  adductors: "inner",
  hip_flexors: "hip",
  calves: "calf",
  soleus: "calf",
  trunk_extensors: "trunk",
  trunk_flexors: "belly",
};

/** The muscle group it works next to its own, in dots: a judgement, not measured. */
function trains({ e }: RangeRow): string {
  const [, second] = Object.entries(e.muscle_emphasis_0_3).sort((a, b) => b[1] - a[1]);
  return second ? `${MUSCLES[second[0]] ?? second[0]} ${"•".repeat(second[1])}` : "";
}

/** Machine and load in a few letters. */
function detail({ computed, e }: RangeRow): string {
  const words = computed
    ? `${computed.chosen.id ? `${computed.chosen.machine.name} · ` : ""}${computed.how}`
    : e.equipment;
  return words.length > LETTERS + 4 ? `${words.slice(0, LETTERS + 3)}…` : words;
}

/** The row for who cannot see it. */
function rowWords(r: RangeRow, tissue: Tissue): string {
  const load = r.computed ? `, ${r.computed.how}, ${mostWords(tissueWords(tissue, r.computed.peak))}` : "";
  return `${r.e.name}: ${Math.round(r.arc.fromDeg)}° to ${Math.round(r.arc.toDeg)}°${load}${r.painful ? `, ${painfulShort(r.painful)}` : ""}`;
}

/** "at most 0.7 × a chair rise", but "no pull". */
const mostWords = (words: string): string => (/^(no|next to no) /.test(words) ? words : `at most ${words}`);
