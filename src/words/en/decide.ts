import type { School } from "@/core/progression/painRule";
import type { Action } from "@/core/progression/safetyRules";

/** The actions in words a therapist uses. */
export const ACTION_WORDS: Readonly<Record<Action, string>> = {
  PROGRESS: "Step up",
  HOLD: "Stay",
  REGRESS: "Step back",
  STOP_REFER: "Stop and refer",
};

/** Schools of the pain rule. */
export const SCHOOL_WORDS: Readonly<Record<School, string>> = {
  pain_free: "pain-free",
  monitoring: "some pain is watched",
  post_op: "after surgery",
};
