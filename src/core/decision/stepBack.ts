import { type StepSizes, stepSizes } from "../progression/stepSizes";
import type { JudgedLine } from "../sheet/judge/judgeScore";
import type { ScoreLine } from "../sheet/line/scoreInput";
import { type NextLine, stays, withScheme } from "./lineChange";
import { judgedOf, loadsOf, type NextFacts } from "./lineNow";
import { heightStep } from "./stepUp";

const LEAST_REPS = 3;
const FEWER_REPS = 2;
const SHORTER_BY_S = 10;
const LEAST_HOLD_S = 10;

/** A lighter real load, else fewer repetitions, a set less; nothing of it is ever more. Rule P1. */
export function stepBack(line: ScoreLine, facts: NextFacts): NextLine {
  const sizes = stepSizes(facts.school, facts.irritability);
  const judged = judgedOf(line, facts);
  if (!judged) return stays(line);
  const loads = loadsOf(judged, facts);
  const wanted = 1 - sizes.backPct / 100;
  const easier = loads?.easier.find((l) => l.ratio <= wanted + 1e-9) ?? loads?.easier.at(-1);
  const next: NextLine =
    loads && easier
      ? {
          line: { ...line, loadKg: easier.load },
          changes: [
            {
              code: "load",
              fromHow: loads.how,
              fromKg: loads.kg,
              toKg: easier.load,
              toHow: easier.how,
              fromReps: null,
              reps: null,
              isHelp: loads.isHelp,
              isUp: false,
            },
          ],
        }
      : (higher(line, judged) ?? lessOfIt(line)[0] ?? stays(line, "at_least"));
  return fewerSets(next, sizes);
}

/** A higher seat, box or pad. */
function higher(line: ScoreLine, judged: JudgedLine): NextLine | null {
  const [found] = heightStep(line, judged, "down");
  return found ? { line: found.line, changes: [found.change] } : null;
}

/** A step back that no machine can be set to is taken by doing less of the same [own]. */
export function settable(next: NextLine, line: ScoreLine, facts: NextFacts): NextLine {
  const fits = (l: ScoreLine | null): boolean => l !== null && judgedOf(l, facts)?.bars.length === 0;
  return fits(next.line) ? next : (lessOfIt(line).find((less) => fits(less.line)) ?? next);
}

/** Less of the same, the least felt first: shorter, fewer, a set less. */
function lessOfIt(line: ScoreLine): NextLine[] {
  const { scheme } = line;
  const all: NextLine[] = [];
  if (scheme.kind === "holds") {
    const holdS = Math.max(LEAST_HOLD_S, scheme.holdS - SHORTER_BY_S);
    if (holdS < scheme.holdS)
      all.push({
        line: withScheme(line, { holdS }),
        changes: [{ code: "seconds", from: scheme.holdS, to: holdS }],
      });
    if (scheme.reps > 1)
      all.push({
        line: withScheme(line, { reps: scheme.reps - 1 }),
        changes: [{ code: "holds", from: scheme.reps, to: scheme.reps - 1 }],
      });
  } else if ("reps" in scheme) {
    const reps = Math.max(LEAST_REPS, scheme.reps - FEWER_REPS);
    if (reps < scheme.reps)
      all.push({
        line: withScheme(line, { reps }),
        changes: [{ code: "reps", from: scheme.reps, to: reps }],
      });
  }
  if ("sets" in scheme && scheme.sets > 1)
    all.push({
      line: withScheme(line, { sets: scheme.sets - 1 }),
      changes: [{ code: "sets", from: scheme.sets, to: scheme.sets - 1 }],
    });
  return all;
}

/** Easily stirred up: a third of the sets off too, named as the second thing. Dosing rules E4. */
export function fewerSets(next: NextLine, sizes: StepSizes): NextLine {
  const { line } = next;
  if (!line || sizes.setsBackPct === 0 || !("sets" in line.scheme)) return next;
  const from = line.scheme.sets;
  const to = Math.max(1, Math.round(from * (1 + sizes.setsBackPct / 100)));
  if (to >= from || next.changes.some((c) => c.code === "sets")) return next;
  const kept = next.changes.filter((c) => c.code !== "same" && c.code !== "at_least");
  return { line: withScheme(line, { sets: to }), changes: [...kept, { code: "sets", from, to }] };
}
