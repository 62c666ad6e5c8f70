import type { BoundReason } from "@/core/bounds/inForce";
import type { Limit } from "@/core/bounds/limit";
import type { EndBy } from "@/core/bounds/window";
import type { Irritability, School } from "@/core/progression/painRule";
import { lowerFirst } from "@/core/units/lowerFirst";
import { fromKept, type Said } from "@/core/units/said";
import type { Format } from "../../format";
import { SCHOOL_WORDS } from "../decide";

/** Who set a limit, in a word or two. */
export const ORIGIN_WORDS: Readonly<Record<Limit["origin"], string>> = {
  surgeon: "surgeon",
  therapist: "therapist",
  condition: "phase",
  warning_sign: "warning sign",
  clinic: "clinic's rule",
};

/** Who set what is left of a kind: "surgeon", "phase and therapist". */
export const originsWords = (by: readonly Limit["origin"][]): string =>
  by.map((o) => ORIGIN_WORDS[o]).join(" and ");

/** The same in brackets behind a clause; nothing where nobody did. */
export const byWords = (by: readonly Limit["origin"][]): string =>
  by.length > 0 ? ` (${originsWords(by)})` : "";

/** Why a kind is bounded as it is: each reason with who gave it and until when. */
export const reasonsWords = (all: readonly BoundReason[], f: Format): string =>
  all
    .map(
      (r) =>
        `${lowerFirst(f.say(r.reason))} (${ORIGIN_WORDS[r.origin]}${r.endsOn ? `, until ${f.day(r.endsOn)}` : ""})`,
    )
    .join(" and ");

const ENDS: Readonly<Record<EndBy, string>> = { ...ORIGIN_WORDS, measured: "measured", machine: "machine" };

/** Who or what cuts an end: "surgeon", "measured". */
export const endWords = (by: readonly EndBy[]): string => by.map((e) => ENDS[e]).join(" and ");

interface Conflict {
  name: string;
  by: readonly { reason: string; origin: Limit["origin"] }[];
  low: number;
  high: number;
}
const whoWords = (m: Conflict, f: Format): string =>
  [...new Set(m.by.map((l) => `${f.say(fromKept(l.reason))} (${ORIGIN_WORDS[l.origin]})`))].join(" and ");

const STIRRED_UP: Readonly<Record<Irritability, string>> = {
  low: "stirred up with difficulty",
  moderate: "moderately stirred up",
  high: "easily stirred up",
};

/** What limits leave nothing of, what is missing, and what is above one. */
export const bound = {
  no_angle: (m: Conflict, f: Format) => `No angle is left for ${m.name}: ${whoWords(m, f)}.`,
  contradict: (m: Conflict, f: Format) =>
    `The limits on ${m.name} contradict each other and leave no angle: ${whoWords(m, f)}. One of those who set them must change it.`,
  narrow: (m: Conflict, f: Format) =>
    `The arcs share only ${m.high - m.low}°, too little to move in: holds only. ${whoWords(m, f)}.`,
  pain_rule: (m: { school: School; irritability: Irritability; max: number; most: number }) =>
    `the rule "${SCHOOL_WORDS[m.school]}"${
      m.max < m.most
        ? `, which allows up to ${m.most}; because the joint is ${STIRRED_UP[m.irritability]} it is ${m.max}`
        : ""
    }`,
  of_phase: (m: { because: string; detail: Said }, f: Format) => `${m.because}: ${f.say(m.detail)}`,
  holds_at: (m: { fromDeg: number; toDeg: number }) => `holds at ${m.fromDeg}° to ${m.toDeg}°`,
  not_even_held: "no open-chain extension, not even held",
  no_kilograms:
    "Weight bearing is partial and no kilograms are written: presses are barred until the surgeon's number stands as a limit on the weight on the leg.",
  no_order: "after a fracture no weight without the surgeon's written order: write it as a limit",
  pain_above: (m: { pain: number; most: number; because: readonly BoundReason[] }, f: Format) =>
    `Pain is ${m.pain} of 10 before any work, above the most allowed in it, ${m.most}, because of ${reasonsWords(m.because, f)}. Look for a quieter angle or another exercise, take load off, or ask again; above ${m.most} nothing is gone on with.`,
  opens: (m: { phase: string; fromWeek: number | null }) =>
    m.fromWeek === null
      ? `opens with the phase "${m.phase}", as soon as its criteria are met`
      : `opens with the phase "${m.phase}", week ${m.fromWeek} at the earliest and when its criteria are met`,
};
