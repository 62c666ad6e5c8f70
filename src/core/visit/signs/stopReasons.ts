import { STOP_RULES } from "../../rules/redFlags";
import type { RecheckSign } from "./recheckSigns";

/** A reason to stop in the middle of a session, what to do then, and whether it stands as a warning sign afterwards. */
export interface StopReason {
  id: string;
  when: string;
  act: string;
  sign: RecheckSign | null;
}

const SIGNS: Record<string, RecheckSign> = {
  st_pop: "giving way, locking, catching or a pop",
  st_swelling: "more swelling, warmth or redness than last time",
  st_neuro: "new numbness or weakness, pain further down, bladder or bowel change",
  st_chest: "calf pain or swelling, chest discomfort, unusual breathlessness",
  st_faint: "dizzy, headache or unwell",
  st_bp: "dizzy, headache or unwell",
  st_spo2: "calf pain or swelling, chest discomfort, unusual breathlessness",
  st_calf: "calf pain or swelling, chest discomfort, unusual breathlessness",
};

/** Shorter where the rule's own words are too long to read at arm's length. */
const SHORT: Record<string, string> = {
  st_breath: "Breath holding that two prompts did not correct",
  st_bp: "Cuff straight after a set above 220 or 110",
  st_spo2: "Oxygen saturation below 90 %, or 4 points down",
  st_wrap: "Toes numb, cold or discoloured under a wrap",
};

export const STOP_REASONS: readonly StopReason[] = [
  ...STOP_RULES.map((r) => ({
    id: r.id,
    when: SHORT[r.id] ?? r.when,
    act: r.do
      .replace("(swaps.md) ", "")
      .replace(/; apply rf_[a-z_]+( or rf_[a-z_]+)*/, "; the warning sign of it stands"),
    sign: SIGNS[r.id] ?? null,
  })),
  { id: "time", when: "No time left", act: "Log what was done.", sign: null },
];

const NO_TIME = STOP_REASONS.find((r) => r.id === "time")?.when;
/** A stop as it was logged is one that a therapist looks at: any but for want of time. */
export const isForTherapist = (stopped: string): boolean => stopped !== NO_TIME;

/** What to do about a stop that was logged by its words; null for a stop of the rules themselves. */
export const actAfter = (stopped: string | null): string | null =>
  STOP_REASONS.find((r) => r.when === stopped)?.act ?? null;
