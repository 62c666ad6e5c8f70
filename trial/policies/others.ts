import { demandOf } from "../body";
import type { TrialPerson } from "../person";
import { forReps, loadUnder, type PlainLine, plain, trueDose, trueNm } from "./plain";
import type { Policy } from "./policy";

const stepUp = (l: PlainLine, n: number): number => {
  const i = l.loads.indexOf(l.loadKg);
  return i < 0 ? l.loadKg : (l.loads[Math.max(0, Math.min(l.loads.length - 1, i + n))] ?? l.loadKg);
};

/** Three times ten at a guessed load, a step a week if all was done, a tenth less after a flare. */
export const card = (p: TrialPerson): Policy => {
  let ok = true;
  return plain(p, {
    daysAWeek: 3,
    begin: (l, on) => {
      const { station } = l.kept;
      const guessed = station && on.believedNm(station);
      l.loadKg = guessed ? loadUnder(l, 0.6 * guessed) : l.loadKg;
    },
    heard: (lines, went) => {
      ok &&= went.allDone;
      for (const l of lines) if (went.isFlare) l.loadKg = stepUp(l, -1);
      if (!went.isLastOfWeek) return;
      if (ok) for (const l of lines) l.loadKg = stepUp(l, 1);
      ok = true;
    },
  });
};

const TEST_SD = 0.08;
const RETEST_DAY = 49;

/** Three times ten at 70 % of what a test said, twice a week, tested again at week eight. */
export const textbook = (p: TrialPerson): Policy => {
  let isRetested = false;
  const test = (l: PlainLine, on: Parameters<typeof trueNm>[1]) => {
    l.loadKg = loadUnder(l, 0.7 * trueNm(l, on) * Math.exp(TEST_SD * on.chance.normal()));
  };
  return plain(p, {
    daysAWeek: 2,
    begin: test,
    plan: (lines, on) => {
      if (isRetested || on.day < RETEST_DAY) return;
      isRetested = true;
      for (const l of lines) test(l, on);
    },
  });
};

const REPS = 8;
const LEFT = 3;
const MOST_SETS = 4;
const OF_TISSUE = 1.1;

/** Knows strength and tissue, and is bound by the limits alone. */
const demandIn = (l: PlainLine): number => (l.kept.station ? demandOf(l.kept.station, l.loadKg) : 0);

export const clairvoyant = (p: TrialPerson): Policy =>
  plain(p, {
    daysAWeek: 3,
    isAllKnowing: true,
    begin: () => {},
    plan: (lines, on) => {
      for (const l of lines) {
        const peak = forReps(trueNm(l, on), l, REPS + LEFT);
        const open = { ...l, loads: l.loads.filter((kg) => l.mostKg === null || kg <= l.mostKg + 1e-6) };
        l.loadKg = loadUnder(open, peak);
        l.reps = REPS;
        // where even the lightest is too much, nothing is gained by trying
        const isTooMuch = l.kept.station !== null && trueNm(l, on) > 0 && demandIn(l) > trueNm(l, on);
        l.sets = isTooMuch ? 0 : MOST_SETS;
      }
      const dose = () => lines.reduce((sum, l) => sum + trueDose(l, on), 0);
      // a set less of what weighs most on the tissue, until it fits
      while (dose() > OF_TISSUE * on.body.takes) {
        const [most] = lines
          .filter((l) => l.sets > 0)
          .sort((a, b) => trueDose(b, on) - trueDose(a, on) || b.sets - a.sets);
        if (!most) break;
        most.sets--;
      }
    },
  });
