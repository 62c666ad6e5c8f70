import fc from "fast-check";
import { changesWords } from "../../words/en/changes";
import type { Decision } from "../progression/decide";
import type { Action } from "../progression/safetyRules";
import { judgeScore, type ScoreContext } from "../sheet/judge/judgeScore";
import type { ScoreLine } from "../sheet/line/scoreInput";
import { SCHEME_KINDS } from "../sheet/schemes/scheme";
import { surely } from "../testdata/capacity/known";
import { EXAMPLES, line, scoreContext } from "../testdata/scoreContext";
import { type LineChange, type NextFacts, nextLine, rungsOf } from "./nextLine";

const context = scoreContext();
const facts = (over: Partial<NextFacts> = {}): NextFacts => ({
  school: "monitoring",
  irritability: "low",
  context,
  usedKg: null,
  ...over,
});
type Drafted = Pick<Decision, "rules" | "change">;
const STEP: Drafted = { rules: ["P7"], change: { loadPct: 5 } };
const MORE: Drafted = { rules: ["P4"], change: { reps: "+2" } };
const next = (l: ScoreLine, action: Action, decision: Drafted | null = STEP, f = facts()) =>
  nextLine(l, action, decision, f);
const codes = (changes: readonly LineChange[]) => changes.map((c) => c.code);

const holds = (over: Partial<typeof EXAMPLES.holds> = {}, more: Partial<ScoreLine> = {}) =>
  line(
    "kext_iso_machine",
    { ...EXAMPLES.holds, holdS: 30, effort: { kind: "felt", felt: 5 }, atDeg: 60, ...over },
    { legs: "one", ladder: { of: "angle", fromDeg: 45, toDeg: 90 }, ...more },
  );

test("stopping takes the line away, staying changes nothing", () => {
  expect(next(holds(), "STOP_REFER")).toEqual({ line: null, changes: [{ code: "stop" }] });
  const l = holds();
  expect(next(l, "HOLD").line).toBe(l);
});

test("holds climb their rungs, then seconds to 45, then effort; back a rung, then easier", () => {
  expect(next(holds(), "PROGRESS").changes).toEqual([{ code: "rung", from: 60, to: 75 }]);
  expect(next(holds({ atDeg: 90 }), "PROGRESS").changes).toEqual([{ code: "seconds", from: 30, to: 35 }]);
  expect(next(holds({ atDeg: 90, holdS: 45 }), "PROGRESS").changes).toEqual([
    { code: "felt", from: 5, to: 5.5 },
  ]);
  expect(
    codes(next(holds({ atDeg: 90, holdS: 45, effort: { kind: "felt", felt: 8 } }), "PROGRESS").changes),
  ).toEqual(["at_goal"]);
  expect(next(holds(), "REGRESS").changes).toEqual([{ code: "rung", from: 60, to: 45 }]);
  expect(next(holds({ atDeg: 45 }), "REGRESS").changes).toEqual([{ code: "felt", from: 5, to: 4 }]);
  expect(codes(next(holds({ atDeg: 45, effort: { kind: "felt", felt: 2 } }), "REGRESS").changes)).toEqual([
    "at_least",
  ]);
});

test("a ladder may go down: the goal is the far end", () => {
  const down = holds({}, { ladder: { of: "angle", fromDeg: 90, toDeg: 45 } });
  expect(next(down, "PROGRESS").changes).toEqual([{ code: "rung", from: 60, to: 45 }]);
  expect(rungsOf(down, null, { school: "monitoring", irritability: "low" })).toEqual([90, 75, 60, 45]);
});

test("within the range it is repetitions, never past the most", () => {
  const l = line(
    "lp_horizontal",
    { ...EXAMPLES.straight, reps: 9 },
    { ladder: { of: "reps", least: 8, most: 10 } },
  );
  const [more, ...others] = next(l, "PROGRESS", MORE).changes;
  expect(others).toEqual([]);
  expect(more).toMatchObject({ code: "reps", from: 9, to: 10 });
  // the load that stays is named with it
  const { atHow } = more as { atHow: { from: string; to: string } };
  expect(atHow.to).toBe(atHow.from);
  const top = { ...l, scheme: { ...EXAMPLES.straight, reps: 10 } };
  expect(codes(next(top, "PROGRESS", MORE).changes)).toEqual(["full"]);
});

test("at the top the next real load comes, from the fewest again; back it is at least the step lighter", () => {
  const l = line(
    "lp_horizontal",
    { ...EXAMPLES.straight, reps: 12 },
    { ladder: { of: "reps", least: 8, most: 12 }, loadKg: 100 },
  );
  const [now] = judgeScore([l], context);
  const load = now?.load?.setting?.load ?? 0;
  const up = next(l, "PROGRESS");
  expect(codes(up.changes)).toEqual(["load"]);
  expect(up.line?.loadKg ?? 0).toBeGreaterThan(load);
  expect(up.line?.scheme).toMatchObject({ reps: 8 });
  const back = next(l, "REGRESS");
  expect(back.line?.loadKg ?? 999).toBeLessThanOrEqual(load * 0.9);
  expect(back.line?.scheme).toEqual(l.scheme);
});

test("a real load that is exactly the step lighter is the one that is taken", () => {
  const at = (loadKg: number) =>
    line("lp_horizontal", EXAMPLES.straight, { ladder: { of: "reps", least: 8, most: 12 }, loadKg });
  const loads = judgeScore([at(60)], context)[0]?.load?.setting?.loads ?? [];
  const exact = loads.flatMap(({ load }) => {
    const lighter = loads.find((l) => l.load > 0 && Math.abs(l.load - load * 0.9) < 1e-6);
    return lighter ? [{ load, lighter: lighter.load }] : [];
  });
  expect(exact.length).toBeGreaterThan(0);
  let tried = 0;
  for (const { load, lighter } of exact) {
    const now = judgeScore([at(load)], context)[0];
    if (now?.load?.setting?.load !== load || now.bars.length > 0) continue;
    tried++;
    expect(next(at(load), "REGRESS").line?.loadKg).toBeCloseTo(lighter, 6);
  }
  expect(tried).toBeGreaterThan(0);
});

test("what was really set counts, where it was less than planned", () => {
  const l = line("lp_horizontal", EXAMPLES.straight, { loadKg: 100 });
  const eased = next(l, "REGRESS", STEP, facts({ usedKg: 60 }));
  expect(eased.line?.loadKg ?? 999).toBeLessThanOrEqual(54);
});

test("easily stirred up takes a third of the sets off too", () => {
  const l = line("lp_horizontal", { ...EXAMPLES.straight, sets: 3 }, { loadKg: 60 });
  const back = next(l, "REGRESS", STEP, facts({ irritability: "high" }));
  expect(back.changes).toContainEqual({ code: "sets", from: 3, to: 2 });
});

test("only the range was short: it gets shorter and the load stays", () => {
  const l = line("lp_horizontal", EXAMPLES.straight, { window: { fromDeg: 10, toDeg: 80 }, loadKg: 60 });
  const back = next(l, "REGRESS", { rules: ["R6"], change: { rangeDeg: -15, load: 0 } });
  expect(back.changes).toEqual([{ code: "range", fromDeg: 80, toDeg: 65 }]);
  expect(back.line).toMatchObject({ window: { fromDeg: 10, toDeg: 65 }, loadKg: 60 });
});

test("help falls upward and rises back, always by a real plate", () => {
  const l = line("curl_counterweight", { ...EXAMPLES.straight, reps: 10 }, { loadKg: 30 });
  const back = next(l, "REGRESS");
  expect(back.line?.loadKg ?? 0).toBeGreaterThan(30);
  expect(changesWords(back.changes)).toMatch(/more help/);
});

test("with the most help on, a step back is fewer repetitions, down to the least", () => {
  const help = (loadKg: number, reps: number) =>
    line("curl_counterweight", { ...EXAMPLES.straight, reps }, { loadKg });
  const byHelp = (from: number): number => {
    const to = next(help(from, 10), "REGRESS").line?.loadKg ?? from;
    return to > from ? byHelp(to) : from;
  };
  const most = byHelp(30);
  expect(most).toBeGreaterThan(30);
  const [fewer] = next(help(most, 10), "REGRESS").changes;
  expect(fewer).toMatchObject({ code: "reps", from: 10 });
  expect((fewer as { to: number }).to).toBeLessThan(10);
  const least = (reps: number): number => {
    const [c] = next(help(most, reps), "REGRESS").changes;
    if (c?.code !== "reps") return reps;
    expect(c.to).toBeLessThan(reps);
    return least(c.to);
  };
  expect(codes(next(help(most, least(10)), "REGRESS").changes)).toEqual(["at_least"]);
});

test("stretches grow five seconds and give two steps back; carries go further before heavier", () => {
  const stretch = line("str_hamstring", { ...EXAMPLES.stretch, toleratedS: 30 });
  expect(next(stretch, "PROGRESS").changes).toEqual([{ code: "tolerated", from: 30, to: 35 }]);
  expect(next(stretch, "REGRESS").changes).toEqual([{ code: "tolerated", from: 30, to: 20 }]);
  const carry = line("lunge_walking", { ...EXAMPLES.carry, distanceM: 10, carriedKg: 0 });
  expect(codes(next(carry, "PROGRESS").changes)).toEqual(["distance"]);
  expect(
    codes(next({ ...carry, scheme: { ...EXAMPLES.carry, distanceM: 20, carriedKg: 4 } }, "PROGRESS").changes),
  ).toEqual(["carried"]);
});

test("where less effort is less than the machine can be set to, a step back is shorter or fewer, not a dead end", () => {
  let found = 0;
  fc.assert(
    fc.property(
      fc.integer({ min: 25, max: 160 }),
      fc.integer({ min: 2, max: 8 }),
      fc.constantFrom(45, 60, 75, 90),
      (torqueNm, felt, atDeg) => {
        const fit = surely("extension", torqueNm);
        const weak = {
          ...context,
          sheet: { ...context.sheet, strength: { ...context.sheet.strength, extension: fit } },
        };
        const l = holds({ atDeg, effort: { kind: "felt", felt } }, { ladder: null });
        if ((judgeScore([l], weak)[0]?.bars.length ?? 1) > 0) return;
        const back = next(l, "REGRESS", STEP, facts({ context: weak }));
        expect(judgeScore([back.line as ScoreLine], weak)[0]?.bars).toEqual([]);
        if (codes(back.changes).some((c) => c === "seconds" || c === "holds")) found += 1;
      },
    ),
    { numRuns: 80 },
  );
  expect(found).toBeGreaterThan(0);
});

const ON: Record<string, string> = {
  holds: "kext_iso_machine",
  stretch: "str_hamstring",
  carry: "lunge_walking",
  two_up_one_down: "lp_2up1down",
  lowering: "kneel_lower_reach",
};
/** Lines of every scheme on something it is done on. */
const every = SCHEME_KINDS.map((kind) => line(ON[kind] ?? "lp_horizontal", EXAMPLES[kind]));

const asks = (l: ScoreLine, c: ScoreContext): number => judgeScore([l], c)[0]?.load?.share ?? 0;

test("a step back never asks for more, for any scheme, load, school and irritability", () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...every),
      fc.option(fc.integer({ min: 5, max: 150 })),
      fc.constantFrom("pain_free" as const, "monitoring" as const, "post_op" as const),
      fc.constantFrom("low" as const, "moderate" as const, "high" as const),
      (l, loadKg, school, irritability) => {
        const set = { ...l, loadKg };
        const back = next(set, "REGRESS", STEP, facts({ school, irritability }));
        expect(back.line).not.toBeNull();
        if (back.line && l.scheme.kind !== "holds") {
          expect(back.line.loadKg ?? 0).toBeLessThanOrEqual(
            Math.max(set.loadKg ?? 0, judgeScore([set], context)[0]?.load?.setting?.load ?? 0) + 1e-9,
          );
          if ("reps" in back.line.scheme && "reps" in l.scheme)
            expect(back.line.scheme.reps).toBeLessThanOrEqual(l.scheme.reps);
          expect(asks(back.line, context)).toBeLessThanOrEqual(asks(set, context) + 1e-6);
        }
      },
    ),
    { numRuns: 120 },
  );
});

test("exactly one thing moves in a step up, and every change has its words", () => {
  for (const l of every) {
    const up = next(l, "PROGRESS");
    expect(up.changes).toHaveLength(1);
    expect(changesWords(up.changes)).toMatch(/^[A-Z0-9].*\.$/s);
  }
});
