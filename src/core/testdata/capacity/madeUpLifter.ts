import { begin, drift } from "../../capacity/filter";
import { PROVES_FOR_DAYS } from "../../capacity/learn";
import { nextSet } from "../../capacity/nextSet";
import { type DoneSet, provedBy, seeVisit } from "../../capacity/observe";
import { type Care, shows, zOf } from "../../capacity/shows";
import { demandNm, type Station } from "../../capacity/station";
import { kFactorUnbounded } from "../../strength/repetitionMaximum";
import { loadFor } from "./loadFor";

/** One machine with a lever, and a stack with fine steps. */
export const LEVER: Station = {
  id: "lever",
  eta: 1,
  isOwn: false,
  repetitionsFactor: 1,
  angles: [{ bareNm: 10, perKgNm: 1.5, shape: 1 }],
};
export const FINE_STACK = Array.from({ length: 100 }, (_, i) => 2.5 + 2.5 * i);
const LADDER = { least: 8, most: 12 };
const VISITS = 12;
const SETS = 3;

/** Repetitions that a multiple of a load allows: the table's inverse. */
const TABLE = Array.from({ length: 2000 }, (_, i) => kFactorUnbounded(i / 40));
function repetitionsAt(ratio: number): number {
  if (ratio <= 1) return ratio;
  let [low, high] = [40, 1999];
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if ((TABLE[middle] as number) < ratio) low = middle;
    else high = middle;
  }
  return low / 40;
}

export interface Convergence {
  /** percent of people in each visit */
  within12: number[];
  over15: number[];
  /** percent of sets of each visit */
  failed: number[];
  inBand: number[];
}

/**
 * Made-up people whose truth lies further off than is believed: the start by `sd`, the station by a fifth. Each lives
 * twelve visits by what the product's own functions say; `proves`: what was lately done is not doubted, as in the product.
 */
export function converge(
  people: number,
  {
    sd,
    care,
    reserve,
    days,
    proves,
  }: { sd: number; care: Care; reserve: number; days: number; proves: boolean },
): Convergence {
  let seed = 12345;
  const random = () => {
    seed = (seed * 1664525 + 1013904223) >>> 0;
    return seed / 2 ** 32;
  };
  const gauss = () => Math.sqrt(-2 * Math.log(random() + 1e-12)) * Math.cos(2 * Math.PI * random());
  const count = () => Array.from({ length: VISITS }, () => 0);
  const [right, over, failed, sets, inside] = [count(), count(), count(), count(), count()];
  const add = (to: number[], v: number) => {
    to[v] = (to[v] as number) + 1;
  };
  for (let p = 0; p < people; p++) {
    const peakNm = 90 + 180 * random();
    let truth = peakNm * Math.exp(gauss() * sd + gauss() * 0.2);
    const bias = 1 + 1.2 * gauss();
    let belief = begin({ peakNm, sd: 0.3 }, [{ id: LEVER.id, sd: 0.2, isOwn: false }]);
    let kept: { loadKg: number; reps: number } | null = null;
    let top = 0;
    const proofs: { day: number; ln: number }[] = [];
    for (let v = 0; v < VISITS; v++) {
      truth *= 1.006;
      const day = truth * Math.exp(0.04 * gauss());
      if (v > 0) belief = drift(belief, days, days);
      const shown = shows(belief, LEVER.id);
      const aim = { reps: LADDER.least, reserve };
      const lately = proofs.filter((x) => v * days - x.day <= PROVES_FOR_DAYS).map((x) => x.ln);
      const proved = proves && lately.length > 0 ? Math.max(...lately) : null;
      const learnt = loadFor(shown, LEVER, FINE_STACK, aim, zOf(shown.sd, care), proved) ?? 2.5;
      if (!kept) kept = { loadKg: learnt, reps: LADDER.least };
      else {
        const held = demandNm(LEVER, top || kept.loadKg) * (care === "strict" ? 1.15 : 1.25);
        const most = Math.max(...FINE_STACK.filter((l) => demandNm(LEVER, l) <= held));
        if (Math.min(learnt, most) > kept.loadKg)
          kept = { loadKg: Math.min(learnt, most), reps: LADDER.least };
      }
      let next: { loadKg: number; reps: number } | null = kept;
      let best = 0;
      let rises = 0;
      const did: (DoneSet & { planned: number })[] = [];
      for (let j = 0; j < SETS && next; j++) {
        const can = repetitionsAt((day * (1 - 0.02 * j)) / demandNm(LEVER, next.loadKg));
        const reps = Math.min(next.reps, Math.floor(can));
        const isFailed = reps < next.reps;
        const left = can - reps;
        const said = Math.round(left - bias + gauss() * (0.5 + 0.25 * left));
        const set: DoneSet & { planned: number; reserve: number } = {
          loadKg: next.loadKg,
          planned: next.reps,
          reps,
          reserve: isFailed ? 0 : Math.min(10, Math.max(0, said)),
          ended: isFailed ? "muscle" : "planned",
          isStrict: care === "strict",
        };
        best = Math.max(best, demandNm(LEVER, set.loadKg) * kFactorUnbounded(set.planned + reserve));
        did.push(set);
        add(sets, v);
        if (isFailed) add(failed, v);
        const offered = nextSet(
          LEVER,
          { ...set, plannedReps: set.planned },
          { reserve, ladder: LADDER, care, loads: FINE_STACK },
        );
        const isUp = offered && (offered.loadKg > set.loadKg || offered.reps > set.planned);
        if (isUp && rises >= (care === "strict" ? 1 : 2)) next = { loadKg: set.loadKg, reps: set.planned };
        else {
          next = offered;
          if (isUp) rises++;
        }
      }
      const off = Math.log(best / truth);
      if (Math.abs(off) < 0.12) add(right, v);
      if (best / truth > 1.15) add(over, v);
      belief = seeVisit(belief, LEVER, did).belief;
      for (const set of did) proofs.push({ day: v * days, ln: provedBy(LEVER, set) ?? 0 });
      const well = did.filter((x) => x.ended === "planned" && (x.reserve ?? 0) >= reserve - 1);
      if (well.length > 0) top = Math.max(top, ...well.map((x) => x.loadKg));
      const lastWell = well.at(-1);
      const last = did.at(-1);
      if (lastWell) kept = { loadKg: lastWell.loadKg, reps: lastWell.planned };
      else if (last?.ended === "muscle") {
        const less = nextSet(
          LEVER,
          { ...last, plannedReps: last.planned },
          { reserve, ladder: LADDER, care: "low", loads: FINE_STACK },
        );
        if (less) kept = { loadKg: less.loadKg, reps: LADDER.least };
      }
      const band = shows(belief, LEVER.id);
      if (Math.abs(Math.log(truth) - band.mean) < 1.28 * band.sd) add(inside, v);
    }
  }
  const percent = (of: number[], all: number | number[]) =>
    of.map((n, v) => (100 * n) / (typeof all === "number" ? all : (all[v] as number)));
  return {
    within12: percent(right, people),
    over15: percent(over, people),
    failed: percent(failed, sets),
    inBand: percent(inside, people),
  };
}
