import type { QuestionId } from "@/core/selection/rank/questions";
import type { MuscleGroup } from "@/core/selection/rank/rangeSheet";
import type { TermSaid } from "@/core/selection/rank/rank";
import type { Tissue } from "@/core/selection/tissue/tissues";
import type { Said } from "@/core/units/said";
import { upperFirst } from "@/core/units/upperFirst";
import type { Format } from "../../format";
import { becauseOfCuts } from "./setUp";

/** What an exercise trains most. */
export const GROUPS: Readonly<Record<MuscleGroup, string>> = {
  front_thigh: "Front of the thigh",
  back_thigh: "Back of the thigh",
  buttock: "Buttock",
  hip: "Inner and outer hip",
  calf: "Calf",
  trunk: "Trunk",
};

export const TISSUES: Readonly<Record<Tissue, { name: string; unit: string }>> = {
  kneecap: { name: "kneecap joint", unit: "chair rises" },
  forward: { name: "shin pulled forward", unit: "N" },
  backward: { name: "shin pulled back", unit: "N" },
  back: { name: "low back rounded", unit: "°" },
};

/** Below this a tenth of a chair rise would read as none. */
const NEXT_TO_NONE = 0.05;

/** As coarse as the model is sure: multiples of a chair rise to a tenth, newtons to fifty, degrees to five; null: none. */
function coarse(tissue: Tissue, value: number): string | null {
  switch (tissue) {
    case "kneecap":
      return value < NEXT_TO_NONE ? null : `${value.toFixed(1)} ×`;
    case "forward":
    case "backward":
      return value === 0 ? null : `${Math.round(value / 50) * 50} N`;
    case "back":
      return value < 2.5 ? null : `${Math.round(value / 5) * 5}°`;
  }
}

const NONE: Readonly<Record<Tissue, { alone: string; on: string }>> = {
  kneecap: { alone: "next to no load", on: "next to no load on the kneecap joint" },
  forward: { alone: "no pull", on: "no forward pull on the shin" },
  backward: { alone: "no pull", on: "no backward pull on the shin" },
  back: { alone: "no rounding", on: "no rounding of the low back" },
};
const ON: Readonly<Record<Tissue, string>> = {
  kneecap: " on the kneecap joint",
  forward: " of forward pull on the shin",
  backward: " of backward pull on the shin",
  back: " of rounding of the low back",
};

const some = (tissue: Tissue, amount: string): string =>
  tissue === "kneecap" ? `${amount} a chair rise` : `about ${amount}`;

/** A tissue's load. */
export function tissueWords(tissue: Tissue, value: number): string {
  const amount = coarse(tissue, value);
  return amount === null ? NONE[tissue].alone : some(tissue, amount);
}

/** The same for a narrow place. */
export function tissueShort(tissue: Tissue, value: number): string {
  const amount = coarse(tissue, value);
  if (amount === null) return "none";
  return tissue === "kneecap" ? amount : `~${amount}`;
}

/** The same as what lies on the tissue, for a sentence. */
export function tissuePhrase(tissue: Tissue, value: number): string {
  const amount = coarse(tissue, value);
  return amount === null ? NONE[tissue].on : `${some(tissue, amount)}${ON[tissue]}`;
}

function termWords(t: TermSaid, isFor: boolean, isGoalAsked: boolean, f: Format): string {
  switch (t.term) {
    case "works":
      return `${["hardly any", "some", "much", "the most"][t.emphasis]} of this muscle group`;
    case "effort":
      if (!t.isComputed) return isFor ? "enough load" : "little load";
      return t.meanShare === null
        ? "an effort the curve says nothing about"
        : `${f.number(t.meanShare * 100)} % of its own strength on average`;
    case "range":
      if (t.isHold) return isFor ? "holds come first here" : "one angle only";
      return t.widthDeg === null ? "its whole range" : `${f.number(t.widthDeg)}° of bend`;
    case "goal":
      if (!isFor) return isGoalAsked ? "others serve more of the goals" : "no goal asks for it";
      return `it serves "${t.goal}"`;
    case "tissue":
      return t.peak === null ? "no computed load on the knee" : tissuePhrase(t.tissue, t.peak);
    case "ease":
      if (typeof t.because === "object")
        return `even its least load is too heavy: ${f.say(t.because.tooHeavy)}`;
      return {
        by_hand: "hands hold it, less exactly than a machine",
        not_here: "this gym has no such machine",
        alone: "with nobody near it can come down on the client",
        unlock: "a therapist has to unlock it, by a set-up card",
        demanding: "harder to do or to set",
      }[t.because];
  }
}

/** What speaks for a row of the sheet and against it, and why one is barred. */
export const choose = {
  ranked: (m: { lifts: readonly TermSaid[]; against: TermSaid | null }, f: Format) => {
    const against = m.against
      ? `; against it, ${termWords(m.against, false, m.against.term === "goal" && m.against.goal !== null, f)}`
      : "";
    return `For it: ${m.lifts.map((t) => termWords(t, true, true, f)).join(" and ")}${against}.`;
  },
  no_angle: "limits and the measured motion leave no knee angle for it",
  few_degrees: (m: { deg: number; cuts: readonly Said[] }, f: Format) =>
    `only ${m.deg}° are left${becauseOfCuts(m.cuts, f)}`,
  about_load: (m: { kg: number }, f: Format) => `about ${f.kg(m.kg, 0)}`,
};

interface Named {
  name: Said;
}
const times = (ratio: number): string => ratio.toFixed(1);
const cm = (m: number): string => `${Math.round(m * 100)} cm`;
const fifty = (n: number): number => Math.round(n / 50) * 50;

type Force = Named & { forceN: number; armM: number };
type Hip = Named & { hipNm: number; kneeNm: number; hipArmM: number; kneeArmM: number };
type Pull = Named & { forwardN: number; backwardN: number };
type Back = Named & { roundsDeg: number; askedDeg: number; thereDeg: number };

/** Levers explain a difference only where they differ; else the loads or the legs do. */
const leverWords = (armMoreM: number, armLessM: number): string => {
  const found = `Its line passes the knee at ${cm(armMoreM)}, the other's at ${cm(armLessM)}`;
  return armLessM > 1.1 * armMoreM
    ? `${found}; a shorter lever needs more force for the same work of the knee.`
    : `${found}: the levers explain little of it, the knee is asked for more.`;
};
const split = (c: Hip): string =>
  `${Math.round(c.hipNm)} N·m at the hip and ${Math.round(c.kneeNm)} at the knee`;
const pullWords = (c: Pull): string =>
  c.forwardN > 0
    ? `pulls the shin forward by about ${fifty(c.forwardN)} N`
    : c.backwardN > 0
      ? `pulls it back by about ${fifty(c.backwardN)} N`
      : "pulls it neither way";
const hipBend = (c: Back): string =>
  `${Math.round(c.askedDeg)}° of hip bend asked, about ${Math.round(c.thereDeg)}° there`;

/** Questions that are asked again and again, and what their two sides are called. */
export const QUESTIONS: Readonly<Record<QuestionId, { ask: string; sides: readonly [string, string] }>> = {
  "press-heavier": {
    ask: "Why can one push so much more on the press?",
    sides: ["the press", "the extension"],
  },
  "feet-high": { ask: "Why do feet placed high work the hip?", sides: ["feet high", "feet low"] },
  "feet-near-rail": {
    ask: "Why do feet too near the rail stress the knee?",
    sides: ["feet near", "feet ahead"],
  },
  "sled-rounds": { ask: "Why can a 45° sled round the back?", sides: ["the sled", "the level press"] },
  "standing-extension": {
    ask: "When does a standing straightening spare the front ligament?",
    sides: ["trunk over the foot", "leaning back"],
  },
};

/** Why two set-ups differ at an angle, in numbers. */
export const compare = {
  alike: "At this angle they differ by less than the model is sure of. Move the angle, or change a setting.",
  force: (m: { ratio: number; more: Force; less: Force }, f: Format) =>
    upperFirst(
      `${f.say(m.more.name)} takes ${times(m.ratio)} times the force of ${f.say(m.less.name)}: ${Math.round(m.more.forceN)} N against ${Math.round(m.less.forceN)} N on each leg. ${leverWords(m.more.armM, m.less.armM)}`,
    ),
  hip: ({ hip, knee }: { hip: Hip; knee: Hip }, f: Format) =>
    upperFirst(
      `${f.say(hip.name)} works more at the hip: ${split(hip)}; ${f.say(knee.name)} ${split(knee)}. The force passes ${cm(hip.hipArmM)} from the hip and ${cm(hip.kneeArmM)} from the knee there, ${cm(knee.hipArmM)} and ${cm(knee.kneeArmM)} here.`,
    ),
  kneecap: (m: { more: Named & { times: number }; less: Named & { times: number } }, f: Format) =>
    `The kneecap joint carries ${times(m.more.times)} chair rises on ${f.say(m.more.name)}, ${times(m.less.times)} on ${f.say(m.less.name)}: it follows what the front of the thigh has to give.`,
  pull: ({ a, b }: { a: Pull; b: Pull }, f: Format) =>
    upperFirst(
      `${f.say(a.name)} ${pullWords(a)}, ${f.say(b.name)} ${pullWords(b)}. A forward pull strains the front cruciate ligament, a backward one the rear; both change sign with where the force passes and how the trunk leans.`,
    ),
  back: ({ more, less }: { more: Back; less: Back }, f: Format) =>
    upperFirst(
      `${f.say(more.name)} rounds the low back by about ${Math.round(more.roundsDeg / 5) * 5}° (${hipBend(more)}); ${f.say(less.name)}: ${hipBend(less)}. It hangs on the angle between back and rail, not on the name of the machine.`,
    ),
  side: (m: { question: QuestionId; side: number }) => QUESTIONS[m.question].sides[m.side] ?? "",
};
