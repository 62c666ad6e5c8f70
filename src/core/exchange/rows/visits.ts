import { z } from "zod";
import { ACTIONS } from "../../progression/safetyRules";
import { besides } from "../../schedule/activity";
import { soreness } from "../../schedule/soreness";
import { aid } from "../../selection/setUp/aid";
import { keptLine } from "../../sheet/line/keptLine";
import { markerScores } from "../../story/markers";
import { painsElsewhere } from "../../units/painRegion";
import { logEntry } from "../../visit/visitEvent";
import { feel } from "../../visit/watched/feel";
import { seenFaults } from "../../visit/watched/seen";
import { id, maybeId, moment, number, pain, side, table, text, texts, whole } from "./fields";

export const recheck = table(
  "recheck",
  z.strictObject({
    id,
    episode_id: id,
    at: moment,
    answered_by: id,
    is_clear: z.boolean(),
    what: text(800),
    clears: maybeId,
    visit_id: maybeId,
  }),
  { episode_id: "episode", answered_by: "person", clears: "recheck", visit_id: "visit" },
);

export const visit = table(
  "visit",
  z.strictObject({
    id,
    episode_id: id,
    version_id: id,
    place: z.enum(["clinic", "gym", "home"]),
    first_side: side,
    /** null: from a file, nobody here asked */
    recheck_id: maybeId,
    lines: z.array(keptLine).max(60).nullable(),
    started_at: moment,
    tablet_at: moment,
    received_at: moment,
    started_by: id,
  }),
  { episode_id: "episode", version_id: "sheet_version", recheck_id: "recheck", started_by: "person" },
);

export const visitEvent = table(
  "visit_event",
  z.strictObject({ visit_id: id, seq: whole(1, 5000), event: logEntry, by: id, received_at: moment }),
  { visit_id: "visit", by: "person" },
  "visit_id",
);

export const visitEnd = table(
  "visit_end",
  z.strictObject({
    visit_id: id,
    ended_at: moment,
    tablet_at: moment,
    received_at: moment,
    pain_at_start: pain.nullable(),
    pain_at_end: pain.nullable(),
    stopped: text(2000).nullable(),
    /** files of before they were scored have none */
    markers: z.array(markerScores).max(8).default([]),
    feels: z.array(feel).max(60).default([]),
    effort: pain.nullable().default(null),
    signed_by: id,
  }),
  { visit_id: "visit", signed_by: "person" },
  "visit_id",
);

export const setRecord = table(
  "set_record",
  z.strictObject({
    id,
    visit_id: id,
    line_id: id,
    exercise_id: text(60),
    set_no: whole(1, 40),
    leg: z.enum(["both", "left", "right"]),
    bout_no: whole(1, 40),
    corrects: maybeId,
    is_voided: z.boolean(),
    started_at: moment,
    tablet_at: moment,
    worked_s: number(0, 1800),
    reps: whole(0, 200).nullable(),
    load_kg: number(0, 1000).nullable(),
    how: text(80).nullable(),
    range_from_deg: number(-10, 160).nullable(),
    range_to_deg: number(-10, 160).nullable(),
    pain_before: pain.nullable(),
    pain,
    reserve: number(0, 10).nullable(),
    felt: number(0, 10).nullable(),
    early: z.enum(["muscle", "joint_pain", "position", "range", "other"]).nullable(),
    mean_force_n: number(0, 3000).nullable(),
    counted_by: z.enum(["tap", "sensor", "cell", "clock", "client"]),
    faults: seenFaults.default([]),
    elsewhere: painsElsewhere.default([]),
    worn: aid.shape.worn.default("none"),
    help: aid.shape.help.default("none"),
    logged_by: id,
    received_at: moment,
  }),
  { visit_id: "visit", corrects: "set_record", logged_by: "person" },
);

export const response = table(
  "response",
  z.strictObject({
    id,
    visit_id: id,
    corrects: maybeId,
    pain,
    swelling: whole(0, 4).nullable(),
    stiffness_min: whole(0, 600).nullable(),
    alarm: text(400).nullable(),
    /** files of before it was asked have none */
    besides: besides.default(null),
    regions: painsElsewhere.default([]),
    soreness: soreness.default(null),
    answered_by: z.enum(["client", "staff"]),
    answered_at: moment,
    entered_by: id,
    swelling_word: z.enum(["less", "same", "more"]).nullable(),
  }),
  { visit_id: "visit", corrects: "response", entered_by: "person" },
);

const action = z.enum(ACTIONS);

export const decision = table(
  "decision",
  z.strictObject({
    id,
    visit_id: id,
    line_id: maybeId,
    input: z.json(),
    computed_action: action,
    rules: texts(60, 80),
    reasons: texts(60, 600),
    changes: z.json(),
    action,
    override_reason: text(600).nullable(),
    banks: z.boolean(),
    sentence: text(1000),
    by_order_of: text(120).nullable(),
    next_version_id: maybeId,
    decided_at: moment,
    decided_by: id,
  }),
  { visit_id: "visit", next_version_id: "sheet_version", decided_by: "person" },
);

export const concernSeen = table(
  "concern_seen",
  z.strictObject({ id, episode_id: id, visit_id: id, response_id: maybeId, seen_by: id, seen_at: moment }),
  { episode_id: "episode", visit_id: "visit", response_id: "response", seen_by: "person" },
);

export const oddConfirmed = table(
  "odd_confirmed",
  z.strictObject({ id, episode_id: id, visit_id: id, confirmed_by: id, confirmed_at: moment }),
  { episode_id: "episode", visit_id: "visit", confirmed_by: "person" },
);
