import { z } from "zod";
import { uuid } from "../units/fields";
import type { PainAt, PainRegion } from "../units/painRegion";
import { isForTherapist } from "./signs/stopReasons";

/** Something of a visit or its morning that a therapist looks at first (docs/rules.md, "Before, during and after a visit"). */
export interface Concern {
  visitId: string;
  /** the answer of the morning that it is about; null: the visit itself */
  responseId: string | null;
  what:
    | { kind: "stop"; why: string }
    | { kind: "pain"; pain: number; most: number }
    | { kind: "elsewhere"; region: PainRegion; pain: number }
    | { kind: "morning_pain"; pain: number; most: number }
    | { kind: "morning_signs"; signs: string }
    | { kind: "morning_swelling" };
  by: string;
  at: Date;
}

/** What is known of a visit that may concern a therapist. */
export interface VisitSaid {
  id: string;
  startedAt: Date;
  startedBy: string;
  /** the worst joint pain logged so far, and the most that its line allowed; null: none above it */
  painAbove: { pain: number; most: number } | null;
  /** the worst pain in a region that nobody follows; null: none was named */
  elsewhere: PainAt | null;
  end: { at: Date; stopped: string | null; by: string; byTherapist: boolean } | null;
  morning: {
    id: string;
    at: Date;
    pain: number;
    signs: string | null;
    by: string;
    byTherapist: boolean;
    /** swelling rose after surgery */
    tells: boolean;
  } | null;
  /** a therapist took its decision */
  isDecided: boolean;
  /** what a therapist has seen of it: answers by id, null the visit itself */
  seen: readonly (string | null)[];
}

/** What a therapist has not seen yet, the newest first: stops, pain above the limit, signs and swelling of a morning. */
export function concernsOf(visits: readonly VisitSaid[], painMax: number): Concern[] {
  return visits
    .filter((v) => !v.isDecided)
    .flatMap((v) => [...ofVisit(v), ...ofMorning(v, painMax)])
    .sort((a, b) => b.at.getTime() - a.at.getTime());
}

function ofVisit(v: VisitSaid): Concern[] {
  if (v.seen.includes(null) || v.end?.byTherapist) return [];
  const about = { visitId: v.id, responseId: null };
  const by = v.end?.by ?? v.startedBy;
  const at = v.end?.at ?? v.startedAt;
  if (v.end?.stopped && isForTherapist(v.end.stopped))
    return [{ ...about, by, at, what: { kind: "stop", why: v.end.stopped } }];
  if (v.painAbove) return [{ ...about, by, at, what: { kind: "pain", ...v.painAbove } }];
  return v.elsewhere ? [{ ...about, by, at, what: { kind: "elsewhere", ...v.elsewhere } }] : [];
}

function ofMorning(v: VisitSaid, painMax: number): Concern[] {
  const m = v.morning;
  if (!m || m.byTherapist || v.seen.includes(m.id)) return [];
  const about = { visitId: v.id, responseId: m.id, by: m.by, at: m.at };
  if (m.signs) return [{ ...about, what: { kind: "morning_signs", signs: m.signs } }];
  if (m.pain > painMax) return [{ ...about, what: { kind: "morning_pain", pain: m.pain, most: painMax } }];
  return m.tells ? [{ ...about, what: { kind: "morning_swelling" } }] : [];
}

/** What happened, to be said. */
export interface ConcernSaid extends Pick<Concern, "what" | "by"> {
  code: "visit.concern";
}

export const concernSaid = ({ what, by }: Pick<Concern, "what" | "by">): ConcernSaid => ({
  code: "visit.concern",
  what,
  by,
});

/** A therapist has seen a concern. */
export const concernSeen = z.object({ id: uuid, visitId: uuid, responseId: uuid.nullable() });
