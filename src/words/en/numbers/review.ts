import type { Action } from "@/core/progression/safetyRules";
import type { Mark } from "@/core/review/row";
import type { SpanNumbers } from "@/core/review/span";
import type { FaultId } from "@/core/rules/faults/faults";
import type { MarkerId } from "@/core/story/markers";
import type { PainfulMove } from "@/core/strength/painfulArc";
import { SWELLING_WORDS } from "@/core/units/fields";
import { lowerFirst } from "@/core/units/lowerFirst";
import type { PainRegion } from "@/core/units/painRegion";
import type { Said } from "@/core/units/said";
import type { Format } from "../../format";
import { ACTION_WORDS } from "../decide";
import { MOVE_SHORT } from "../plan/painfulArc";
import { MARKERS, PAIN_REGIONS } from "../story";
import { FAULT_WORDS } from "../visit/faults";

/** Rows of the time line: what they show, how to read them, and what is to be known of a value. */
export const review = {
  cost_under: "share of what this leg can do",
  all_of_it: "all of it",
  cost_series: "of what this leg can do",
  angle: "angle held",
  help: "help; less is further on",
  load: "load set",
  reps: "repetitions of a set",
  seconds: "seconds of a set",
  below: "less than planned",
  in: "nearly all",
  line_source: "the records of its sets",
  line_cannot: "a change of machine, of angle or of rests beside it",
  stopped_by_pain: "stopped by joint pain",
  seen: (m: { faults: readonly FaultId[]; cleanPct: number }, f: Format) =>
    `seen: ${f.list(m.faults.map((id) => FAULT_WORDS[id]))}; ${m.cleanPct} % clean`,
  morning_after: "the morning after",
  as_measured: "as it was measured that day",
  own_record: "the clinic's own record",
  painful: (m: { moved: PainfulMove }) => `angles that hurt: ${MOVE_SHORT[m.moved]}`,
  painful_under: "width of what hurts; 0: looked for and none found",
  painful_formula: "the bend at which it stops hurting less the one at which it begins",
  painful_source: "found on that day with the load that is noted; docs/rules.md, K27",
  painful_cannot: "two days with different loads",
  painful_from: (m: { fromDeg: number; toDeg: number; loadKg: number | null; pain: number }, f: Format) =>
    `${m.fromDeg}° to ${m.toDeg}°, ${m.pain} of 10${m.loadKg === null ? "" : ` with ${f.kg(m.loadKg, 1)}`}`,
  pain: "joint pain",
  pain_formula: "the answer from 0 to 10; of several in a visit the worst",
  pain_source: "the visit's record and the morning after; a change of 2 is more than chance",
  pain_cannot: "what else was done that day",
  pain_under: "bar: before to after; square: worst in a set; dot: next morning",
  before_to_after: "before to after",
  worst_in_set: "worst in a set",
  region: (m: { region: PainRegion }) => `Pain: ${PAIN_REGIONS[m.region]}`,
  region_under: "square: the worst in a set; dot: the next morning",
  marker: (m: { kind: MarkerId }) => `Pain in: ${MARKERS[m.kind]}`,
  marker_formula: "scored 0 to 10 before the first set and after the last",
  marker_under: "ring: before the visit; dot: after it; two points are a change",
  marker_before: "before the first set",
  marker_after: "after the last set",
  marker_move: (m: { move: "eased" | "stirred" | "same" }) =>
    ({ eased: "eased by the visit", stirred: "stirred up by the visit", same: "no change" })[m.move],
  besides: (m: { what: string }) => `after ${m.what} as well: does not tell what the exercises did`,
  above_most: "above the most allowed",
  next_morning: "next morning",
  session_error: "error of one session",
  never_agreed: "the trials never agreed",
  strength_formula:
    "force × lever arm × sine of the angle of pull, with the shin's own weight; the best of the trials that agree",
  strength_source: "the strength test of that day; docs/rules.md, Strength",
  strength_under: "dot: this leg; diamond: the other; line: error of a session",
  this_leg: "this leg",
  other_leg: "the other leg",
  can: (m: { name: Said }, f: Format) => `what ${f.say(m.name)} can do`,
  can_under: "dot: after that day; line: eight of ten lie in it",
  can_series: "this leg",
  can_formula:
    "everything that was tested, done and answered, folded in the order of days into one peak torque",
  can_source: "docs/rules.md, Getting stronger: L",
  can_cannot: "what a station shows differently from the model; that is learnt for each station by itself",
  before: "before",
  moved_by: "moved by",
  by_trial: "a strength test",
  by_sets: "sets of a visit",
  odd_waits:
    "something so far above what was believed that it counts for nothing until it is shown as planned",
  odd_cut: "something so far off what was believed that only a part of it counts",
  by_holds: "holds of a visit",
  by_daily: "what is done every day",
  by_away: "days in bed, ill or in a brace",
  symmetry_formula: "this leg ÷ the other leg × 100, both at the same angle",
  symmetry_source: "docs/rules.md, Strength: limb symmetry with the error of a session",
  symmetry_cannot: "how strong the other leg is for its body: it may be weak too",
  symmetry_under: "dot with what one session can tell",
  of_other_leg: "of the other leg",
  reached: "clearly at or above",
  clearly_below: "clearly below",
  cannot_tell: "cannot tell",
  hard: "hard repetitions",
  each_week: "of each week",
  hard_formula: "the hard repetitions of all visits of the week, added",
  hard_source: "the visits' records; docs/rules.md: four or fewer in reserve count as hard",
  kneecap: "kneecap work",
  each_week_rise: "of each week, in seconds of a chair rise",
  kneecap_formula: "the kneecap's load × time of all visits of the week, in seconds of one chair rise, added",
  kneecap_source: "docs/rules.md: load on the kneecap against a chair rise",
  visits: "visits",
  done_under: "filled: done; outline: planned for days past",
  done_formula: "visits that were finished, and days of the plan that are past",
  done_source: "the visits' records and the plan as it was kept",
  done: "done",
  planned: "planned",
  noted: "noted with it",
  more_than_error: "more than the error",
  within_error: "within the error",
  line_formula: (m: { under: Said }, f: Format) =>
    `${f.say(m.under)}: what was done in the visit, as it was logged`,
  repetitions: (m: { reps: number }) => `${m.reps} repetitions`,
  // biome-ignore lint/suspicious/noThenProperty: the name of a code, never a promise
  then: (m: { action: Action }) => `then ${ACTION_WORDS[m.action].toLowerCase()}`,
  side_this: (m: { side: string }) => `${m.side}, this leg`,
  side_other: (m: { side: string }) => `${m.side}, the other`,
  own_record_error: (m: { change: number; unit: string }) =>
    `the clinic's own record; a change below ${m.change} ${m.unit} may be measurement error`,
  marks: (m: { marks: readonly { mark: Mark; name: Said }[] }, f: Format) =>
    m.marks.map((x) => `${x.mark}: ${f.say(x.name)}`).join("; "),
  most_allowed: (m: { most: number }) => `most allowed ${m.most}`,
  strength: (m: { name: string; deg: number | null }) =>
    `${lowerFirst(m.name)}${m.deg === null ? "" : ` at ${m.deg}°`}`,
  symmetry: (m: { name: string }) => `${lowerFirst(m.name)}, share of the other leg`,
  goal_asks: (m: { need: number; unit: string }) =>
    m.unit === "grade"
      ? `a goal asks for ${SWELLING_WORDS[m.need] ?? m.need}`
      : `a goal asks for ${m.need}${m.unit === "°" ? "" : " "}${m.unit}`.trim(),
  effort: "effort of the visit",
  effort_formula: "as the client said it at the close",
  effort_under: "0 nothing, 10 all there was",
  opens_next: (m: { wanted: number }) => `${m.wanted} % opens the next phase`,
  visit_of: (m: { on: string }, f: Format) => `visit of ${f.day(m.on)}`,
  not_done: (m: { missed: readonly { sheet: string; on: string }[] }) =>
    `not done: ${m.missed.map((p) => `${p.sheet} of ${p.on}`).join(", ")}`,
  row_series: (m: { row: Said; series: Said }, f: Format) => `${f.say(m.row)}, ${f.say(m.series)}`,
  worst_on: (m: { value: string; on: string }, f: Format) => `${m.value} on ${f.day(m.on).slice(0, -5)}`,
};

/** "6 × step up, 5 × stay, 1 × step back" */
export const decisionsWords = (d: SpanNumbers["decisions"]): string =>
  (Object.keys(d) as Action[])
    .filter((a) => d[a] > 0)
    .map((a) => `${d[a]} × ${ACTION_WORDS[a].toLowerCase()}`)
    .join(", ");
