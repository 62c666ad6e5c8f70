import type { Limit } from "@/core/bounds/limit";
import type { Slips } from "@/core/equipment/families/family";
import type { LegsShare } from "@/core/selection/fit/exerciseUse";
import type { Aid, Help, Worn } from "@/core/selection/setUp/aid";
import type { QuietAbout } from "@/core/selection/setUp/quiet/quietNumbers";
import type { StartBecause } from "@/core/selection/setUp/startCap";
import type { Said } from "@/core/units/said";
import type { Format } from "../../format";
import { byWords } from "./bounds";

type By = { by: readonly Limit["origin"][] };

/** What is worn at the knee. */
export const WORN: Readonly<Record<Worn, string>> = {
  none: "nothing worn",
  sleeve: "sleeve on",
  brace: "brace on, as ordered",
  tight_wrap: "wrap on for the set, off after it",
};

/** What is held on to. */
export const HELP: Readonly<Record<Help, string>> = {
  none: "nothing held",
  fingertips: "fingertips on a rail",
  one_hand: "one hand on a rail",
  two_hands: "both hands on a rail",
  strap: "strap or partner",
};

/** What is worn, in a word. */
export const WORN_SHORT: Readonly<Record<Worn, string>> = {
  none: "nothing",
  sleeve: "sleeve",
  brace: "brace",
  tight_wrap: "tight wrap",
};

/** "tight wrap, one hand on a rail" */
export const aidWords = ({ worn, help }: Aid): string =>
  [worn === "none" ? "" : WORN_SHORT[worn], help === "none" ? "" : HELP[help]].filter(Boolean).join(", ");

/** On which legs a load comes. */
export const LEGS_SHARE: Readonly<Record<LegsShare, string>> = {
  two: "two legs",
  one: "one leg",
  upper: "nine tenths on the upper leg",
  lowered: "lowered on one leg",
  front: "three quarters on the front leg",
  both_feet: "both feet on the floor",
};

const START: Readonly<Record<StartBecause, string>> = {
  high: "the joint is easily stirred up",
  early: "early after surgery",
  severe: "the pain is severe",
  moderate: "the joint is moderately stirred up",
  untested: "nobody has tested this leg on this machine",
};

const SLIPS: Readonly<Record<Slips, string>> = {
  shoes_slide: "the shoes would slide",
  toes: "the pressure would reach the toes",
};

/** What makes an end of the arc: a stop by its setting. */
const STOPS: Readonly<Record<string, string>> = {
  seatGapM: "the seat",
  depthDeg: "the depth stop",
  benchM: "the bench",
};
const stopWords = (m: { setting: string; end: string }): string =>
  STOPS[m.setting] ?? (m.end === "bent" ? "the bent stop" : "the straight stop");

const percent = (share: number, f: Format): string => `${f.number(share * 100)} %`;
const cm = (metres: number, f: Format): string => `${f.number(metres * 100, 1)} cm`;
export const becauseOfCuts = (cuts: readonly Said[], f: Format): string =>
  cuts.length > 0 ? `, because of ${cuts.map((c) => f.say(c)).join(" and ")}` : "";

/** What bounds a set-up and its load, and what it says of one outside. */
export const setUp = {
  knee_share: (m: By & { share: number; isTested: boolean; most: number }, f: Format) =>
    `it asks for ${percent(m.share, f)} of ${m.isTested ? "its strength" : "the strength that is safe to count on, untested"}; ${percent(m.most, f)} are the most here${byWords(m.by)}`,
  hip_share: (m: By & { share: number; isTested: boolean; most: number }, f: Format) =>
    `it asks the hip for ${percent(m.share, f)} of ${m.isTested ? "its strength" : "what is safe to count on, untested"}; ${percent(m.most, f)} are the most here${byWords(m.by)}`,
  weight: (m: By & { kg: number; mostKg: number }, f: Format) =>
    `it puts ${f.kg(m.kg, 0)} on the leg; ${f.kg(m.mostKg, 0)} are written${byWords(m.by)}`,
  weight_written: (m: By & { kg: number; mostKg: number }, f: Format) =>
    `${f.kg(m.kg)} is above the ${f.kg(m.mostKg)} that are written for the leg${byWords(m.by)}`,
  weight_held: (m: By & { kg: number; mostKg: number }, f: Format) =>
    `${f.kg(m.kg)} held is above the ${f.kg(m.mostKg)} that may rest on the back${byWords(m.by)}`,
  start: (m: { carried: number; bodyWeights: number; because: StartBecause }, f: Format) =>
    `the foot would carry ${f.number(m.carried, 2)} of the body's weight; ${m.bodyWeights} a leg are the start, because ${START[m.because]}, until sets on this machine tell more`,
  above_start: (
    m: {
      kg: number;
      startKg: number;
      of: { bodyWeights: number; because: StartBecause } | { massKg: number };
    },
    f: Format,
  ) =>
    `${f.kg(m.kg)} is above the start of ${f.kg(m.startKg)} (${
      "massKg" in m.of
        ? `a share of the body's ${f.kg(m.of.massKg, 0)}, because nobody has tested this on this machine`
        : `${m.of.bodyWeights} of the body's weight a foot, because ${START[m.of.because]}`
    }), until sets on this machine tell more`,
  above_untested: (m: { kg: number; mostKg: number }, f: Format) =>
    `${f.kg(m.kg)} is above ${f.kg(m.mostKg)}, the most here before sets on this machine tell more, with a reason too`,
  stands_least: (m: { kg: number; leastKg: number }, f: Format) =>
    `leaning back like this there is no balance at ${f.kg(m.kg)}; ${f.kg(m.leastKg)} are the least in this posture`,
  stands_most: (m: { kg: number; because: Slips; mostKg: number }, f: Format) =>
    `at ${f.kg(m.kg)} ${SLIPS[m.because]}; ${f.kg(m.mostKg)} are the most in this posture`,
  history: (m: { kg: number; nextKg: number }, f: Format) =>
    `${f.kg(m.kg)} is the most that was lifted there so far, and one step more is ${f.kg(m.nextKg)}`,
  test_share: (m: By & { kg: number; share: number }, f: Format) =>
    `${f.kg(m.kg)} are ${percent(m.share, f)} of what this leg can surely lift once, the most here${byWords(m.by)}`,
  // what cuts the arc
  stop: stopWords,
  model_range: "the model's range",
  reach: "the foot's reach or the model's range",
  no_balance: "no balance there without hands or momentum",
  pelvis_seen: (m: { deg: number }) => `the pelvis was seen to roll at ${m.deg}° on this machine`,
  hip_bend: (m: By & { most: number }) => `hip bend at most ${m.most}°${byWords(m.by)}`,
  would_round: (m: By) => `the low back would round (an estimate, 10 to 15° either way)${byWords(m.by)}`,
  cap: (m: { times: number }) => `the cap of ${m.times} × the reference task`,
  above_cap: (m: { times: number }) =>
    `everywhere more than ${m.times} × the reference task, the cap that was set`,
  no_angle: "limits and stops leave no knee angle for it",
  outside: (m: { fromDeg: number; toDeg: number; cuts: readonly Said[] }, f: Format) =>
    `only ${m.fromDeg}° to ${m.toDeg}° are open${becauseOfCuts(m.cuts, f)}: choose angles inside`,
  seat_too_far: (m: { atM: number; wouldDoM: number | null }, f: Format) =>
    m.wouldDoM === null
      ? "no seat notch of this machine is near enough to the plate for this leg"
      : `the seat at ${cm(m.atM, f)} from the plate is out of this leg's reach: ${cm(m.wouldDoM, f)} or nearer`,
  bench_too_high: (m: { atM: number; wouldDoM: number | null }, f: Format) =>
    m.wouldDoM === null
      ? "no bench notch is low enough for this leg"
      : `the bench at ${cm(m.atM, f)} is too high for this leg: ${cm(m.wouldDoM, f)} or lower`,
  // a rounded back, and what cures it
  back_rounds: (m: { deg: number; cures: readonly Said[] }, f: Format) =>
    `The low back rounds by about ${m.deg}° under load (an estimate, 10 to 15° either way): ${m.cures.map((c) => f.say(c)).join(", or ")}.`,
  leant: (m: { raiseDeg: number | null; byDeg: number }) =>
    `The back leans further than usual: with the ${m.raiseDeg === null ? "hip bend" : `straight-leg raise of ${Math.round(m.raiseDeg)}°`} that was measured the pelvis would roll by about ${m.byDeg}°.`,
  recline_by: (m: { notches: number }, f: Format) => `recline by ${f.count(m.notches, "notch", "notches")}`,
  feet_lower: "put the feet lower",
  stop_before: (m: { deg: number }) => `stop before ${m.deg}°`,
  // the search
  search_keeps_back: "the search keeps the low back from rounding",
  gives_up: (m: { isBest: boolean; isGentlest: boolean; training: number; moreTimes: number }, f: Format) => {
    const loads =
      m.moreTimes < 0.05
        ? "about as little as the gentlest"
        : `${m.moreTimes.toFixed(1)} × the reference task more than the gentlest`;
    if (m.isBest && m.isGentlest) return "nothing: it trains the most and loads the least";
    if (m.isBest) return `trains the most; loads ${loads}`;
    if (m.isGentlest) return `loads the least; trains ${percent(m.training, f)} less than the most`;
    return `trains ${percent(m.training, f)} less than the most; loads ${loads}`;
  },
  nothing_found: (m: { most: number; capTimes: number | null; keepBack: boolean }, f: Format) =>
    `No notch and load keeps under ${percent(m.most, f)} of its strength${m.capTimes === null ? "" : ` and ${m.capTimes} × the reference task`}${m.keepBack ? " with the back held" : ""}. Raise a cap, or choose another machine; limits stay as they are.`,
};

/** What quiet numbers are about, the columns of their rows, and a place in the posture's own way. */
export function quietWords(about: QuietAbout, f: Pick<Format, "kg">) {
  switch (about.posture) {
    case "reverse_hip":
      return {
        about: `${about.legs === 1 ? "one leg" : "both legs"}, knee ${about.kneeFlexionDeg === 0 ? "straight" : "bent to a right angle"}, no added load; ${about.isSupported ? "table under the pelvis" : "pelvis free"}`,
        columns: ["hip, each leg", "low back"],
        where: (deg: number) => (deg === 0 ? "in line with the trunk" : `${deg}° below it`),
      };
    case "calf":
      return {
        about: {
          standing: "body weight on two legs",
          seated: `${f.kg(about.kg)} on the thighs, two legs`,
          press: `${f.kg(about.kg)} on the plate, two legs`,
        }[about.load],
        columns: ["ankle, each leg"],
        where: (deg: number) => (deg === 0 ? "foot flat" : `heel raised ${deg}°`),
      };
    case "side_raise":
      return {
        about: "the leg's own weight, lying on the side",
        columns: ["outer hip"],
        where: (deg: number) => `${deg}° above level`,
      };
    case "leg_raise":
      return {
        about: "the leg's own weight, knee straight",
        columns: ["hip", "knee"],
        where: (deg: number) => `${deg}° above level`,
      };
  }
}
