/** Writes the trial's own made-up people: `npx tsx trial/makePeople.mts > trial/people.json`. */
import { normal, seededRandom } from "../src/devices/simulated/random";
import type { TrialPerson } from "./person";

type Kind = Pick<TrialPerson, "condition" | "variant" | "phase" | "week" | "irritability" | "place"> & {
  name: string;
  ages: [number, number];
  usual: number;
  site: string;
  goals: string[];
  potential: number;
  takes: number;
  sd: number;
};

const KINDS: Kind[] = [
  {
    name: "arthritis",
    condition: "knee_oa",
    variant: "moderate",
    phase: "build",
    week: 3,
    irritability: "moderate",
    place: "gym",
    ages: [55, 78],
    usual: 2,
    site: "inner_joint_line",
    goals: ["stairs", "low_chair"],
    potential: 1.35,
    takes: 4,
    sd: 0.35,
  },
  {
    name: "replacement",
    condition: "total_knee_replacement",
    variant: "standard",
    phase: "w6_12",
    week: 8,
    irritability: "moderate",
    place: "gym",
    ages: [58, 80],
    usual: 2,
    site: "front_of_knee",
    goals: ["stairs", "low_chair"],
    potential: 1.6,
    takes: 3,
    sd: 0.35,
  },
  {
    name: "graft early",
    condition: "acl_reconstruction",
    variant: "hamstring_graft",
    phase: "p3",
    week: 6,
    irritability: "low",
    place: "gym",
    ages: [17, 38],
    usual: 1,
    site: "front_of_knee",
    goals: ["sport"],
    potential: 1.6,
    takes: 3.5,
    sd: 0.35,
  },
  {
    name: "graft later",
    condition: "acl_reconstruction",
    variant: "patellar_tendon_graft",
    phase: "p5",
    week: 14,
    irritability: "low",
    place: "gym",
    ages: [17, 38],
    usual: 1,
    site: "front_of_knee",
    goals: ["run"],
    potential: 1.6,
    takes: 4.5,
    sd: 0.35,
  },
  {
    name: "kneecap",
    condition: "pfp",
    variant: "base",
    phase: "load",
    week: 3,
    irritability: "moderate",
    place: "gym",
    ages: [18, 45],
    usual: 2,
    site: "front_of_knee",
    goals: ["run", "stairs"],
    potential: 1.4,
    takes: 3,
    sd: 0.35,
  },
  {
    name: "tendon",
    condition: "extensor_tendinopathy",
    variant: "patellar",
    phase: "heavy_slow",
    week: 3,
    irritability: "low",
    place: "gym",
    ages: [20, 50],
    usual: 2,
    site: "front_of_knee",
    goals: ["sport"],
    potential: 1.5,
    takes: 4,
    sd: 0.35,
  },
  {
    name: "disc",
    condition: "lumbar_disc_flexion",
    variant: "back_only",
    phase: "build",
    week: 7,
    irritability: "moderate",
    place: "gym",
    ages: [30, 60],
    usual: 2,
    site: "low_back",
    goals: ["lift_floor"],
    potential: 1.4,
    takes: 4,
    sd: 0.35,
  },
  {
    name: "frail",
    condition: "deconditioning",
    variant: "base",
    phase: "restart",
    week: 1,
    irritability: "low",
    place: "gym",
    ages: [78, 88],
    usual: 1,
    site: "none",
    goals: ["low_chair", "walk_30"],
    potential: 1.35,
    takes: 2.5,
    sd: 0.35,
  },
  {
    name: "untrained",
    condition: "deconditioning",
    variant: "base",
    phase: "build",
    week: 5,
    irritability: "low",
    place: "gym",
    ages: [30, 55],
    usual: 0,
    site: "none",
    goals: ["lift_floor", "stairs"],
    potential: 1.5,
    takes: 6,
    sd: 0.35,
  },
  {
    name: "hip arthritis",
    condition: "hip_oa",
    variant: "moderate",
    phase: "build",
    week: 3,
    irritability: "moderate",
    place: "gym",
    ages: [55, 76],
    usual: 2,
    site: "hip",
    goals: ["walk_30", "stairs"],
    potential: 1.35,
    takes: 4,
    sd: 0.35,
  },
];
const EACH = 20;

const random = seededRandom(4711);
const between = (from: number, to: number) => from + (to - from) * random();
const round = (x: number, digits: number) => Math.round(x * 10 ** digits) / 10 ** digits;
const pick = <T,>(all: readonly T[]): T => all[Math.floor(random() * all.length)] as T;

const people: TrialPerson[] = KINDS.flatMap((k) =>
  Array.from({ length: EACH }, (_, i): TrialPerson => {
    const norm = random() < 0.5 ? ("female" as const) : ("male" as const);
    const heightM = round(between(1.55, 1.78) + (norm === "male" ? 0.1 : 0), 2);
    const isAway = random() < 0.25;
    return {
      name: `${k.name} ${i + 1}`,
      ...{ condition: k.condition, variant: k.variant, phase: k.phase, week: k.week },
      ageYears: Math.round(between(...k.ages)),
      massKg: round(between(21, 33) * heightM ** 2, 0),
      heightM,
      norm,
      side: pick(["left", "right"] as const),
      irritability: k.irritability,
      pain: { site: k.site, usual: k.usual, worst: k.usual + 2 },
      goal: pick(k.goals),
      rises: k.name !== "frail" && random() < 0.8,
      climbs: k.name !== "frail" && random() < 0.7,
      place: k.place,
      days: pick([
        [1, 3, 5],
        [1, 3, 6],
        [2, 4, 6],
        [1, 4],
        [2, 5],
      ]),
      minutes: pick([30, 45, 45, 60]),
      truth: {
        errorOfGuess: round(Math.exp(k.sd * normal(random)), 3),
        potential: round(Math.max(1.1, k.potential * Math.exp(0.08 * normal(random))), 3),
        takes: round(k.takes * Math.exp(0.35 * normal(random)), 2),
        reserveBias: round(1 + 1.2 * normal(random), 2),
        attends: 0.85,
        answers: 0.85,
        awayFromWeek: isAway ? Math.floor(between(3, 12)) : null,
        awayWeeks: isAway ? 2 : null,
      },
    };
  }),
);
process.stdout.write(`${JSON.stringify(people, null, 1)}\n`);
