import { type CapacityEvent, learn } from "../../capacity/learn";
import type { Care } from "../../capacity/shows";
import { demandNm } from "../../capacity/station";
import type { Direction, KnownStrength, MovementKnown } from "../../selection/setUp/strengthKnown";
import type { StrengthEstimate } from "../../strength/untestedStrength";
import type { CapacityEvents } from "./capacityEvents";

/** Everything that speaks of what one leg can do, beside what was done on machines. */
export interface StrengthFacts {
  /** by body, age and conditions alone */
  prior: StrengthEstimate;
  care: Care;
  /** the day on which it was said what is done every day */
  storyOn: string;
  trials: Readonly<Record<Direction, readonly CapacityEvent[]>>;
  curves: Readonly<Record<Direction, Pick<MovementKnown, "peakDeg" | "testedDeg">>>;
  away: readonly CapacityEvent[];
  /** of the hip as it was tested, N·m; null: it never was */
  hipNm: number | null;
}

/** What a machine of which nothing is known lifts once, against what was first set on it; and how far that may be off [own]. */
const QUIET_OF_FIRST = 1.5;
const QUIET_SD = 0.6;

/** What a leg can do on a day, by all that was tested, done and answered until then. Rules L1 to L7. */
export function strengthKnown(f: StrengthFacts, done: CapacityEvents, on: string): KnownStrength {
  const { prior, away } = f;
  const daily: CapacityEvent[] = prior.daily
    ? [{ kind: "daily", on: f.storyOn, id: "story", demandNm: prior.daily.peakNm, shape: 1 }]
    : [];
  const hip = f.hipNm;
  return {
    extension: {
      ...learn(prior.extension, [...away, ...daily, ...f.trials.extension, ...done.extension], on),
      ...f.curves.extension,
    },
    flexion: {
      ...learn(prior.flexion, [...away, ...f.trials.flexion, ...done.flexion], on),
      ...f.curves.flexion,
    },
    hip:
      hip === null ? { ...prior.hip, isTested: false } : { low: hip, middle: hip, high: hip, isTested: true },
    daily: prior.daily,
    quiet: Object.fromEntries(
      [...done.quiet].flatMap(([id, own]) => {
        const asked = (e: (typeof own)[number]) =>
          Math.max(...e.sets.map((s) => demandNm(e.station, s.loadKg)));
        const first = own.find((e) => asked(e) > 0);
        if (!first) return [];
        const found = learn({ peakNm: asked(first) * QUIET_OF_FIRST, sd: QUIET_SD }, [...away, ...own], on)
          .stations[id];
        return found ? [[id, found]] : [];
      }),
    ),
    care: f.care,
  };
}
