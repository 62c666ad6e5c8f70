import type { CourseOf } from "../../decision/lineCourse";
import { type Said, saidWith } from "../../units/said";
import type { Decided, LineWay } from "../facts";
import { point, type Row, rowOf } from "../row";

const UNITS: Record<CourseOf, { unit: string; under: Said }> = {
  angle: { unit: "°", under: { code: "review.angle" } },
  help: { unit: "kg", under: { code: "review.help" } },
  load: { unit: "kg", under: { code: "review.load" } },
  reps: { unit: "", under: { code: "review.reps" } },
  seconds: { unit: "s", under: { code: "review.seconds" } },
};

const REACHED = {
  below: [{ code: "review.below" }],
  in: [{ code: "review.in" }],
  top: [],
  unknown: [],
} as const;

/** What every line climbed, visit by visit, with what was decided on the way. */
export function lineRows(lines: readonly LineWay[], decisions: readonly Decided[]): Row[] {
  // ten years have thousands of each: looked up, not searched through
  const turns = new Map<string, Decided[]>();
  for (const d of decisions) {
    if (d.action === "PROGRESS" || d.action === "HOLD") continue;
    const key = `${d.lineId} ${d.on}`;
    turns.set(key, [...(turns.get(key) ?? []), d]);
  }
  return lines.flatMap((l) => {
    const known = l.points.flatMap((p) => (p.value === null ? [] : [{ ...p, value: p.value }]));
    if (known.length === 0) return [];
    const { unit, under } = UNITS[l.of];
    return [
      rowOf({
        id: `line ${l.lineId}`,
        name: l.name,
        how: {
          formula: saidWith("review.line_formula", { under }),
          source: { code: "review.line_source" },
          confidence: "high",
          origin: "entered",
          cannotTell: { code: "review.line_cannot" },
        },
        under,
        unit,
        digits: l.of === "load" || l.of === "help" ? 1 : 0,
        better: l.of === "help" ? "down" : "up",
        series: [
          {
            key: "own",
            name: under,
            mark: "step",
            points: known.map((p) =>
              point(
                p.on,
                p.value,
                [
                  ...(p.reps === null || l.of === "reps"
                    ? []
                    : [saidWith("review.repetitions", { reps: p.reps })]),
                  ...(p.how ? [p.how] : []),
                  ...(p.stopped ? [{ code: "review.stopped_by_pain" }] : REACHED[p.reached]),
                  ...(p.seen ? [saidWith("review.seen", p.seen)] : []),
                  ...(turns.get(`${l.lineId} ${p.on}`) ?? []).map((d) =>
                    saidWith("review.then", { action: d.action }),
                  ),
                ],
                p.stopped || p.reached === "below" ? "less" : undefined,
              ),
            ),
          },
        ],
      }),
    ];
  });
}
