import type { Activity, Loaded } from "@/core/schedule/activity";
import type { Background, Climbs, Rises } from "@/core/story/daily";
import type { BringsOn, SettlesIn } from "@/core/story/irritabilityFrom";
import type { Marker, MarkerId } from "@/core/story/markers";
import type { Place, Support } from "@/core/story/places";
import type { PainRegion } from "@/core/units/painRegion";

/** How a person rises from a chair. */
export const RISES: Readonly<Record<Rises, string>> = {
  yes: "without hands",
  hands: "with hands",
  no: "not",
};

/** Strength training before this episode. */
export const BACKGROUNDS: Readonly<Record<Background, string>> = {
  new: "under half a year",
  away: "more, years ago",
  trained: "more, this year",
};

/** How a person climbs stairs. */
export const CLIMBS: Readonly<Record<Climbs, string>> = {
  yes: "foot over foot",
  rail: "with the rail",
  no: "not",
};

/** Movements that bring the pain on. */
export const MARKERS: Readonly<Record<MarkerId, string>> = {
  half_squat: "half squat",
  step_down: "step down from 15 cm",
  kneel: "kneeling",
  rise: "rising from a chair",
  walk_downhill: "walking downhill",
  long_sitting: "sitting for long",
  bend_forward: "bending forward",
  own: "another movement",
};

/** "half squat, 3 times" */
export const markerWords = ({ kind, words }: Marker): string =>
  kind === "own" ? words : [MARKERS[kind], words].filter(Boolean).join(", ");

/** What an activity loads. */
export const LOADED_WORDS: Readonly<Record<Loaded, string>> = { legs: "legs", back: "back" };

/** "cycling, 7 of 10 on the legs" */
export const activityWords = (a: Activity): string =>
  `${a.what}, ${a.hard} of 10${a.loads.length > 0 ? ` on ${a.loads.map((x) => `the ${LOADED_WORDS[x]}`).join(" and ")}` : ""}`;

/** How much brings the pain on. */
export const BRINGS_ON: Readonly<Record<BringsOn, string>> = {
  much: "only a lot",
  some: "a usual day's work",
  little: "very little",
};

/** How long it lasts. */
export const SETTLES_IN: Readonly<Record<SettlesIn, string>> = {
  minutes: "within minutes",
  hours: "by the evening",
  days: "not before the next day",
};

/** What is worn. */
export const SUPPORTS: Readonly<Record<Support, string>> = {
  none: "none",
  sleeve: "sleeve",
  brace: "brace as ordered",
  tight_wrap: "tight wrap during the set only",
};

/** Where they train. */
export const PLACES: Readonly<Record<Place, string>> = {
  clinic_gym: "clinic gym",
  other_gym: "another gym",
  home: "home",
};

/** Regions of the body picture. */
export const PAIN_REGIONS: Readonly<Record<PainRegion, string>> = {
  back_low: "low back",
  back_buttock: "buttock",
  hip_groin: "groin",
  hip_side: "side of the hip",
  thigh_front: "front of the thigh",
  thigh_back: "back of the thigh",
  knee_above: "above the kneecap",
  knee_cap: "around the kneecap",
  knee_tendon: "below the kneecap",
  knee_inner: "inner side of the knee",
  knee_outer: "outer side of the knee",
  knee_back: "hollow of the knee",
  calf: "calf",
  shin: "shin",
  ankle_foot: "ankle and foot",
};
