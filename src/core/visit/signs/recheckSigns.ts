import { RECHECK_ITEMS } from "../../rules/redFlags";

/**
 * Warning signs asked before every session, short enough to read at arm's length; any yes stops the work until a
 * therapist has cleared it. Pain itself is asked as a number on the floor.
 */
export const RECHECK_SIGNS = [
  "a fall, fever, illness, new medicine or surgery date, pregnancy",
  "more swelling, warmth or redness than last time",
  "calf pain or swelling, chest discomfort, unusual breathlessness",
  "giving way, locking, catching or a pop",
  "new numbness or weakness, pain further down, bladder or bowel change",
  "dizzy, headache or unwell",
  "wound not dry or closed, brace or weight-bearing order changed",
] as const;
export type RecheckSign = (typeof RECHECK_SIGNS)[number];

/** The rule behind each sign, in the same order. */
const RULE_IDS = ["rc_change", "rc_swelling", "rc_calf_chest", "rc_giveway", "rc_nerve", "rc_bp", "rc_wound"];

/** What to do about a sign, in the words of the rule. */
export const recheckDoes = (sign: RecheckSign): string =>
  RECHECK_ITEMS.find((i) => i.id === RULE_IDS[RECHECK_SIGNS.indexOf(sign)])?.yes ?? "tell the therapist";

const WOUND: RecheckSign = "wound not dry or closed, brace or weight-bearing order changed";
const WOUND_WEEKS = 12;

/** The signs for a client: the wound is asked in the first twelve weeks after surgery. */
export const recheckFor = (weeksSinceSurgery: number | null): RecheckSign[] =>
  RECHECK_SIGNS.filter((s) => s !== WOUND || (weeksSinceSurgery !== null && weeksSinceSurgery < WOUND_WEEKS));
