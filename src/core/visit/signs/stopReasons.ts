import { z } from "zod";
import { STOP_RULES } from "../../rules/redFlags";
import { fromKept } from "../../units/said";
import type { RecheckSign } from "./recheckSigns";

/** A reason to stop in the middle of a session, what to do then, and whether it stands as a warning sign afterwards. */
export interface StopReason {
  id: string;
  /** in the words of the rule; null where there is none */
  act: string | null;
  sign: RecheckSign | null;
}

const SIGNS: Record<string, RecheckSign> = {
  st_pop: "giving_way",
  st_swelling: "swelling",
  st_neuro: "nerve",
  st_chest: "calf_chest",
  st_faint: "unwell",
  st_bp: "unwell",
  st_spo2: "calf_chest",
  st_calf: "calf_chest",
};

/** Reasons of a client alone at home, and the sign that one of them stands for. */
export const CLIENT_STOPS = [
  { id: "client_hurt", sign: null },
  { id: "client_unwell", sign: "unwell" },
  { id: "client_gave_way", sign: "giving_way" },
  { id: "time", sign: null },
] as const satisfies readonly { id: string; sign: RecheckSign | null }[];

/** Why a visit ended early, as it is kept: the id of a reason, or what was written before reasons had ids. */
export interface StopSaid {
  code: "visit.stop" | "visit.stop_by_client";
  reason: string;
}

export const stopSaid = (reason: string): StopSaid => ({ code: "visit.stop", reason });

export const STOP_REASONS: readonly StopReason[] = [
  ...STOP_RULES.map((r) => ({
    id: r.id,
    act: r.do,
    sign: SIGNS[r.id] ?? null,
  })),
  { id: "time", act: null, sign: null },
];

/** A stop is one that a therapist looks at: any but for want of time. */
export const isForTherapist = (stopped: string): boolean => stopped !== "time";

/** What ended a line and says nothing of the joint: every other line goes on. Rule Region 3. */
const OF_ITS_LINE: ReadonlySet<string> = new Set(["floor.pain_elsewhere"]);
const ended = z.object({ code: z.literal("floor.ended"), why: z.array(z.unknown()) });
const coded = z.object({ code: z.string() });

/** A stop after which no sheet is run before a therapist decided: any but for want of time, or what is only its line's. */
export function isOfTheKnee(stopped: string): boolean {
  const lines = ended.safeParse(fromKept(stopped));
  const isItsLine = (why: unknown) => OF_ITS_LINE.has(coded.safeParse(why).data?.code ?? "");
  return isForTherapist(stopped) && !(lines.success && lines.data.why.every(isItsLine));
}

/** What to do about a stop; null for a stop of the rules themselves. */
export const actAfter = (stopped: string | null): string | null =>
  STOP_REASONS.find((r) => r.id === stopped)?.act ?? null;
