import fc from "fast-check";
import { changesWords } from "../../words/en/changes";
import { phaseLimits } from "../phases/phaseLimits";
import type { Decision } from "../progression/decide";
import type { Action } from "../progression/safetyRules";
import { CONDITIONS } from "../rules/conditions";
import { EXERCISES } from "../rules/exercises";
import { boundsOfRecord } from "../rules/limitsOfRecord";
import { judgeScore, type ScoreContext } from "../sheet/judge/judgeScore";
import { legsAllowed } from "../sheet/line/legs";
import type { ScoreLine } from "../sheet/line/scoreInput";
import { repetitionsPossible } from "../sheet/load/workingLoad";
import { SCHEME_KINDS } from "../sheet/schemes/scheme";
import { surely } from "../testdata/capacity/known";
import { EXAMPLES, line, scoreContext, withTests } from "../testdata/scoreContext";
import type { LineChange } from "./lineChange";
import type { NextFacts } from "./lineNow";
import { nextLine, rungsOf } from "./nextLine";

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
const EASY: Drafted = { rules: ["P8"], change: { loadPct: 5 } };
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
  const last = holds({ atDeg: 90, holdS: 45, effort: { kind: "felt", felt: 8 } });
  expect(["holds", "at_goal"]).toContain(codes(next(last, "PROGRESS").changes)[0]);
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

test("within the range it is repetitions, never past the most, and the load stays to the digit", () => {
  const l = line(
    "lp_horizontal",
    { ...EXAMPLES.straight, reps: 9 },
    { ladder: { of: "reps", least: 8, most: 10 } },
  );
  const set = judgeScore([l], context)[0]?.load?.setting?.load as number;
  const f = facts({ setKg: set });
  const up = next(l, "PROGRESS", MORE, f);
  expect(up.changes).toEqual([{ code: "reps", from: 9, to: 10 }]);
  expect(up.line?.loadKg).toBe(set);
  const top = { ...l, scheme: { ...EXAMPLES.straight, reps: 10 } };
  expect(codes(next(top, "PROGRESS", MORE, f).changes)).toEqual(["full"]);
});

test("at the top the next real load comes with as many repetitions as keep what is asked; back it is at least the step lighter", () => {
  const l = line(
    "lp_horizontal",
    { ...EXAMPLES.straight, reps: 12 },
    { ladder: { of: "reps", least: 8, most: 12 }, loadKg: 60 },
  );
  const machineName = context.sheet.machines.find((m) => m.family === "seated_press")?.name ?? "";
  const shown = withTests(context, [{ machineName, twoLegs: true, loadKg: 60, reps: 12, reserve: 3 }]);
  const up = next(l, "PROGRESS", STEP, facts({ context: shown }));
  expect(codes(up.changes)).toEqual(["load"]);
  expect(up.line?.loadKg ?? 0).toBeGreaterThan(60);
  const { reps } = (up.line as ScoreLine).scheme as { reps: number };
  expect(reps).toBeGreaterThanOrEqual(8);
  expect(reps).toBeLessThan(12);
  expect(changesWords(up.changes)).toMatch(new RegExp(`, ${reps} repetitions instead of 12`));
  const back = next(l, "REGRESS");
  expect(back.line?.loadKg ?? 999).toBeLessThanOrEqual(60 * 0.9);
  expect(back.line?.scheme).toEqual(l.scheme);
});

test("a real load that is exactly the step lighter is the one that is taken", () => {
  const at = (loadKg: number) =>
    line("hip_abd", EXAMPLES.straight, { ladder: { of: "reps", least: 8, most: 12 }, loadKg });
  const machineName = context.sheet.machines.find((m) => m.family === "hip_abduction")?.name ?? "";
  const shown = withTests(context, [{ machineName, twoLegs: true, loadKg: 120, reps: 12, reserve: 3 }]);
  const loads = judgeScore([at(60)], shown)[0]?.load?.setting?.loads ?? [];
  const exact = loads.flatMap(({ load }) => {
    const lighter = loads.find((l) => l.load > 0 && Math.abs(l.load - load * 0.9) < 1e-6);
    return lighter ? [{ load, lighter: lighter.load }] : [];
  });
  expect(exact.length).toBeGreaterThan(0);
  let tried = 0;
  for (const { load, lighter } of exact) {
    const now = judgeScore([at(load)], shown)[0];
    if (now?.load?.setting?.load !== load || now.bars.length > 0) continue;
    tried++;
    expect(next(at(load), "REGRESS", STEP, facts({ context: shown })).line?.loadKg).toBeCloseTo(lighter, 6);
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
  const fewest = help(most, least(10));
  expect(codes(next(fewest, "REGRESS").changes)).toEqual(["sets"]);
  const one = { ...fewest, scheme: { ...EXAMPLES.straight, reps: least(10), sets: 1 } };
  expect(codes(next(one, "REGRESS").changes)).toEqual(["at_least"]);
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

/** Everything that a step must be, whatever the line, load, phase and person. */
const anyWho = fc.record({
  school: fc.constantFrom("pain_free" as const, "monitoring" as const, "post_op" as const),
  irritability: fc.constantFrom("low" as const, "moderate" as const, "high" as const),
});
const MOVED = EXERCISES.filter((e) => legsAllowed(e, "straight").length > 0);
const anyLine = fc
  .record({
    e: fc.constantFrom(...MOVED),
    reps: fc.integer({ min: 5, max: 15 }),
    span: fc.integer({ min: 0, max: 6 }),
    up: fc.integer({ min: 0, max: 6 }),
    reserve: fc.integer({ min: 1, max: 5 }),
    sets: fc.integer({ min: 1, max: 4 }),
    loadKg: fc.option(fc.integer({ min: 5, max: 150 })),
  })
  .map(({ e, reps, span, up, reserve, sets, loadKg }) =>
    line(
      e.id,
      { ...EXAMPLES.straight, reps: Math.min(reps + span, reps + up), reserve, sets },
      {
        legs: legsAllowed(e, "straight")[0] ?? "together",
        loadKg,
        ladder: { of: "reps", least: reps, most: reps + Math.max(span, up) },
      },
    ),
  );
const RUNS = Number(process.env.BEXLO_CASES ?? 700);
const PHASES = CONDITIONS.flatMap((c) =>
  c.phases.map((p) => boundsOfRecord(phaseLimits(c, p, { week: p.weeks.from }), p.name)),
);

test("one step of any line, in any phase: one thing moves, in the named direction, and nothing else by a digit (P1)", () => {
  const met = { load: 0, reps: 0, height: 0, other: 0, none: 0, discarded: 0 };
  fc.assert(
    fc.property(anyLine, anyWho, fc.constantFrom(...PHASES), fc.boolean(), (l, who, limits, isUp) => {
      const c = scoreContext(limits);
      const [now] = judgeScore([l], c);
      if (!now || now.bars.length > 0 || !now.load) {
        met.discarded++;
        return;
      }
      const set = now.load.setting?.load ?? null;
      const f = facts({ context: c, setKg: set, ...who });
      const to = next(l, isUp ? "PROGRESS" : "REGRESS", STEP, f);
      const made = to.line as ScoreLine;
      const [then] = judgeScore([made], c);
      expect(then?.bars).toEqual([]);
      const [change] = to.changes;
      const before = l.scheme as typeof EXAMPLES.straight;
      const after = made.scheme as typeof EXAMPLES.straight;
      // nothing but the named thing is another
      expect({ ...made, loadKg: null, scheme: null, ladder: null, heightCm: null }).toEqual({
        ...l,
        loadKg: null,
        scheme: null,
        ladder: null,
        heightCm: null,
      });
      if (change?.code !== "height") expect(then?.height?.cm).toBe(now.height?.cm);
      const kg = then?.load?.setting?.load ?? null;
      const isHelp = now.load.setting?.isHelp ?? false;
      switch (change?.code) {
        case "load": {
          met.load++;
          const isMore = (kg ?? 0) > (set ?? 0) !== isHelp;
          expect(isMore).toBe(isUp);
          expect({ ...after, reps: 0, sets: 0 }).toEqual({ ...before, reps: 0, sets: 0 });
          if (isUp) {
            expect(after.reps).toBeLessThanOrEqual(before.reps);
            expect(after.reps).toBeGreaterThanOrEqual(
              Math.min(before.reps, l.ladder?.of === "reps" ? l.ladder.least : 0),
            );
            // what is asked never falls: the more that is left, the lighter it is
            const left = (j: typeof then, reps: number) =>
              j?.load?.share == null ? null : repetitionsPossible(Math.min(0.99, j.load.share)) - reps;
            const [was, is] = [left(now, before.reps), left(then, after.reps)];
            // beyond what is left at all the two ends of the scale say nothing
            if (was !== null && is !== null && was >= 0) expect(is).toBeLessThanOrEqual(was + 1.5);
          } else expect(after.reps).toBe(before.reps);
          break;
        }
        case "reps":
        case "reps_first":
          met.reps++;
          expect(kg).toBe(set);
          expect(after.reps > before.reps).toBe(isUp);
          expect({ ...after, reps: 0, sets: 0 }).toEqual({ ...before, reps: 0, sets: 0 });
          break;
        case "height":
          met.height++;
          expect((then?.height?.cm ?? 0) < (now.height?.cm ?? 0)).toBe(isUp);
          expect({ ...after, sets: 0 }).toEqual({ ...before, sets: 0 });
          expect(kg).toBe(set);
          break;
        case "sets":
        case "lowering":
        case "pause":
          met.other++;
          expect(kg).toBe(set);
          expect(after.reps).toBe(before.reps);
          break;
        default:
          met.none++;
          // always a next step or the reason
          expect(["barred", "harder_form", "at_least"]).toContain(change?.code);
          expect(after).toEqual(before);
          expect(kg).toBe(set);
      }
      expect(changesWords(to.changes)).toMatch(/\.$/);
    }),
    { numRuns: RUNS },
  );
  expect(met.load).toBeGreaterThan(RUNS / 50);
  expect(met.reps).toBeGreaterThan(RUNS / 50);
  expect(met.height).toBeGreaterThan(0);
  expect(met.discarded).toBeLessThan(RUNS * 0.9);
});

test("twelve easy visits reach the next real load, or a reason that is named", () => {
  const met = { load: 0, reason: 0, discarded: 0 };
  fc.assert(
    fc.property(anyLine, anyWho, fc.constantFrom(...PHASES), (l, who, limits) => {
      const c = scoreContext(limits);
      const [now] = judgeScore([l], c);
      if (!now || now.bars.length > 0) {
        met.discarded++;
        return;
      }
      const from = now.load?.setting?.load ?? null;
      let line = l;
      for (let visit = 0; visit < 12; visit++) {
        const to = next(line, "PROGRESS", EASY, facts({ context: c, setKg: from, ...who }));
        const code = to.changes[0]?.code;
        // a lower seat, box or pad is what makes a body's own weight heavier
        if (code === "load" || code === "height") {
          met.load++;
          return;
        }
        if (code === "barred" || code === "harder_form") {
          met.reason++;
          return;
        }
        expect(to.line).not.toEqual(line);
        line = to.line as ScoreLine;
      }
      throw new Error("twelve visits and no step");
    }),
    { numRuns: Math.ceil(RUNS / 3) },
  );
  expect(met.load).toBeGreaterThan(0);
});
