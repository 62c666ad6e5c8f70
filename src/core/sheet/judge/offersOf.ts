import type { KeptOffers } from "../line/keptLine";
import { repsLadder } from "../line/repsLadder";
import { isPlainSets } from "../schemes/scheme";
import type { JudgedLine, ScoreContext } from "./judgeScore";

/** Real loads that are offered lie between these shares of the planned one. */
const LEAST_SHARE = 0.5;
const MOST_SHARE = 1.6;
const MOST_LOADS = 80;

/** What a line's sets may become while it is run; null where they stay as planned. Rule L8. */
export function offersOf(judged: JudgedLine, { sheet }: ScoreContext): KeptOffers | null {
  const { line, load } = judged;
  const ladder = repsLadder(line);
  if (!ladder || !load) return null;
  const { scheme } = line;
  if (!isPlainSets(scheme)) return null;
  const { setting, open } = load;
  const rules = { reserve: scheme.reserve, ...ladder, care: sheet.strength.care };
  // at home nobody stands by: the body alone, and of that repetitions only
  if (sheet.isAtHome) return setting && setting.load === 0 ? { ...rules, loads: [] } : null;
  const near = (setting?.loads ?? []).filter(
    (l) =>
      open !== null &&
      l.load >= open.least - 1e-6 &&
      l.load <= open.most + 1e-6 &&
      (setting === null ||
        setting.load === 0 ||
        (l.load >= LEAST_SHARE * setting.load && l.load <= MOST_SHARE * setting.load)),
  );
  return {
    ...rules,
    loads: near.slice(0, MOST_LOADS).map((l) => ({ loadKg: l.load, how: l.how })),
  };
}
