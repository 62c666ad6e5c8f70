import type { BoundReason } from "@/core/bounds/inForce";
import type { Limit } from "@/core/bounds/limit";
import type { HoldAsked } from "@/core/sheet/judge/holdFeasibility";
import type { NextInTheWay, WhatIsSet } from "@/core/sheet/judge/judgeScore";
import type { GoneLine } from "@/core/sheet/line/gone";
import type { Legs } from "@/core/sheet/line/legs";
import type { SchemeKind } from "@/core/sheet/schemes/scheme";
import { lowerFirst } from "@/core/units/lowerFirst";
import type { Said } from "@/core/units/said";
import type { Format } from "../../format";
import { byWords, reasonsWords } from "./bounds";

export const LEGS_WORDS: Readonly<Record<Legs, string>> = {
  together: "both at once",
  one: "this leg only",
  in_turns: "set by set in turns",
  one_after_other: "one leg after the other",
  alternating: "left, right by repetition",
};

export const SCHEME_NAMES: Readonly<Record<SchemeKind, string>> = {
  holds: "holds",
  straight: "straight sets",
  ramp: "ramp to a working load",
  climb: "climbing sets",
  accumulated: "accumulated set",
  drop: "drop set",
  partials: "partials and a closing hold",
  pulses: "pulses at one end",
  light: "light and many",
  slow: "slow and heavy",
  power: "fast up, for power",
  lowering: "lowering only",
  two_up_one_down: "two up, one down",
  carry: "carried over a distance",
  stretch: "stretch",
};

/** What is gone and what could stand in for it. */
export function goneSentence(g: Pick<GoneLine, "machineName" | "exerciseName" | "instead">): string {
  const what = g.machineName
    ? `${g.machineName} is not in use any more`
    : "this clinic has no machine for it";
  const instead =
    g.instead.length > 0
      ? `Instead: ${g.instead.map((n, i) => (i === 0 ? n : lowerFirst(n))).join(", or ")}.`
      : "Nothing here stands in for it: leave it out.";
  return `${g.exerciseName} cannot be run: ${what}. ${instead} A therapist changes it in Dose.`;
}

/** Felt effort is never shown finer than half points. */
export const half = (felt: number): string => (Math.round(felt * 2) / 2).toString();

const percent = (share: number, f: Format): string => `${f.number(share * 100)} %`;

const setWords = (set: WhatIsSet, isHelp: boolean): string =>
  set === "body"
    ? "the body alone"
    : set === "easiest"
      ? isHelp
        ? "the most help it has"
        : "the lightest it has"
      : `${set.how}, as it is set,`;

/** What to do about a load that is too heavy; where more of what is set makes it easier, more of it (corrections K2). */
const adviceFor = (m: { isHelp: boolean; isStart: boolean }): string =>
  m.isStart
    ? "take a repetition test on this machine, take a lighter means, or go above the start with a reason"
    : `take ${m.isHelp ? "more help" : "a lighter means"}, less range or another exercise`;

const nextWords = (next: NextInTheWay, f: Format): string => {
  if (!next) return "and there is no heavier one";
  if ("because" in next) return `and the next one, ${next.how}, is not open, because ${f.say(next.because)}`;
  return next.isAbove
    ? `and the next one, ${next.how}, is above it${next.isUntested ? " by the strength that is safe to count on, untested" : ""}`
    : `and the next one, ${next.how}, would still be inside it`;
};

/** Why a line cannot be saved, each with what to do, and what one should know of it. */
export const line = {
  nothing_above: "the first line has no line above to share rests with: let it stand alone",
  not_in_library: "it is not in the library: take it out",
  take_out: (m: { because: Said }, f: Format) =>
    `${f.say(m.because)}: take it out, or choose another exercise`,
  legs: (m: { legs: Legs; allowed: Legs }) =>
    `it is not done ${LEGS_WORDS[m.legs]}: choose ${LEGS_WORDS[m.allowed]}`,
  one_leg: (m: { by: readonly Limit["origin"][] }) =>
    `one leg alone is not allowed in presses and squats yet${byWords(m.by)}: use both`,
  novice_total: (m: { total: number; most: number }) =>
    `a total of ${m.total} is not for novices: choose ${m.most}`,
  too_heavy: (m: { set: WhatIsSet; because: Said; isHelp: boolean; isStart: boolean }, f: Format) =>
    `${setWords(m.set, m.isHelp)} is too heavy, because ${f.say(m.because)}: ${adviceFor(m)}`,
  asks_more: (m: { share: number; wanted: number }, f: Format) =>
    `It asks for ${percent(m.share, f)} where the scheme wants ${f.number(m.wanted * 100)}: plan fewer repetitions, or take an easier form.`,
  above_once: "it is more than the most that it can lift once: set less",
  above_most: (m: { share: number; most: number }, f: Format) =>
    `it asks for ${percent(m.share, f)} of what is lifted once, and more than ${percent(m.most, f)} is not lifted fast: set less`,
  above_wish: (m: { asks: number; wants: number; isTested: boolean }, f: Format) =>
    // the knee is asked for no more than wanted: then it is the hip that carries too much of it
    Math.round(m.asks * 100) <= Math.round(m.wants * 100)
      ? `it asks the hip for more than the ${percent(m.wants, f)} of its strength that this scheme wants`
      : `it asks for ${percent(m.asks, f)} of ${m.isTested ? "its strength" : "the strength that is safe to count on, untested"}; this scheme wants ${percent(m.wants, f)}`,
  above_test: (m: { kg: number }, f: Format) =>
    `its lightest step is above the ${f.kg(m.kg, 0)} that the test leaves`,
  no_height: (m: { mostDeg: number }) =>
    `no seat is high enough for the ${m.mostDeg}° that are open: take another exercise`,
  too_low: (m: { cm: number; mostDeg: number }) =>
    `${m.cm} cm bends the knee further than the ${m.mostDeg}° that are open: set it higher`,
  by_feel: (m: { mostKg: number }, f: Format) =>
    `Nobody has tested it on this machine: find the load by feel from the lightest, at most ${f.kg(m.mostKg)} until its sets tell more.`,
  untested: (m: { low: number; high: number }, f: Format) =>
    `It asks for about ${f.number(m.low * 100)} to ${percent(m.high, f)} of a strength that nobody tested: it may be near what it can do. Find out with a test.`,
  not_at_home: "it needs what stands in the clinic, and this sheet is done at home: take its home version",
  no_machine: "this clinic has no machine for it: choose another exercise",
  machine_gone: "the machine that it was set for is not in use any more: choose another machine or exercise",
  nothing_lighter: "nothing lighter can be set for the last set: plan it as the others",
  reserve: (m: { fewest: number; least: number; by: readonly Limit["origin"][] }) =>
    `it leaves ${m.fewest} in reserve; ${m.least} at least are asked for${byWords(m.by)}: plan more in reserve or another scheme`,
  step_below: (m: { below: number; next: NextInTheWay; reps: number | null; reserve: number }, f: Format) => {
    const light = `The real step is ${percent(m.below, f)} below what the scheme wants, ${nextWords(m.next, f)}`;
    return m.reps === null
      ? `${light}: it will feel light; slow the lowering or take another machine.`
      : `${light}: about ${m.reps} repetitions leave ${m.reserve} in reserve.`;
  },
  curve_unsure:
    "The strength curve is not sure at this angle: begin with the least, find the load by feel, or test at this angle.",
  shorter_way: (m: { how: string; openHow: string }) =>
    `The shorter way is set heavier, ${m.how} instead of ${m.openHow} over all that is open: what bounds it there lies outside this way.`,
  part_heavier: (m: { how: string; wholeHow: string }) =>
    `Only a part of the way is open, and that part is set heavier, ${m.how} instead of ${m.wholeHow} over the whole: begin lighter where pain or healing closes the rest.`,
};

/** Why a scheme may not be used for a client today. */
export const gate = {
  loadable: "it cannot be loaded in steps",
  not_easily: "the knee is easily stirred up: straight sets or holds first",
  not_early: "not early after surgery",
  not_novice: "not for novices: straight sets first",
  late_enough: "only in a phase that makes strong or keeps what was reached",
  no_stretch: "a stretch is not done in sets",
  is_held: "this exercise is only held: choose holds",
  pain_unknown: "the last session's pain is not known",
  pain: (m: { pain: number; most: number }) =>
    `the last session's pain was ${m.pain}: at most ${m.most} for overloaded lowering`,
  once_a_session: "once in a session is enough",
  days_apart: (m: { days: number }) => `the last one is ${m.days} days ago: 7 to 10 days apart`,
  travels: "only what walks over a distance is carried",
  not_held: "this exercise is not held",
  is_no_stretch: "this exercise is no stretch",
  one_leg_lowers: "it needs a machine that one leg lowers: take its single-leg form",
};

const heldWords = (m: HoldAsked): string =>
  `At ${(m.share * 100).toFixed(0)} % of maximum ${m.isKnee ? "a knee" : "this muscle"} holds ${m.fromS} to ${m.toS} s`;
const instead = (m: HoldAsked): string =>
  m.sureS >= 5 ? `Hold ${m.sureS} s or less, or lower the effort` : "Lower the effort";

type Failing = HoldAsked & { bout: number; second: number; isLong: boolean };
interface Broken {
  asked: number;
  most: number;
  because: readonly BoundReason[];
}

/** Whether holds can be held to their end, and which limits on them are broken. */
export const held = {
  nobody: (m: HoldAsked) => `${heldWords(m)}; nobody is expected to hold ${m.holdS} s. ${instead(m)}`,
  fails: (m: Failing) =>
    `${m.isLong ? `${heldWords(m)}. ` : ""}Hold ${m.bout} is predicted to fail after ${m.second} s, even in somebody who holds long: more rest, fewer holds or less effort${m.isLong ? `. ${instead(m)}` : ""}`,
  try_one: (m: Failing) =>
    `${m.isLong ? `${heldWords(m)}; ${m.holdS} s may be too long.` : `Hold ${m.bout} may fail after ${m.second} s.`} Try one, stop when the position goes: that hold tells how long this person holds. To be sure: ${lowerFirst(instead(m))}.`,
  seconds: (m: Broken, f: Format) =>
    `holds may last ${m.most} s at most, because ${reasonsWords(m.because, f)}: shorten the hold`,
  effort: (m: Broken, f: Format) =>
    `it asks for ${percent(m.asked, f)} of maximum; holds may use ${m.most} % at most, because ${reasonsWords(m.because, f)}: lower the effort`,
  felt: (m: Broken, f: Format) =>
    `felt effort ${m.asked} is above ${m.most}, the most that is allowed, because ${reasonsWords(m.because, f)}: lower it`,
  felt_predicted: (m: Broken, f: Format) =>
    `it is predicted to feel like ${half(m.asked)} of 10 at the end; ${m.most} is the most that is allowed, because ${reasonsWords(m.because, f)}: lower the effort or rest longer`,
  meant_felt: (m: { felt: number; share: number }, f: Format) =>
    `Was felt effort meant? 60 to 70 % held for 30 s and more is nearly always a felt effort of 6 to 7 of 10. For these holds, felt ${m.felt} at the end of the last one is about ${percent(m.share, f)} of maximum.`,
};

/** What there is to say about the order of a session, each with what to do. */
export const order = {
  heavy_first:
    "Heavy work comes first here: put one or two light sets or holds before it, as a warm-up in either school.",
  ramp: (m: { name: string }) =>
    `${m.name} is heavy from the first repetition: climb to it in two or three ramp sets.`,
  while_fresh: "Heavy supported work is done while fresh: move it up, before what tires the same muscles.",
  isolation:
    "Hard isolation stands before the press or squat: move it behind, or make it light as a warm-up.",
  two_holds: "Two heavy holds of one joint stand in a row: put other work between them, or ease one.",
  holds_ease: "Holds eased the marked movement twice: keep them in front of moving work.",
  holds_do_not_ease:
    "In four visits holds did not ease the marked movement: let moving work go first, while it is fresh.",
  tired_calves: (m: { name: string }) =>
    `Tired calves before ${m.name} cost balance: move the calves behind it.`,
  calves_last: "Calves come last unless they are the aim: move them to the end.",
  pins_in:
    "Calves on the press plate: safety pins in before the first repetition; the load of the press may stay.",
  other_leg:
    "The other leg gets less than half of this one's work: fine where that is meant, else do lines in turns, weaker leg first.",
};
