import { z } from "zod";
import { keptLine } from "../../sheet/line/keptLine";
import { SHEET_PLACES, sheetLine } from "../../sheet/line/sheetInput";
import { id, maybeId, moment, number, range, table, text, texts, whole } from "./fields";

export const setUpCard = table(
  "set_up_card",
  z.strictObject({
    id,
    episode_id: id,
    exercise_id: text(60),
    version: whole(1, 100_000),
    machine_id: maybeId,
    settings: z.record(text(40), z.number()),
    load_kg: number(0, 1000),
    load_how: text(120),
    arc_deg: range,
    axis_checked: z.boolean(),
    feet: text(120),
    support: z.enum(["none", "sleeve", "brace", "tight_wrap"]),
    cues: texts(8, 300),
    stop_signs: texts(8, 300),
    note: text(300),
    made_by: id,
    made_at: moment,
    above_start: text(300).nullable(),
  }),
  { episode_id: "episode", machine_id: "machine", made_by: "person" },
);

export const swap = table(
  "exercise_swap",
  z.strictObject({
    id,
    episode_id: id,
    planned: text(60),
    chosen: text(60).nullable(),
    why: text(60),
    pain: whole(0, 10).nullable(),
    reason: text(600),
    changes: texts(20, 600),
    made_by: id,
    made_at: moment,
  }),
  { episode_id: "episode", made_by: "person" },
);

export const sheet = table(
  "sheet",
  z.strictObject({
    id,
    episode_id: id,
    name: text(40).min(2),
    place: z.enum(SHEET_PLACES),
    made_by: id,
    made_at: moment,
    retired_at: moment.nullable(),
    retired_by: maybeId,
  }),
  { episode_id: "episode", made_by: "person", retired_by: "person" },
);

export const sheetVersion = table(
  "sheet_version",
  z.strictObject({
    id,
    sheet_id: id,
    version: whole(1, 100_000),
    origin: z.enum(["desk", "decision", "standing_order"]),
    seconds: number(0, 100_000),
    hard_reps: number(0, 100_000),
    kneecap_chair_s: number(0, 1_000_000).nullable(),
    made_by: id,
    made_at: moment,
  }),
  { sheet_id: "sheet", made_by: "person" },
);

export const sheetLineRow = table(
  "sheet_line",
  z.strictObject({
    version_id: id,
    line_id: id,
    seq: whole(1, 60),
    exercise_id: text(60),
    scheme_kind: text(40),
    plan: sheetLine,
    kept: keptLine.nullable(),
    earlier: z.json().nullable(),
  }),
  { version_id: "sheet_version" },
  "version_id",
);
