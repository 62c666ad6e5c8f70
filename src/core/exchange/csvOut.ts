import { measurementKind } from "../measure/measurementKinds";
import type { Activity } from "../schedule/activity";
import { MOVEMENTS } from "../strength/movements";
import type { PainAt } from "../units/painRegion";
import type { ClientFile } from "./clientFile";

/** A table for a spreadsheet: numbers are numbers, units stand in the header. */
export interface CsvTable {
  name: string;
  columns: string[];
  rows: (string | number | null)[][];
}

/** What was done, tested, answered and decided, a table each. The client's id stands in every row. */
export function csvTables({ rows, people }: ClientFile): CsvTable[] {
  const client = rows.client[0]?.id ?? "";
  const who = new Map(people.map((p) => [p.id, p.name]));
  const name = new Map(rows.sheet_line.flatMap((l) => (l.kept ? [[l.line_id, l.kept.name] as const] : [])));
  const corrected = new Set(rows.set_record.map((r) => r.corrects));
  const answered = new Set(rows.response.map((r) => r.corrects));
  const started = new Map(rows.visit.map((v) => [v.id, v.started_at]));
  return [
    {
      name: "set_records",
      columns: [
        "client",
        "visit",
        "started_at",
        "exercise",
        "set",
        "leg",
        "bout",
        "worked_s",
        "repetitions",
        "load_kg",
        "load",
        "range_from_deg",
        "range_to_deg",
        "pain_before_0_10",
        "pain_in_0_10",
        "repetitions_in_reserve",
        "felt_0_10",
        "ended_early",
        "mean_force_n",
        "counted_by",
        "faults_seen",
        "pain_elsewhere",
        "muscle_soreness",
        "worn",
        "help",
        "stands",
        "logged_by",
      ],
      rows: rows.set_record.map((r) => [
        client,
        r.visit_id,
        r.started_at,
        name.get(r.line_id) ?? r.exercise_id,
        r.set_no,
        r.leg,
        r.bout_no,
        r.worked_s,
        r.reps,
        r.load_kg,
        r.how,
        r.range_from_deg,
        r.range_to_deg,
        r.pain_before,
        r.pain,
        r.reserve,
        r.felt,
        r.early,
        r.mean_force_n,
        r.counted_by,
        r.faults.map((f) => (f.fromRep === null ? f.id : `${f.id} from ${f.fromRep}`)).join("; "),
        r.elsewhere.map(painText).join("; "),
        r.worn,
        r.help,
        r.is_voided || corrected.has(r.id) ? "no" : "yes",
        who.get(r.logged_by) ?? "",
      ]),
    },
    {
      name: "strength_tests",
      columns: [
        "client",
        "taken_at",
        "movement",
        "side",
        "knee_flexion_deg",
        "lever_arm_m",
        "torque_nm",
        "unit",
        "body_mass_kg",
        "trials_agree",
        "stands",
        "taken_by",
      ],
      rows: rows.strength_test.map((t) => [
        client,
        t.taken_at,
        MOVEMENTS[t.movement].name,
        t.side,
        t.knee_flexion_deg,
        t.lever_arm_m,
        t.torque_nm,
        "N·m",
        t.body_mass_kg,
        t.is_reliable ? "yes" : "no",
        t.voided_at ? "no" : "yes",
        who.get(t.taken_by) ?? "",
      ]),
    },
    {
      name: "measurements",
      columns: [
        ...["client", "taken_at", "what", "side", "value", "unit", "way", "stands", "taken_by"],
        ...["moved", "from_deg", "to_deg", "load_kg"],
        ...["step_cm", "steps", "test_name", "test_unit", "test_better", "test_error"],
      ],
      rows: rows.measurement.map((m) => [
        client,
        m.taken_at,
        measurementKind(m.kind).name,
        m.side,
        m.value,
        m.test_unit ?? measurementKind(m.kind).unit,
        m.way,
        m.voided_at ? "no" : "yes",
        who.get(m.taken_by) ?? "",
        ...[m.moved, m.from_deg, m.to_deg, m.load_kg],
        ...[m.step_m === null ? null : Math.round(m.step_m * 1000) / 10, m.steps],
        ...[m.test_name, m.test_unit, m.test_better, m.test_error],
      ]),
    },
    {
      name: "responses",
      columns: [
        "client",
        "visit",
        "visit_started_at",
        "answered_at",
        "pain_0_10",
        "swelling_grade_0_4",
        "stiffness_min",
        "warning_signs",
        "besides",
        "pain_elsewhere",
        "answered_by",
        "stands",
      ],
      rows: rows.response.map((r) => [
        client,
        r.visit_id,
        started.get(r.visit_id) ?? "",
        r.answered_at,
        r.pain,
        r.swelling,
        r.stiffness_min,
        r.alarm,
        r.besides?.map(besidesText).join("; ") ?? null,
        r.regions.map(painText).join("; "),
        r.soreness && [`${r.soreness.level}/10`, ...r.soreness.muscles].join(" "),
        r.answered_by,
        answered.has(r.id) ? "no" : "yes",
      ]),
    },
    {
      name: "marked_movements",
      columns: ["client", "visit", "visit_started_at", "movement", "before_0_10", "after_0_10"],
      rows: rows.visit_end.flatMap((e) =>
        e.markers.map((m) => [client, e.visit_id, started.get(e.visit_id) ?? "", m.kind, m.before, m.after]),
      ),
    },
    {
      name: "felt",
      columns: ["client", "visit", "visit_started_at", "line", "exercise", "felt_where", "sure_0_10"],
      rows: rows.visit_end.flatMap((e) =>
        e.feels.map((f) => [
          ...[client, e.visit_id, started.get(e.visit_id) ?? "", f.lineId, f.exerciseId],
          ...[f.where, f.sure],
        ]),
      ),
    },
    {
      name: "decisions",
      columns: [
        "client",
        "visit",
        "visit_started_at",
        "line",
        "computed",
        "taken",
        "sentence",
        "reasons",
        "override_reason",
        "decided_at",
        "decided_by",
        "by_standing_order_of",
      ],
      rows: rows.decision.map((d) => [
        client,
        d.visit_id,
        started.get(d.visit_id) ?? "",
        d.line_id === null ? "all lines" : (name.get(d.line_id) ?? d.line_id),
        d.computed_action,
        d.action,
        d.sentence,
        d.reasons.join(" | "),
        d.override_reason,
        d.decided_at,
        who.get(d.decided_by) ?? "",
        d.by_order_of,
      ]),
    },
  ];
}

/** "cycling 7/10 legs": what was done, how hard, and what it loaded. */
const besidesText = (a: Activity): string => [a.what, `${a.hard}/10`, a.loads.join("+")].join(" ").trim();

const painText = (x: PainAt): string => `${x.region} ${x.pain}/10`;
