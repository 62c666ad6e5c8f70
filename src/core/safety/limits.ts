import { z } from "zod";
import { dayInWords } from "../units/dayInWords";
import { BOUND_KIND_IDS } from "./boundKinds";

export const limitOrigin = z.enum(["surgeon", "therapist", "condition", "warning sign", "clinic"]);

/** One bound with who set it, why and until when (ISO dates). What low, high and word mean: BOUND_KINDS. */
export const limit = z.object({
  id: z.string(),
  kind: z.enum(BOUND_KIND_IDS),
  /** in the kind's unit; null: open on that side */
  low: z.number().nullable(),
  high: z.number().nullable(),
  /** a step of the kind's scale */
  word: z.string().nullable().default(null),
  origin: limitOrigin,
  reason: z.string(),
  endsOn: z.iso.date().nullable(),
});
export type Limit = z.infer<typeof limit>;

export interface AllowedWindow {
  fromDeg: number;
  toDeg: number;
  /** the limits that cut the window, tightest first on each side */
  from: Limit | null;
  to: Limit | null;
  /** no angle is left */
  isEmpty: boolean;
}

export const isInForce = (l: Limit, onDate: string): boolean => l.endsOn === null || onDate <= l.endsOn;

/** What bounds the angle of a held extension: bend under load in general, and angles set for holds. */
const HOLD_WINDOW: readonly Limit["kind"][] = ["knee_flexion_under_load", "extension_hold_angles"];

/** Allowed knee flexion of a hold on a date: the tightest limit wins on each side, inside what the machine can be used at. */
export function allowedWindow(
  limits: readonly Limit[],
  onDate: string,
  usable: { fromDeg: number; toDeg: number },
): AllowedWindow {
  const window: AllowedWindow = { ...usable, from: null, to: null, isEmpty: false };
  for (const l of limits) {
    if (!HOLD_WINDOW.includes(l.kind) || !isInForce(l, onDate)) continue;
    if (l.low !== null && l.low > window.fromDeg) {
      window.fromDeg = l.low;
      window.from = l;
    }
    if (l.high !== null && l.high < window.toDeg) {
      window.toDeg = l.high;
      window.to = l;
    }
  }
  window.isEmpty = window.fromDeg > window.toDeg;
  return window;
}

/** The tightest upper bound of a kind in force, null if there is none. */
function tightestHigh(limits: readonly Limit[], kind: Limit["kind"], onDate: string): Limit | null {
  return limits
    .filter((l) => l.kind === kind && isInForce(l, onDate) && l.high !== null)
    .reduce<Limit | null>(
      (best, l) => (best === null || (l.high as number) < (best.high as number) ? l : best),
      null,
    );
}

/** Smallest written limit on joint pain in force, null if there is none. */
export const writtenPainLimit = (limits: readonly Limit[], onDate: string): number | null =>
  tightestHigh(limits, "joint_pain", onDate)?.high ?? null;

/** The tightest limit on the effort of a hold, percent of maximum; null if there is none. */
export const effortLimit = (limits: readonly Limit[], onDate: string): Limit | null =>
  tightestHigh(limits, "hold_effort", onDate);

/** The longest hold allowed, seconds; null if there is no limit. */
export const holdSecondsLimit = (limits: readonly Limit[], onDate: string): Limit | null =>
  tightestHigh(limits, "hold_seconds", onDate);

/** Why an angle is barred, and what to do, or null if it is allowed. */
export function whyBarred(window: AllowedWindow, kneeFlexionDeg: number): string | null {
  if (window.isEmpty) {
    const who = [window.from, window.to].filter((l) => l !== null).map((l) => `${l.reason} (${l.origin})`);
    const because = who.length ? `, because ${[...new Set(who)].join(" and ")}` : "";
    return `The limits leave no knee angle for this machine${because}: change a limit or choose other work.`;
  }
  if (kneeFlexionDeg < window.fromDeg) return sentence(window.from, `starts at ${window.fromDeg}°`);
  if (kneeFlexionDeg > window.toDeg) return sentence(window.to, `ends at ${window.toDeg}°`);
  return null;
}

function sentence(l: Limit | null, what: string): string {
  if (!l) return `The machine ${what}: choose an angle inside it.`;
  const until = l.endsOn ? ` until ${dayInWords(l.endsOn)}` : "";
  return `The allowed window ${what}${until}, because ${l.reason} (${l.origin}). Choose an angle inside it.`;
}
