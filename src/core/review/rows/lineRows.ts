import type { CourseOf } from "../../decision/lineCourse";
import { ACTION_WORDS } from "../../progression/safetyRules";
import type { Decided, LineWay } from "../facts";
import { point, type Row, rowOf } from "../row";

const UNITS: Record<CourseOf, { unit: string; under: string }> = {
  angle: { unit: "°", under: "angle held" },
  help: { unit: "kg", under: "help; less is further on" },
  load: { unit: "kg", under: "load set" },
  reps: { unit: "", under: "repetitions of a set" },
  seconds: { unit: "s", under: "seconds of a set" },
};

const REACHED = { below: "less than planned", in: "nearly all", top: "", unknown: "" } as const;

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
          formula: `${under}: what was done in the visit, as it was logged`,
          source: "the records of its sets",
          confidence: "high",
          origin: "entered",
          cannotTell: "a change of machine, of angle or of rests beside it",
        },
        under,
        unit,
        digits: l.of === "load" || l.of === "help" ? 1 : 0,
        better: l.of === "help" ? "down" : "up",
        series: [
          {
            name: under,
            mark: "step",
            points: known.map((p) =>
              point(
                p.on,
                p.value,
                [
                  p.reps === null || l.of === "reps" ? "" : `${p.reps} repetitions`,
                  p.how ?? "",
                  p.stopped ? "stopped by joint pain" : REACHED[p.reached],
                  ...(turns.get(`${l.lineId} ${p.on}`) ?? []).map(
                    (d) => `then ${ACTION_WORDS[d.action].toLowerCase()}`,
                  ),
                ]
                  .filter(Boolean)
                  .join("; "),
                p.stopped || p.reached === "below" ? "less" : undefined,
              ),
            ),
          },
        ],
      }),
    ];
  });
}
