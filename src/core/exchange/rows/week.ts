import { z } from "zod";
import { BUILD_WEEKS, blockWishes, MOST_KEEP_WEEKS } from "../../schedule/block/blockInput";
import { AWAY } from "../../schedule/daysOff";
import { day, id, maybeId, moment, table, text, whole } from "./fields";

export const block = table(
  "block",
  z.strictObject({
    id,
    episode_id: id,
    starts_on: day,
    build_weeks: whole(0, 6).refine((n) => BUILD_WEEKS.includes(n)),
    keep_weeks: whole(0, MOST_KEEP_WEEKS),
    wishes: blockWishes,
    minutes: z.array(whole(0, 1440)).length(7),
    gym: z.array(z.boolean()).length(7),
    away: z.array(day).max(400),
    // what files of an earlier time do not have
    over_reason: text(300).nullable().default(null),
    made_by: id,
    made_at: moment,
  }),
  { episode_id: "episode", made_by: "person" },
);

export const blockDay = table(
  "block_day",
  z.strictObject({
    block_id: id,
    sheet_id: id,
    on_day: day,
    at_time: z.iso.time().nullable(),
    is_pinned: z.boolean(),
    is_short: z.boolean().default(false),
  }),
  { block_id: "block", sheet_id: "sheet" },
  "block_id",
);

export const request = table(
  "request",
  z.strictObject({
    id,
    episode_id: id,
    sheet_id: maybeId,
    line_id: maybeId,
    kind: z.enum(["heavier", "wider", "other_exercise", "more_pain", "go_on", "other"]),
    words: text(500).min(3),
    asked_by: id,
    asked_at: moment,
    is_allowed: z.boolean().nullable(),
    answer: text(500).nullable(),
    answered_by: maybeId,
    answered_at: moment.nullable(),
  }),
  { episode_id: "episode", sheet_id: "sheet", asked_by: "person", answered_by: "person" },
);

const way = z.enum(["same", "step_back", "start_again"]);

export const returnChoice = table(
  "return_choice",
  z.strictObject({
    id,
    episode_id: id,
    visit_id: id,
    days_off: whole(0, 5000),
    proposed: way,
    chosen: way,
    reason: text(300).nullable(),
    // not in files of an earlier time
    away_because: z.enum(AWAY).default("other"),
    bed_days: whole(0, 5000).default(0),
    chosen_by: id,
    chosen_at: moment,
  }),
  { episode_id: "episode", visit_id: "visit", chosen_by: "person" },
);

/** Who changed what: `subject_id` names any row of the file, or none that is in it. */
export const auditRow = table(
  "audit",
  z.strictObject({
    at: moment,
    person_id: id,
    deed: text(60),
    subject: text(60),
    subject_id: id,
    before: z.json().nullable(),
    after: z.json().nullable(),
  }),
  { person_id: "person" },
  "subject_id",
);
