import type { MeasurementKind } from "../../../src/core/measure/measurementKinds";
import type { EpisodeInput } from "../../../src/core/story/storyInput";
import { daysAfter, weekdayOf } from "../../../src/core/units/days";
import type { Side } from "../../../src/core/units/fields";
import { CLINIC } from "../clinic";
import type { DemoLine, DemoSeries } from "../demoClient";

/** The weekday, 1 for Monday, of so many days ago at the clinic: the history is the same whatever day it is made on. */
export const weekdayAgo = (days: number): number => {
  const today = new Intl.DateTimeFormat("en-CA", { timeZone: CLINIC.timeZone }).format(new Date());
  return weekdayOf(daysAfter(today, -days)) + 1;
};

/** Both legs of a measurement that was taken again and again; the other leg once, at its beginning. */
export const both = (
  kind: MeasurementKind,
  daysAgo: number[],
  own: Side,
  from: number,
  to: number,
  other: number,
  noise: number,
): DemoSeries[] => [
  { kind, side: own, daysAgo, from, to, noise },
  {
    kind,
    side: own === "left" ? "right" : "left",
    daysAgo: daysAgo.slice(0, 1),
    from: other,
    to: other,
    noise: 0,
  },
];

/** A hold on the extension machine that climbs a ladder of angles. */
export const holdLine = (
  at: { deg: number; fromDeg: number; toDeg: number },
  felt: number,
  pattern: { holdS: number; reps: number; restS: number },
): DemoLine => ({
  exerciseId: "kext_iso_machine",
  scheme: { kind: "holds", sets: 1, setRestS: 0, ...pattern, effort: { kind: "felt", felt }, atDeg: at.deg },
  legs: "one",
  ladder: { of: "angle", fromDeg: at.fromDeg, toDeg: at.toDeg },
});

export const setsLine = (
  exerciseId: string,
  legs: DemoLine["legs"],
  sets: { sets: number; reps: number; reserve: number; restS: number },
  over: Partial<DemoLine> = {},
): DemoLine => ({
  exerciseId,
  scheme: { kind: "straight", tempo: { liftS: 2, topS: 0, lowerS: 3, bottomS: 0 }, ...sets },
  legs,
  ...over,
});

/** What most of these stories have in common. */
export const SUPPORTED = {
  uncovered: [] as EpisodeInput["uncovered"],
  rises: "yes",
  climbs: "yes",
  isInactive: false,
  background: null,
  isAlone: null,
  regions: [] as EpisodeInput["regions"],
  markers: [] as EpisodeInput["markers"],
  activities: [] as EpisodeInput["activities"],
  support: "none",
  trainsAt: "clinic_gym",
} as const;
