import { daysAfter, mondayOf } from "../../units/days";
import { saidWith } from "../../units/said";
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
    name: saidWith("review.visit_of", { on: v.on }),
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
      name: { code: "review.hard" },
      under: { code: "review.each_week" },
      how: {
        formula: { code: "review.hard_formula" },
        source: { code: "review.hard_source" },
        confidence: "own",
        origin: "entered",
      },
      unit: "",
      least: 0,
      series: [{ key: "own", name: { code: "review.hard" }, mark: "bar", points: bars((v) => v.hardReps) }],
    }),
    rowOf({
      id: "kneecap",
      name: { code: "review.kneecap" },
      under: { code: "review.each_week_rise" },
      how: {
        formula: { code: "review.kneecap_formula" },
        source: { code: "review.kneecap_source" },
        confidence: "medium",
        origin: "estimated",
      },
      unit: "s",
      least: 0,
      series: [
        { key: "own", name: { code: "review.kneecap" }, mark: "bar", points: bars((v) => v.kneecapChairS) },
      ],
    }),
    rowOf({
      id: "done",
      name: { code: "review.visits" },
      under: { code: "review.done_under" },
      how: {
        formula: { code: "review.done_formula" },
        source: { code: "review.done_source" },
        confidence: "high",
        origin: "entered",
      },
      unit: "",
      least: 0,
      series: [
        { key: "own", name: { code: "review.done" }, mark: "bar", points: bars(() => 1) },
        {
          key: "planned",
          name: { code: "review.planned" },
          mark: "outline",
          points: [...runs].map(([week, all]) => {
            const missed = all.filter((p) => !p.wasDone);
            return point(
              week,
              all.length,
              missed.length === 0
                ? []
                : [saidWith("review.not_done", { missed: missed.map(({ sheet, on }) => ({ sheet, on })) })],
            );
          }),
        },
      ],
    }),
  ];
}
