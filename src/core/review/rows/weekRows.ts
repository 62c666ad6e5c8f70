import { dayInWords } from "../../units/dayInWords";
import { daysAfter, mondayOf } from "../../units/days";
import type { WorkingInput } from "../../units/working/working";
import type { ReviewFacts, ReviewVisit } from "../facts";
import { point, type Row, rowOf } from "../row";

const MOST_WEEKS = 1000;

function weeksBetween(from: string, to: string): string[] {
  const weeks: string[] = [];
  for (let on = mondayOf(from); on <= to && weeks.length < MOST_WEEKS; on = daysAfter(on, 7)) weeks.push(on);
  return weeks;
}

/** What each visit brings to the week's sum. */
const visitsOf = (visits: readonly ReviewVisit[], of: (v: ReviewVisit) => number): WorkingInput[] =>
  visits.map((v) => ({
    name: `visit of ${dayInWords(v.on)}`,
    value: String(Math.round(of(v))),
    origin: "entered" as const,
  }));

/** Hard work and kneecap load of every week, and what was planned in it against what was done. */
export function weekRows({
  visits,
  planned,
  from,
  to,
}: Pick<ReviewFacts, "visits" | "planned" | "from" | "to">): Row[] {
  const byWeek = new Map<string, ReviewVisit[]>();
  for (const v of visits) byWeek.set(mondayOf(v.on), [...(byWeek.get(mondayOf(v.on)) ?? []), v]);
  const weeks = weeksBetween(from, to);
  const sum = (week: string, of: (v: ReviewVisit) => number): number =>
    (byWeek.get(week) ?? []).reduce((all, v) => all + of(v), 0);
  const bars = (of: (v: ReviewVisit) => number) =>
    weeks
      .filter((w) => byWeek.has(w))
      .map((w) => ({ ...point(w, sum(w, of)), inputs: visitsOf(byWeek.get(w) ?? [], of) }));
  const runs = new Map<string, typeof planned>();
  for (const p of planned) runs.set(mondayOf(p.on), [...(runs.get(mondayOf(p.on)) ?? []), p]);
  return [
    rowOf({
      id: "hard",
      name: "hard repetitions",
      under: "of each week",
      how: {
        formula: "the hard repetitions of all visits of the week, added",
        source: "the visits' records; docs/rules.md: four or fewer in reserve count as hard",
        confidence: "own",
        origin: "entered",
      },
      unit: "",
      least: 0,
      series: [{ name: "hard repetitions", mark: "bar", points: bars((v) => v.hardReps) }],
    }),
    rowOf({
      id: "kneecap",
      name: "kneecap work",
      under: "of each week, in seconds of a chair rise",
      how: {
        formula: "the kneecap's load × time of all visits of the week, in seconds of one chair rise, added",
        source: "docs/rules.md: load on the kneecap against a chair rise",
        confidence: "medium",
        origin: "estimated",
      },
      unit: "s",
      least: 0,
      series: [{ name: "kneecap work", mark: "bar", points: bars((v) => v.kneecapChairS) }],
    }),
    rowOf({
      id: "done",
      name: "visits",
      under: "filled: done; outline: planned for days past",
      how: {
        formula: "visits that were finished, and days of the plan that are past",
        source: "the visits' records and the plan as it was kept",
        confidence: "high",
        origin: "entered",
      },
      unit: "",
      least: 0,
      series: [
        { name: "done", mark: "bar", points: bars(() => 1) },
        {
          name: "planned",
          mark: "outline",
          points: [...runs].map(([week, all]) => {
            const missed = all.filter((p) => !p.wasDone);
            return point(
              week,
              all.length,
              missed.length === 0 ? "" : `not done: ${missed.map((p) => `${p.sheet} of ${p.on}`).join(", ")}`,
            );
          }),
        },
      ],
    }),
  ];
}
