import { isFrail } from "@/core/drafts/person/frailty";
import { EXERCISES } from "@/core/rules/exercises";
import type { Muscle } from "@/core/schedule/balance";
import { bodyOf, morningAfter, weekPasses } from "./body";
import { chanceOf } from "./chance";
import { aimedOf, careOf, clientOf, strengthOn } from "./client";
import type { TrialPerson } from "./person";
import { bexlo } from "./policies/bexlo";
import { card, clairvoyant, textbook } from "./policies/others";
import type { Policy } from "./policies/policy";
import type { OnDay } from "./visit";

export const POLICIES = { bexlo, card, textbook, clairvoyant } as const satisfies Record<
  string,
  (p: TrialPerson) => Policy
>;
export type PolicyName = keyof typeof POLICIES;

/** What sixteen weeks came to. */
export interface Course {
  name: string;
  kind: string;
  policy: PolicyName;
  /** true strength of what the phase is for, over the start */
  gain8: number;
  gain16: number;
  flares: number;
  swellings: number;
  sets: number;
  failed: number;
  /** really effective sets a week of what the phase is for */
  effectiveSets: number;
  visits: number;
  hasQuit: boolean;
  /** after surgery, easily stirred up or frail at the start: held to stricter aims */
  isStrict: boolean;
  /** the hardest set against what could be lifted once that day */
  worstShare: number;
  crossings: number;
  outsideLimits: number;
  deadEnds: number;
  /** how often each rule decided what: of Bexlo alone */
  decisions: Record<string, number>;
}

const WEEKS = 16;
/** A machine that leaves the knee quiet is moved once with so much of the body's mass. */
const QUIET_OF_MASS = 0.6;
const BY_ID = new Map(EXERCISES.map((e) => [e.id, e]));

/** Condition and phase at the start: who is alike. */
const kindOf = (p: TrialPerson): string => `${p.condition} ${p.phase}`;

/** One person's sixteen weeks under one policy; the same chance for every policy. */
export function live(
  p: TrialPerson,
  policy: PolicyName,
  seed: number,
  make: (p: TrialPerson) => Policy = POLICIES[policy],
): Course {
  const chance = chanceOf(seed);
  const body = bodyOf(p, chance);
  const client = clientOf(p);
  const aimed = aimedOf(client);
  const strength = strengthOn(client, [], "2026-01-05", 0);
  // before anything is known: what the middle of such people can do
  const believedNm: OnDay["believedNm"] = (s) =>
    s.direction
      ? Math.exp(strength[s.direction].peak.mean)
      : s.family === "quiet"
        ? QUIET_OF_MASS * p.massKg
        : null;
  const way = make(p);
  const course = {
    flares: 0,
    swellings: 0,
    sets: 0,
    failed: 0,
    visits: 0,
    worstShare: 0,
    effective: 0,
    crossings: 0,
    gain8: 0,
  };
  const gain = () => aimed.reduce((sum, m) => sum + body.strength[m] - 1, 0) / aimed.length;
  for (let week = 0; week < WEEKS; week++) {
    const effective: Partial<Record<Muscle, number>> = {};
    const { awayFromWeek, awayWeeks } = p.truth;
    const isAway = awayFromWeek !== null && week >= awayFromWeek && week < awayFromWeek + (awayWeeks ?? 0);
    for (const day of isAway || body.hasQuit ? [] : way.week(week)) {
      if (body.hasQuit || chance.share() > p.truth.attends) continue;
      const on: OnDay = {
        ...{ p, body, chance, day, region: client.condition.main_region, believedNm },
        exerciseOf: (id) => BY_ID.get(id) ?? null,
      };
      const did = way.run(on);
      if (!did) continue;
      course.visits++;
      course.sets += did.sets;
      course.failed += did.failed;
      course.crossings += did.crossings;
      course.worstShare = Math.max(course.worstShare, did.worstShare);
      for (const m of Object.keys(did.effective) as Muscle[])
        effective[m] = (effective[m] ?? 0) + (did.effective[m] ?? 0);
      const morning = morningAfter(body, chance, did.dose, day);
      if (morning.isFlare) course.flares++;
      if (morning.isSwollen) course.swellings++;
      const said = { ...morning, pain: Math.max(0, morning.pain - Math.round(body.keepsBack)) };
      way.heard(chance.share() < p.truth.answers ? said : null, day);
    }
    weekPasses(body, effective);
    course.effective += aimed.reduce((sum, m) => sum + (effective[m] ?? 0), 0) / aimed.length / WEEKS;
    if (week === 7) course.gain8 = gain();
  }
  return {
    ...{ name: p.name, kind: kindOf(p), policy, gain8: course.gain8 },
    isStrict: careOf(client) === "strict" || isFrail({ ageYears: p.ageYears, normSex: p.norm, rises: null }),
    ...{ flares: course.flares, swellings: course.swellings, sets: course.sets, failed: course.failed },
    ...{
      visits: course.visits,
      crossings: course.crossings,
      worstShare: course.worstShare,
      effectiveSets: course.effective,
    },
    // who gave up has gained nothing
    gain16: body.hasQuit ? 0 : gain(),
    hasQuit: body.hasQuit,
    ...way.faults(),
  };
}
