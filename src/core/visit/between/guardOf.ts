import type { Irritability } from "../../progression/painRule";
import type { Stage } from "../../rules/conditions";
import { MUSCLES, type Muscle } from "../../schedule/balance";
import type { SetGuard } from "../../schedule/block/setGuard";
import { bandOf } from "../../sheet/effect/setBand";
import { daysBetween } from "../../units/days";
import { isSore, type PainKnown, type PastVisit } from "./offersAreOpen";

/** Mornings of so many days say how fast sets may grow; of them so many must have been answered, and within their rule. Rule W1. */
const MORNINGS_DAYS = 14;
const ANSWERED = 0.6;
/** A flare of these days lowers what the next week begins with. */
const FLARE_DAYS = 7;

/** Who a week of effective sets is guarded for, on a day. */
export interface GuardedFor extends PainKnown {
  today: string;
  irritability: Irritability;
  /** what the phase is for and the muscle groups that it is for first; null: no condition of the rules is named */
  aim: { stage: Stage; aimed: readonly Muscle[] } | null;
  isPartialWeight: boolean;
  /** what this joint takes in one visit. Rule W4 */
  mostTissue: number;
}

/** What a week of effective sets is held against, by the mornings of the last two weeks. Rule W1. */
export function guardOf(all: readonly PastVisit[], who: GuardedFor): SetGuard {
  const { aim, irritability } = who;
  const ago = (day: string) => daysBetween(day, who.today);
  const visits = all.filter((v) => ago(v.day) > 0 && ago(v.day) <= MORNINGS_DAYS);
  const well = visits.filter((v) => v.morning !== null && !isSore(v, who)).length;
  const isCareful = irritability === "high" || aim?.stage === "protect" || aim?.stage === "wake";
  return {
    bands: aim ? Object.fromEntries(MUSCLES.map((m) => [m, bandOf(aim.stage, m, aim.aimed)])) : {},
    step: !isCareful && visits.length > 0 && well >= ANSWERED * visits.length ? 2 : 1,
    isSore: visits.some((v) => ago(v.day) <= FLARE_DAYS && isSore(v, who)),
    mostTissue: who.mostTissue,
    isBar: irritability === "high" || who.isPartialWeight,
  };
}
