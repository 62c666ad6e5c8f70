import { z } from "zod";
import { confidence } from "./confidence";
import data from "./data/redflags.json";
import { limitsOverride } from "./limitsRecord";

/** Consequences from strict to mild; the strictest of all answers decides. */
export const CONSEQUENCES = ["stop_send_now", "hold_ask_physician", "proceed_with_caution"] as const;
export const consequence = z.enum(CONSEQUENCES);
export type Consequence = z.infer<typeof consequence>;

const holdCaps = {
  isometric_effort_max_pct: z.number().optional(),
  isometric_hold_max_s: z.number().optional(),
};

/** What a caution changes: parts of the limits, and caps on every hold of the plan. */
const caution = z.record(z.string(), z.unknown()).transform((all) => {
  const { isometric_effort_max_pct, isometric_hold_max_s, ...rest } = all;
  return {
    limits: limitsOverride.parse(rest),
    holds: z.object(holdCaps).parse({ isometric_effort_max_pct, isometric_hold_max_s }),
  };
});

const question = z.object({
  id: z.string(),
  area: z.enum(["back", "general", "hip", "knee", "post-op"]),
  question: z.string(),
  consequence_if_yes: consequence,
  time_frame: z.string(),
  do_now: z.string(),
  why: z.string(),
  // biome-ignore lint/suspicious/noThenProperty: the data's own word, not a promise
  escalate_if: z.array(z.object({ if: z.string(), then: consequence, time_frame: z.string() })),
  limit_overrides: caution,
  ask_if: z.string(),
  /** asked only of who has one of these conditions */
  only_for: z.array(z.string()).optional(),
  source: z.string(),
  confidence,
});
export type RedFlag = z.infer<typeof question>;

const file = z.object({
  questions: z.array(question).min(1),
  pre_session_recheck: z.array(z.object({ id: z.string(), ask: z.string(), yes: z.string() })),
  mid_session_stop_rules: z.array(z.object({ id: z.string(), when: z.string(), do: z.string() })),
});

const parsed = file.parse(data);
export const RED_FLAGS: readonly RedFlag[] = parsed.questions;

export const RECHECK_ITEMS = parsed.pre_session_recheck;
export const STOP_RULES = parsed.mid_session_stop_rules;

/** Why a visit was stopped, in the words of the rule; what no rule says as it was kept. */
export const stopText = (id: string): string => STOP_RULES.find((r) => r.id === id)?.when ?? id;

export const redFlagById = (id: string): RedFlag | null => RED_FLAGS.find((f) => f.id === id) ?? null;
