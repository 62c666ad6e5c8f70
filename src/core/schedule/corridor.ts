import { daysBetween } from "../units/days";

/** A visit as the sore tissue met it: how much it was given, and how the morning after was; null: nobody answered. */
export interface TissueVisit {
  day: string;
  dose: number;
  morning: "well" | "sore" | null;
}

/** What this joint takes in one visit, by its own mornings. */
export interface Corridor {
  /** went well: the second largest of six weeks, since the last sore morning; null: not twice yet */
  well: number | null;
  /** was sore: the middle of the last three; null: never */
  sore: number | null;
  /** a visit stays below it */
  most: number;
  /** fewer mornings stand than it takes to be more than a guess */
  isGuess: boolean;
}

const WEEKS_DAYS = 42;
const LAST_SORE = 3;
/** Of what was sore, and of what went well. Rule W4 [own]. */
const OF_SORE = 0.9;
const OF_WELL = 1.25;
const SURE_MORNINGS = 6;
/** Where nothing went well yet, or nothing since it was sore: so many sets of ten at 60 %, and never less than half [own]. */
const START = { low: 4, careful: 3 } as const;
/** Where nothing is sore that could be told apart, only mornings say. */
const NO_START = 99;
/** Sets come whole: one of ten at 60 % may always be added to what went well [own]. */
const ONE_SET = 1;
/** A sore morning is overruled by so many good ones after nearly as much, or before it after clearly more: chance makes a morning sore too [own]. */
const OVERRULED_BY = 3;
const OVERRULES_FROM = { after: 0.75, before: 1.25 } as const;

/** What this joint took and what it did not, before a day. Rule W4. */
export function corridorOf(
  visits: readonly TissueVisit[],
  today: string,
  /** `isTold`: which part is sore can be told apart by the work that loads it */
  who: { irritability: "low" | "moderate" | "high"; isTold: boolean },
): Corridor {
  const known = visits
    .filter((v) => v.morning !== null && v.day < today && daysBetween(v.day, today) <= WEEKS_DAYS)
    .sort((a, b) => a.day.localeCompare(b.day));
  const wells = known.filter((v) => v.morning === "well");
  const isOverruled = (v: TissueVisit) =>
    wells.filter((w) => w.dose >= OVERRULES_FROM[w.day > v.day ? "after" : "before"] * v.dose).length >=
    OVERRULED_BY;
  const sores = known.filter((v) => v.morning === "sore" && !isOverruled(v)).slice(-LAST_SORE);
  const since = sores.at(-1)?.day ?? "";
  const well = wells
    .filter((v) => v.day > since)
    .map((v) => v.dose)
    .sort((a, b) => b - a)[1];
  const byDose = sores.map((v) => v.dose).sort((a, b) => a - b);
  const sore = byDose[Math.floor(byDose.length / 2)];
  const start = !who.isTold ? NO_START : who.irritability === "low" ? START.low : START.careful;
  const grown = Math.max(start, ...(well === undefined ? [] : [OF_WELL * well, well + ONE_SET]));
  const most = Math.max(
    Math.min(start, START.low) / 2,
    Math.min(grown, sore === undefined ? grown : OF_SORE * sore),
  );
  return { well: well ?? null, sore: sore ?? null, most, isGuess: known.length < SURE_MORNINGS };
}
