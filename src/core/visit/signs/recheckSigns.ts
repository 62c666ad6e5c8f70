import { RECHECK_ITEMS } from "../../rules/redFlags";

/**
 * Warning signs asked before every session, short enough to read at arm's length; any yes stops the work until a
 * therapist has cleared it. Pain itself is asked as a number on the floor.
 */
export const RECHECK_SIGNS = [
  "change",
  "swelling",
  "calf_chest",
  "giving_way",
  "nerve",
  "unwell",
  "wound",
] as const;
export type RecheckSign = (typeof RECHECK_SIGNS)[number];

/** A sign to be said: as it is asked before a first session, later, or of the client themselves. */
export interface SignSaid {
  code: "visit.sign" | "visit.sign_at_first" | "visit.sign_by_client";
  sign: RecheckSign;
}

/** Signs as they were marked, joined in one sentence. */
export interface SignsSaid {
  code: "visit.signs";
  signs: readonly string[];
}

const BETWEEN = "; ";

/** Signs as they are kept, in one text. */
export const keptSigns = (signs: readonly RecheckSign[]): string => signs.join(BETWEEN);

/** Kept signs to be said; what was written in words before signs had codes stays as it is. */
export const signsSaid = (kept: string): SignsSaid => ({ code: "visit.signs", signs: kept.split(BETWEEN) });

const RULE_IDS: Record<RecheckSign, string> = {
  change: "rc_change",
  swelling: "rc_swelling",
  calf_chest: "rc_calf_chest",
  giving_way: "rc_giveway",
  nerve: "rc_nerve",
  unwell: "rc_bp",
  wound: "rc_wound",
};

/** What to do about a sign, in the words of the rule; null where the rule has none. */
export const recheckDoes = (sign: RecheckSign): string | null =>
  RECHECK_ITEMS.find((i) => i.id === RULE_IDS[sign])?.yes ?? null;

/** The most urgent: who has one of these is told to call for help at once. */
export const URGENT_SIGNS: readonly RecheckSign[] = ["calf_chest", "nerve"];

const WOUND_WEEKS = 12;

/** The signs for a client: the wound is asked in the first twelve weeks after surgery. */
export const recheckFor = (weeksSinceSurgery: number | null): RecheckSign[] =>
  RECHECK_SIGNS.filter(
    (s) => s !== "wound" || (weeksSinceSurgery !== null && weeksSinceSurgery < WOUND_WEEKS),
  );
