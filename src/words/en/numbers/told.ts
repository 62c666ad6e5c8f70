import type { Action } from "@/core/progression/safetyRules";
import { lowerFirst } from "@/core/units/lowerFirst";
import type { Said } from "@/core/units/said";
import type { Format } from "../../format";

const cm = (m: number): string => `${Math.round(m * 100)} cm`;
const times = (x: number): string => (x < 0.05 ? "next to nothing" : `${x.toFixed(1)} chair rises`);
const ESTIMATED = "Estimated by a model of this body; it compares, it does not measure.";
const DIFFERS = "On another machine the same number means something else.";

/** Answers for the client's eyes: few words, with the client's own numbers. */
export const told = {
  estimated: ESTIMATED,
  estimated_rise: `${ESTIMATED} One chair rise is you, rising from 46 cm.`,
  not_reached: (m: { deg: number }) => `At ${m.deg}° the model does not reach both. Move the knee.`,
  same_work: (m: { nm: number; deg: number }) =>
    `Your knee does the same work on both: ${Math.round(m.nm)} N·m at ${m.deg}°.`,
  press_harder: (m: { ratio: number; armM: number }) =>
    `The press pushes ${m.ratio.toFixed(1)} times as hard, because its push passes your knee at only ${cm(m.armM)}.`,
  longer_lever: (m: { armM: number }) =>
    `The extension's pad pulls at ${cm(m.armM)}: a longer lever needs less force.`,
  push_then: (m: { kg: number; on: string }, f: Format) =>
    `On ${f.day(m.on)} your leg could push about ${f.kg(Math.round(m.kg))} at the shin.`,
  push_now: (m: { kg: number; isMore: boolean; isSure: boolean }, f: Format) =>
    `Now it is about ${f.kg(Math.round(m.kg))}${m.isSure ? (m.isMore ? ": it has become stronger" : ": it has lost some") : ", which is as much as can be told apart"}.`,
  learnt_from: (m: { n: number }) => `This is learnt from ${m.n} tests and visits of yours.`,
  push_sure: (m: { share: number }) =>
    `Estimated from everything you did; it may be off by ${Math.round(100 * m.share)} % either way.`,
  kneecap_carries: (m: { deg: number; times: number; name: Said }, f: Format) =>
    `At ${m.deg}° your kneecap carries ${times(m.times)} on ${f.say(m.name)}.`,
  kneecap_other: (m: { times: number; name: Said }, f: Format) =>
    `On ${f.say(m.name)} it is ${times(m.times)}.`,
  hardly_matters: "Here it hardly matters which. Bend the knee and look again.",
  kinder: (m: { name: Said }, f: Format) => `Here ${f.say(m.name)} is kinder to it.`,
  hold_carries: (m: { deg: number; holdS: number | null; times: number }) =>
    `You hold at ${m.deg}°${m.holdS === null ? "" : ` for ${Math.round(m.holdS)} seconds`}: your kneecap carries ${times(m.times)}, and nothing moves.`,
  moving_no_more: "Moving would load it no more; the hold lets you choose the one angle that feels well.",
  moving_reaches: (m: { times: number; deg: number }) =>
    `Moved all the way it would reach ${times(m.times)}, at ${m.deg}°.`,
  next_angle: "The muscle works as hard. When this angle is quiet, the next one follows.",
  what_is_set: (m: { how: string; on: string }) => `“${m.how}” is what you set on ${m.on}.`,
  knee_feels: (m: { nm: number; deg: number }) =>
    `Your knee feels it as ${Math.round(m.nm)} N·m, most of all at ${m.deg}°.`,
  number_differs: DIFFERS,
  rises: (m: { riseNm: number; rises: number }) =>
    `One chair rise asks ${Math.round(m.riseNm)} N·m of each leg: this is ${m.rises.toFixed(1)} of them. ${DIFFERS}`,
};

/** A decision as it is told to the client: what comes next, and why. */
export interface ToldDecision {
  line: string;
  action: Action;
  sentence: string;
  reasons: readonly string[];
}

const OPENINGS: Readonly<Record<Action, string>> = {
  PROGRESS: "Today it goes a step on.",
  HOLD: "Today it stays as it is.",
  REGRESS: "Today is a step back.",
  STOP_REFER: "This is stopped, and somebody looks at it.",
};
const CLOSINGS: Readonly<Record<Action, string>> = {
  PROGRESS: "A step on is small on purpose.",
  HOLD: "Staying is work too: the knee gets used to it.",
  REGRESS: "A step back is part of the plan. It is taken again when two visits have gone well.",
  STOP_REFER: "Nothing is lost. It is planned anew when it is clear what it was.",
};

/** Why today is what it is, in three short sentences; the reasons are those that the decision was taken by. */
export const whyNext = (d: ToldDecision): string[] => [
  `${d.line}: ${lowerFirst(OPENINGS[d.action])}`,
  ...d.reasons.slice(0, 2).map((r) => `Because ${r.replace(/[.]$/, "")}.`),
  d.sentence,
  CLOSINGS[d.action],
];
