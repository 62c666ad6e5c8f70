import fc from "fast-check";
import { CONDITIONS } from "../../rules/conditions";
import { EXERCISES } from "../../rules/exercises";
import { draftFor } from "../../testdata/draftFor";
import { inWords } from "../../testdata/inWords";
import { EXAMPLES, line, scoreContext } from "../../testdata/scoreContext";
import { legsAllowed } from "../line/legs";
import { judgeScore } from "./judgeScore";
import { shorterWay } from "./shorterWay";

test("a shorter way that is set heavier than the whole one always says so, and only then", () => {
  const context = scoreContext();
  const moved = EXERCISES.filter((e) => legsAllowed(e, "straight").length > 0);
  let said = 0;
  fc.assert(
    fc.property(
      fc.constantFrom(...moved),
      fc.integer({ min: 0, max: 20 }),
      fc.integer({ min: 1, max: 20 }),
      (e, from, wide) => {
        const window = { fromDeg: 5 * from, toDeg: Math.min(130, 5 * (from + wide)) };
        const legs = legsAllowed(e, "straight")[0] ?? "together";
        const asked = line(e.id, EXAMPLES.straight, { legs, window });
        const judge = (w: typeof window | null) => judgeScore([{ ...asked, window: w }], context)[0];
        const shorter = judge(window);
        if (!shorter) return;
        const words = shorterWay(shorter, context);
        const [set, whole] = [shorter.load?.setting, judge(null)?.load?.setting];
        const isHeavier =
          !!set && !!whole && !set.isHelp && set.loads.length > 0 && set.load > whole.load + 1e-6;
        expect(words !== null).toBe(isHeavier);
        if (words && set && whole) {
          said++;
          expect(inWords(words)).toContain(`${set.how} instead of ${whole.how}`);
        }
      },
    ),
    { numRuns: 300, seed: 20261130 },
  );
  expect(said).toBeGreaterThan(0);
}, 120_000);

test("what somebody set by hand is theirs to know", () => {
  const context = scoreContext();
  const asked = line("lp_horizontal", EXAMPLES.straight, {
    window: { fromDeg: 20, toDeg: 40 },
    loadKg: 60,
  });
  const [j] = judgeScore([asked], context);
  expect(j && shorterWay(j, context)).toBeNull();
});

/** What a line is set to in a phase, and what is said of it; null where nothing is set. */
function inPhase(exerciseId: string, ...[conditionId, variantId, phase]: [string, string, { id: string }]) {
  const e = EXERCISES.find((x) => x.id === exerciseId);
  if (!e) throw new Error(`no exercise ${exerciseId}`);
  const { context } = draftFor({ conditionId, variantId, phaseId: phase.id, goal: "stairs" });
  const legs = legsAllowed(e, "straight")[0] ?? "together";
  const [j] = judgeScore([line(exerciseId, EXAMPLES.straight, { legs })], context);
  const set = j?.load?.setting;
  return j && set && !set.isHelp && set.loads.length > 0
    ? { kg: set.load, words: inWords(shorterWay(j, context)) || null }
    : null;
}

test("an earlier phase that opens less of the way is never set heavier than a later one without a word", () => {
  let heavier = 0;
  for (const c of CONDITIONS) {
    const variantId = c.variants[0]?.id ?? "";
    for (const exerciseId of ["lp_horizontal", "kext_single", "curl_seated", "sq_hack"]) {
      const inEach = c.phases.flatMap((p) => inPhase(exerciseId, c.id, variantId, p) ?? []);
      inEach.forEach((earlier, i) => {
        const later = inEach.slice(i + 1).some((l) => l.kg < earlier.kg - 1e-6);
        if (!later) return;
        heavier++;
        expect({ condition: c.id, exerciseId, i, words: earlier.words }).toMatchObject({
          words: expect.stringContaining("set heavier"),
        });
      });
    }
  }
  expect(heavier).toBeGreaterThan(20);
}, 120_000);
