import type { Task } from "@/core/demand/tasks";
import type { Said } from "@/core/units/said";
import type { Confidence, Origin } from "@/core/units/working/working";
import type { Format } from "../../format";

export const ORIGIN_NAMES: Readonly<Record<Origin, string>> = {
  measured: "measured",
  estimated: "estimated",
  default: "default",
  entered: "entered",
};

export const CONFIDENCE_NAMES: Readonly<Record<Confidence, string>> = {
  high: "well known",
  medium: "remembered from the literature, unverified citation",
  low: "uncertain, unverified citation",
  own: "a rule of our own, no literature behind it",
};

const cm = (m: number): string => (m * 100).toFixed(0);

/** A task of daily life. */
export function taskName(t: Task): string {
  switch (t.kind) {
    case "chair":
      return `rising from a ${cm(t.seatM)} cm seat`;
    case "stairs_up":
      return `a stair of ${cm(t.riserM)} cm up`;
    case "stairs_down":
      return `a stair of ${cm(t.riserM)} cm down`;
    case "kneel":
      return "down on one knee and up";
    case "half_squat":
      return "a half squat to 60°";
  }
}

/** The workings behind numbers: formulas, inputs, sources, and what a number cannot tell. */
export const work = {
  torque_share: "the torque it takes, of what this leg can hold",
  at_least: "at least: it bends further than the strength curve reaches",
  knee_moment: "knee moment of one leg",
  body_model: "static model of this body",
  can_do: "what the leg can do there",
  body_mass: "body mass",
  weight_share: "weight on this leg",
  both_alike: "both legs alike",
  working_leg: "the leg that works",
  spared: "the other leg takes more, and from a seat the trunk leans, as far as what is done every day needs",
  cost_source: "static inverse dynamics over the torque-angle curve (mechanics 3, 5.10, 5.11, 6)",
  hardly_bends: "the knee hardly bends in it",
  too_low: "too low for this body in the model",
  sit_formula: "0.9 × body mass × 9.81 × (half the height − the chair) ÷ half the time of one rise",
  height: "height",
  chair: "chair",
  rises: "rises in 30 s",
  sit_source: "dosing rules F7",
  sit_cannot: "How the two legs share it; it compares a person with themselves.",
  max_formula:
    "load × mean of four formulas (Epley, Brzycki, Lombardi, Wathan) at the repetitions that the set would have reached",
  load: "load",
  reps_done: "repetitions done",
  left: "left in reserve",
  client_said: "as the client said",
  lift_allows: "this lift allows more or fewer",
  reps_reached: "repetitions it would have reached",
  max_source: "dosing rules D1, D2",
  max_cannot: "A lift that nobody did: people understate what is left by about one, and more when many are.",
  other_side: "other side",
  highest: "its highest value in this episode",
  typical_error: "typical error of a session",
  symmetry_source: "limb symmetry index with a 95 % interval of ±2.77 typical errors (dosing F1)",
  symmetry_cannot:
    "Whether the other leg is strong: it weakens too after an injury. Look at torque per body mass as well.",
  trials_one: "Much: the trials of one of these tests never agreed. Test again before relying on it.",
  per_mass_cannot: "What is normal for this person: it varies with sex, age and sport.",
  ratio_source: "isometric ratio at equal angle, 0.5 to 0.8 usual (dosing F3)",
  ratio_cannot:
    "Anything about another angle: it falls with bend, because the hamstrings shorten. A high ratio mostly means weak quadriceps.",
  can_prior: "by age and body: nobody tested this leg, and it has shown nothing yet",
  can_sets: "what this leg has shown in sets and holds, carried along the torque-angle curve",
  can_trials: "tests of this leg and what it has shown since, carried along the torque-angle curve",
  nobody_showed: "How strong this leg really is: one in three is a quarter off. Test it, or run a few sets.",
  curve_peak: "peak of the curve",
  tested_angles: "tested angles",
  curve_source: "learnt from every test and set (L1 to L6), torque-angle cosine (mechanics 6)",
  curve_doubtful: "Below 20° and above 100° the curve is doubtful: test at this angle before relying on it.",
  curve_cannot: "How strong the leg is when tired, sore or at speed.",
  pace_formula:
    "steps left divided by the client's own pace; the pace is a rate of rare steps, with its 80 % range of a Poisson count",
  steps_left: "steps left",
  the_ladder: "the ladder",
  steps_done: "steps done",
  pace_source: "Wilson and Hilferty's approximation",
  pace_cannot: "Whether the pace stays: a flare, an operation or a holiday changes it.",
  from_sets: "what this leg has shown in sets, with its doubt",
  from_strength_test: "strength by load cell, 0.85 of it for moving",
  from_default: "a usual strength, nobody tested this direction",
  from_felt: "found by feel",
  share_held: "torque of the real setting at the held angle divided by what the leg can hold there",
  share_lifted: "real load divided by the one-repetition maximum",
  set: "set",
  rounding: "the step that the rounding rule allows",
  largest_moment: "largest knee moment",
  set_up_model: "model of this set-up",
  one_rep_max: "one-repetition maximum",
  counted_from: "counted from",
  scheme_wants: "the scheme wants",
  line_source: "load of a line (dosing rules D1, D3, E6)",
  line_cannot:
    "How it feels today, and what friction and the way of sitting make of it: find it in two light sets.",
  share_of_strength: "share of strength",
  persons_factor: "person's factor",
  nobody_timed: "nobody was timed",
  spread: "spread between people",
  endurance_source: "Frey-Law and Avin 2010, knee 19.38·f^−1.88 (isometrics)",
  endurance_cannot: "What pain, breath and patience make of it; it is about a fresh muscle.",
  week_formula:
    "mean kneecap load over the used angles in chair rises, times seconds under tension of one leg, added up over the last six days and this sheet",
  this_week: "this week with this sheet",
  last_week: "last week",
  week_source: "kneecap load of a week",
  week_cannot:
    "Anything between people, and what lines without a model add. It compares weeks of one client.",
  cost_formula: (m: { task: Task; deg: number }) =>
    `knee moment of ${taskName(m.task)} at ${m.deg.toFixed(0)}°, where it takes most, divided by what this leg can do there`,
  cost_cannot: (m: { strength: Said }, f: Format) =>
    `How fast or with how much swing it is done, and whether the other leg or the hands take more than their part. Above 100 % it is done with help of those, or not at all. Of the strength: ${f.say(m.strength)}`,
  symmetry_formula: (m: { name: string; side: string; deg: number }) =>
    `${m.name} of the ${m.side} side divided by the other, both at ${m.deg}° of knee flexion`,
  per_mass: (m: { deg: number }) => `torque at ${m.deg}° divided by body mass`,
  ratio_formula: (m: { side: string; deg: number }) =>
    `knee flexion torque divided by knee extension torque, ${m.side} side, both at ${m.deg}°`,
  torque_at: (m: { nm: number; deg: number }) => `${m.nm} N·m at ${m.deg}°`,
  outside_curve: (m: { fromDeg: number; toDeg: number }) =>
    `The strength curve covers ${m.fromDeg}° to ${m.toDeg}°; choose a hold angle inside it.`,
  decisions_of: (m: { weeks: number }) => `decisions of ${m.weeks} weeks`,
  weeks: (m: { soonest: number; latest: number | null }) =>
    `${m.soonest} to ${m.latest ?? "more than 52"} weeks`,
  endurance: (m: { joint: string }) =>
    `endurance curve of the ${m.joint} at this share of strength, times the person's own factor`,
  timed_holds: (m: { holds: number }) => `${m.holds} timed holds`,
};
