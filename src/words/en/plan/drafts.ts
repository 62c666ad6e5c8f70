import type { TooFewBecause } from "@/core/drafts/enoughSets";
import type { TimeBecause } from "@/core/drafts/fillTime";
import type { NotYet } from "@/core/drafts/person/notYet";
import type { Muscle } from "@/core/schedule/balance";
import type { PainfulArc } from "@/core/strength/painfulArc";
import { lowerFirst } from "@/core/units/lowerFirst";
import type { Said } from "@/core/units/said";
import { upperFirst } from "@/core/units/upperFirst";
import type { Format } from "../../format";
import { MUSCLE_WORDS } from "./muscles";
import { hurtWords } from "./painfulArc";

/** What is done until the goal's first stage fits. Source: draft rules, goals and the first line. */
const MEANWHILE: Readonly<Record<string, string>> = {
  low_chair: "Until then a raised seat in daily life; the thigh is trained by press and holds.",
  stairs: "Until then the press, and standing straightening.",
  kneel: "Explain why not yet, and show another way up from the floor.",
  floor: "Until then chair rises, and lunges with hands.",
  walk_30: "Until then the bike, and the calf seated.",
  lift_floor: "Until then bridges and hip extension.",
  carry: "Until then bridges and hip extension.",
  run: "Until then strength on one leg.",
  sport: "Until then strength on one leg.",
};

/** What stands between a draft and the sets that its phase is for, and who can lift it. */
const TOO_FEW: Readonly<Record<TooFewBecause, string>> = {
  minutes: "More does not fit the minutes there are: choose a longer session, or plan a day more.",
  tires: "With more of them sets would end early: rest longer, or plan a day more.",
  reserve:
    "Today's limits leave so many in reserve that a set counts half: a therapist can change that limit.",
  light: "The loads that are open ask too little to count whole: they rise with what the sets show.",
  lines: "Every line has the sets it can have: add a line for it.",
};

/** Why a daily task is not asked for yet. */
const NOT_YET: Record<NotYet["task"], Record<NotYet["because"], (percent: number | null) => string>> = {
  chair: {
    hands: () => "rising from a chair still takes the hands",
    not: () => "nobody rises from a chair alone yet here",
    cost: (percent) => `rising without hands would take about ${percent} % of what this leg can do`,
  },
  stairs: {
    hands: () => "stairs still take the rail",
    not: () => "stairs are not climbed alone yet",
    cost: (percent) => `a stair would take about ${percent} % of what this leg can do`,
  },
};

type Painful = Pick<PainfulArc, "moved" | "fromDeg" | "toDeg" | "loadKg" | "pain">;

type Set = Readonly<Record<string, string | number>>;

const UNITS: readonly (readonly [string, string])[] = [
  ["_cm", " cm"],
  ["_deg", "°"],
  ["_kg", " kg"],
  ["_m", " m"],
  ["_s", " s"],
  ["_min", " min"],
];

/** "seat 52 cm, hands: crossed" from how a stage is set. */
const setWords = (set: Set): string =>
  Object.entries(set)
    .map(([key, value]) => {
      const [end, unit] = UNITS.find(([e]) => key.endsWith(e)) ?? ["", ""];
      const name = key.slice(0, key.length - end.length).replaceAll("_", " ");
      if (key.startsWith("percent_of_body"))
        return `${value} % of body weight${key.endsWith("each") ? " in each hand" : key.endsWith("side") ? " in one hand" : ""}`;
      if (key === "minutes") return `${value} minutes`;
      if (key === "times") return `${value} times`;
      return typeof value === "string" ? `${name}: ${value}` : `${name} ${value}${unit}`;
    })
    .join(", ");

/** Why a draft leaves much of the time that there is. */
const LEFT: Record<TimeBecause, string> = {
  frail: "Who is frail begins with little: add a line once three visits went well.",
  first_visit: "A first visit learns: sets and lines follow by themselves.",
  phase: "This phase asks for little, often: rather twice a day than longer.",
  lines: "More lines than these are not kept in mind: a second sheet for another day has room for the rest.",
  nothing: "Nothing else that suits is open today.",
};

/** Why a line of a draft is there, and what its reader has to ask, do or know. */
export const drafts = {
  // what a line does for what hurts
  upright_shin: "shin more upright: less kneecap pressure",
  near_straight: "pressure rises near straight under a constant load",
  cuff_last_degrees: "an ankle weight loads just the painful last degrees",
  braking_steps: "braking steps press the kneecap hardest",
  hip_helps: "hip work helps and does not hurt",
  inner_side_asks: "Stand hip wide with straight toes; catching, locking or sudden swelling is a sign: ask.",
  no_turn: "no turn on a loaded knee",
  no_long_lever: "no long lever pulling on the inner side",
  knee_in: "keeps the knee from falling in",
  back_of_knee_asks:
    "Calf swelling, warmth or a lump behind the knee, after surgery above all: a clot and a cyst come first. Ask.",
  no_cramp: "held and short: no cramp, no pull behind the knee",
  harvest_site: "the harvest site of the graft pulls: it rests",
  back_asks: "Leg signs, numbness, bladder: then it is no twinge. Ask.",
  recline_less_depth: "recline and less depth stop the pelvis from rolling",
  feet_lower_pelvis: "feet lower: the pelvis does not roll",
  no_shoulder_load: "no load on the shoulders",
  hips_no_bending: "hips without bending load",
  hip_asks: "Recline the press until the hip stays 15° short of the pinch, before load comes off.",
  higher_seat: "higher seat: no pinch",
  long_steps_pinch: "long or crossed steps pinch",
  short_hip_range: "hip extension in a short range",
  // while a knee is fuller
  fuller_held: "held push instead of rubbing while the knee is fuller",
  fuller_two_legs: "no single-leg bend while the knee is fuller",
  fuller_hands: "hands help and a higher seat while the knee is fuller",
  fuller_waits: "body weight on one bent leg waits until the swelling is down",
  fuller_tell: "Swelling that rises after surgery is news: tell the therapist today.",
  switch_off: "ends the switch-off that fluid brings",
  // who it is
  easily_stirred: "Easily stirred up: one step only after three quiet visits.",
  weak_thigh: "the thigh measured weaker: only this loads it alone",
  weak_back_of_thigh: "the back of the thigh measured weaker",
  weak_outer_hip: "the outer hip measured weaker",
  weak_calf: "the calf measured weaker",
  short_reach: "its reach measured short",
  trunk_for_back: "one line of the trunk, as the back leads",
  gap_thigh: "the goal's largest gap stands on the thigh: only this loads it alone",
  gap_back_of_thigh: "the goal's largest gap stands on the back of the thigh",
  gap_outer_hip: "the goal's largest gap stands on the outer hip",
  gap_calf: "the goal's largest gap stands on the calf",
  years_ask: "Ask: falls in the last year, dizziness, blood pressure.",
  independence: "the movement that decides independence",
  against_falls: "against falls; counter in reach",
  low_step_rail: "a low step with hands on a rail",
  seated_unsure: "seated, where standing is unsure",
  easier_to_learn: "easier to learn",
  other_gym:
    "On machines of another gym every load is found new, in two light sets: kilograms do not travel.",
  eyes_and_stops: "it needs eyes and stops",
  not_locked: "machines there are not locked",
  // what stands in where something is not there or cannot be set light enough
  held_arc: "held: the moving arc does not fit today",
  strap_real_load: "a strap hold keeps real load at the chosen angle",
  straight_on_feet: "straightening on the feet",
  light_cuff: "a light cuff",
  strap_not_cuff: "a strap hold: an ankle weight gives next to nothing at 90 to 45°",
  held_on_feet: "held on the feet",
  light_no_machine: "light and many needs no machine",
  wakes_thigh: "wakes the thigh without a machine",
  same_hold_strap: "the same hold with a strap",
  same_hold_hand: "the same hold against the therapist's hand",
  lightest_hold: "the lightest hold there is",
  held_strap: "held with a strap",
  lightest: "the lightest there is",
  bent_half: "the bent half of the arc",
  feet_higher: "feet higher",
  reclined: "reclined",
  seat_is_load: "the height of the seat is the load",
  hands_take: "hands take what is too much",
  upright_shallow: "upright and shallow",
  wall_helps: "with the wall's help",
  feet_lower: "feet lower",
  wall_mark: "upright shin, a mark on the wall",
  press_there: "the press that is there",
  upright_trunk: "upright trunk",
  rail_and_stop: "rail and a depth stop",
  step_not_press: "a step instead of the press",
  both_legs: "both legs",
  nothing_on_shoulders: "same legs, nothing on the shoulders",
  no_machine: "no machine",
  curl_there: "the curl that is there",
  heels_far: "held, heels far out",
  held_short: "held and short",
  hips_and_back_of_thigh: "hips and back of the thigh",
  standing: "standing",
  on_feet: "on the feet",
  on_side: "lying on the side",
  in_belt: "held in a belt",
  machine_light: "the machine, light",
  at_counter: "at a counter",
  hip_no_machine: "hip extension without a machine",
  hip_no_bench: "hip extension without a bench",
  way_without_load: "the same way, without load",
  from_higher: "from higher up",
  way_first: "the way first",
  lower_step: "a lower step",
  no_load: "no load",
  on_floor: "on the floor",
  seated: "seated",
  easier_form: "an easier form",
  stand_in: (m: { why: Said; instead: Said }, f: Format) => `${f.say(m.why)} (${f.say(m.instead)})`,
  // the goal itself
  goal_itself: (m: { why: Said }, f: Format) => `the goal itself: ${f.say(m.why)}`,
  goal_talked: (m: { goal: string }) =>
    `“${m.goal}” is talked about with the client and with who treats them: no phase of these rules opens jumping or running, nothing is drafted for it.`,
  comes_into: (m: Painful, f: Format) => `It comes into ${m.fromDeg}° to ${m.toDeg}°, ${hurtWords(m, f)}.`,
  around_pain: (m: { name: string } & Painful, f: Format) =>
    `${m.name} is laid around ${m.fromDeg}° to ${m.toDeg}°, ${hurtWords(m, f)}.`,
  eased_in_pain: (m: { name: string } & Painful, f: Format) =>
    `${m.name} comes into ${m.fromDeg}° to ${m.toDeg}°, ${hurtWords(m, f)}: more is left in reserve, as no part beside it is wide enough.`,
  by_school: "as the school chosen for this client has it",
  easier_now: (m: NotYet) => `a stage easier for now: ${NOT_YET[m.task][m.because](m.percent)}`,
  not_yet: (m: NotYet) => NOT_YET[m.task][m.because](m.percent),
  goal_stage: (m: { set: Set; goOn: string }) => `the goal itself: ${setWords(m.set)}; on when ${m.goOn}`,
  goal_not_yet: (
    m: { goal: string; goalId: string; impact: boolean; first: string; opens: Said | null },
    f: Format,
  ) =>
    `Not yet a line for “${m.goal}”: ${m.impact ? "jumping and running wait in this phase" : "no stage of it fits today's limits"}. It begins with ${m.first}${m.opens ? `, which ${f.say(m.opens)}` : ""}. ${MEANWHILE[m.goalId] ?? ""}`.trim(),
  goal_beside: (m: { goal: string; task: string; dose: string; goOn: string }) =>
    `For “${m.goal}”, beside the sheet: ${lowerFirst(m.task)}, ${m.dose}. On when: ${m.goOn}.`,
  goal_waits: (m: { goal: string; rule: string }) => `“${m.goal}” itself waits: ${lowerFirst(m.rule)}`,
  nothing_at_home: (m: { name: string }) => `${m.name}: nothing at home takes its place, it is left out.`,
  becomes: (m: { name: string; to: string }) => `${m.name} becomes ${m.to}.`,
  // what was left out, and what is to be known
  left_out: (m: { name: string; because: Said }, f: Format) =>
    `Left out: ${lowerFirst(m.name)}, because ${f.say(m.because)}.`,
  would_end_early: "after the lines before it it would end early",
  fits_not: "it does not fit here today",
  part_not_open: "its part of the range is not open today",
  no_dose: "no dose of it fits",
  light_start: "a light start before heavy work",
  balance_last: "balance with the time that is left",
  unconfirmed: (m: { phase: string }) =>
    `Drafted for “${m.phase}”, which nobody has confirmed: confirm the phase in Limits, then draft again.`,
  moves_first: (m: { name: string; how: string }) => `What moves first: ${lowerFirst(m.name)}, ${m.how}.`,
  test_first: (m: { name: string; machine: string; doubt: number | null }) =>
    `Two minutes in the first visit: a repetition test on ${m.machine} (Measure, repetitions). Until then the load of “${lowerFirst(m.name)}” is ${m.doubt === null ? "found by feel, far below what most can do" : `right to about ± ${Math.round(m.doubt * 100)} %, and is set at the careful end`}.`,
  few_sets: (m: { muscle: Muscle; has: number; least: number; days: number; because: TooFewBecause }) =>
    `${upperFirst(MUSCLE_WORDS[m.muscle])}: ${Math.round(m.has * 2) / 2} effective sets on ${m.days} ${m.days === 1 ? "day" : "days"} a week, ${m.least} are wanted in this phase. ${TOO_FEW[m.because]}`,
  time_for_it: "there is time for it beside the main lines",
  minutes_over: (m: { minutes: number; asked: number }) =>
    `${m.minutes} min in place of ${m.asked}: warming up, the goal and one main line are the least that is worth coming for.`,
  minutes_left: (m: { minutes: number; asked: number; because: TimeBecause }) =>
    `${m.minutes} of the ${m.asked} min are planned. ${LEFT[m.because]}`,
  beside: (m: { what: string }) => `Beside the sheet: ${m.what}.`,
  ask_first: (m: { ask: string }) => `Ask first: ${m.ask}.`,
  line_left_out: (m: { because: string }) => `A line is left out: ${m.because}.`,
};
