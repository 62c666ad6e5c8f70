import fc from "fast-check";
import { sayPlainly } from "@/words/say";
import { limitsOfOverride } from "../phases/limitsOfOverride";
import { mergeLimits } from "../phases/mergeLimits";
import { phaseLimits } from "../phases/phaseLimits";
import { phaseOpens } from "../phases/phaseOpens";
import { CONDITIONS, conditionById } from "../rules/conditions";
import { EXERCISES } from "../rules/exercises";
import { boundsOfRecord, limitsOfRecord } from "../rules/limitsOfRecord";
import { RED_FLAGS } from "../rules/redFlags";
import { fitExercise } from "../selection/fit/fitExercise";
import { inWords } from "../testdata/inWords";
import { issueSaid } from "../units/wrong";
import { inForce, withMore } from "./inForce";
import { BOUND_KIND_IDS, type BoundKind, boundKind } from "./kinds";
import type { Limit } from "./limit";
import { limitRows } from "./rows";
import { tightest } from "./tightest";
import { missingKilograms, missingWeightOrder } from "./weightOrders";
import { writtenLimit } from "./written";

const DAY = "2026-06-01";

/** Any limit of any kind that a person could write. */
const anyLimit: fc.Arbitrary<Limit> = fc
  .tuple(
    fc.constantFrom(...BOUND_KIND_IDS),
    fc.integer({ min: 0, max: 1000 }),
    fc.integer({ min: 0, max: 1000 }),
    fc.nat(),
    fc.constantFrom("surgeon" as const, "therapist" as const),
    fc.constantFrom(null, "2026-01-01", "2026-12-31"),
    fc.uuid(),
  )
  .map(([kind, a, b, pick, origin, endsOn, id]) => {
    const spec = boundKind(kind);
    const most = spec.shape === "names" ? 10 : (spec.most ?? 130);
    const [low, high] = [Math.min(a, b), Math.max(a, b)].map((n) => Math.round((n / 1000) * most)) as [
      number,
      number,
    ];
    const word = spec.shape === "word" ? (spec.scale[pick % spec.scale.length] ?? null) : null;
    const takesWindow = spec.shape === "window" || (kind === "open_chain_extension" && word === "arc");
    return {
      id,
      kind,
      low: takesWindow || spec.shape === "least" ? low : null,
      high: takesWindow || spec.shape === "most" ? high : null,
      word,
      names: spec.shape === "names" ? [["wall_sit", "class:stretch", "inner_side"][pick % 3] as string] : [],
      origin,
      reason: "a note",
      endsOn,
    };
  });

const anyRecord = fc
  .tuple(fc.constantFrom(...CONDITIONS), fc.nat(), fc.nat(), fc.integer({ min: 0, max: 60 }))
  .map(([c, p, v, week]) => {
    const phase = c.phases[p % c.phases.length];
    if (!phase) throw new Error("no phase");
    return {
      conditionId: c.id,
      limits: phaseLimits(c, phase, { variantId: c.variants[v % c.variants.length]?.id, week }),
    };
  });

/** Whether what is left of a kind is nowhere wider than before. */
function isInside(
  after: ReturnType<typeof tightest>,
  before: ReturnType<typeof tightest>,
  kind: BoundKind,
): boolean {
  if (before === null) return true;
  if (after === null) return false;
  const spec = boundKind(kind);
  const scale = spec.shape === "word" ? spec.scale : [];
  const lowIn = before.low === null || (after.low !== null && after.low >= before.low);
  const highIn = before.high === null || (after.high !== null && after.high <= before.high);
  const wordIn =
    before.word === null || (after.word !== null && scale.indexOf(after.word) <= scale.indexOf(before.word));
  const namesIn = before.names.every((n) => after.names.includes(n));
  // an arc that is cut too narrow becomes a hold: its word is stricter and its ends are gone
  const isCut = before.word === "arc" && after.word !== null && after.word !== "arc" && wordIn;
  return isCut || (lowIn && highIn && wordIn && namesIn);
}

describe("the tightest of all limits", () => {
  test("one more limit of any kind and origin never widens what is left, in any order", () => {
    fc.assert(
      fc.property(anyRecord, fc.array(anyLimit, { maxLength: 6 }), anyLimit, (record, limits, extra) => {
        const all = [...limitsOfRecord(record.limits, "x", "c"), ...limits];
        for (const kind of BOUND_KIND_IDS) {
          const before = tightest(all, kind, DAY);
          const after = tightest([extra, ...[...all].reverse()], kind, DAY);
          expect(isInside(after, before, kind)).toBe(true);
        }
      }),
      { numRuns: 300 },
    );
  });

  test("what binds is named, and an empty window is said in words with both who set it", () => {
    const one = (low: number, high: number, origin: "surgeon" | "therapist"): Limit => ({
      id: origin,
      kind: "knee_flexion_under_load",
      low,
      high,
      word: null,
      names: [],
      origin,
      reason: `${origin}'s note`,
      endsOn: null,
    });
    const found = tightest([one(0, 40, "surgeon"), one(60, 90, "therapist")], "knee_flexion_under_load", DAY);
    expect(found).toMatchObject({ low: 60, high: 40, by: [{ id: "surgeon" }, { id: "therapist" }] });
    expect(inWords(found?.conflict)).toMatch(
      /contradict each other.*surgeon's note \(surgeon\) and therapist's note \(therapist\)/,
    );
  });

  test("arcs that share less than thirty degrees leave holds only", () => {
    const arc = (id: string, low: number, high: number): Limit => ({
      id,
      kind: "open_chain_extension",
      low,
      high,
      word: "arc",
      names: [],
      origin: "surgeon",
      reason: id,
      endsOn: null,
    });
    expect(
      inWords(tightest([arc("front", 45, 90), arc("rear", 0, 60)], "open_chain_extension", DAY)?.conflict),
    ).toMatch(/share only 15°.*holds only/);
  });
});

describe("everything together", () => {
  test("a written limit or a caution never lets in an exercise that was barred, in any order", () => {
    fc.assert(
      fc.property(
        anyRecord,
        fc.array(anyLimit, { maxLength: 3 }),
        fc.constantFrom(...RED_FLAGS),
        fc.constantFrom(...EXERCISES),
        (part, written, flag, exercise) => {
          const own = limitsOfRecord(part.limits, "x", "c");
          if (fitExercise(exercise, inForce(own, DAY)).status !== "blocked") return;
          const caution = limitsOfOverride(flag.limit_overrides.limits, "a sign", "s", "warning_sign");
          for (const list of [[...own, ...caution, ...written], [...written, ...caution, ...own].reverse()])
            expect(fitExercise(exercise, inForce(list, DAY)).status).toBe("blocked");
        },
      ),
      { numRuns: 1500 },
    );
  });

  test("what two conditions leave together is what their merged records leave, in every kind", () => {
    fc.assert(
      fc.property(anyRecord, anyRecord, (a, b) => {
        const both = inForce(
          [...limitsOfRecord(a.limits, "a", "a"), ...limitsOfRecord(b.limits, "b", "b")],
          DAY,
        );
        const merged = boundsOfRecord(mergeLimits(a.limits, b.limits), "both");
        // an extension that is barred altogether has no angles and no load: what else is said of it means nothing
        const isNone = merged.open_chain_extension?.word === "none";
        for (const kind of BOUND_KIND_IDS) {
          if (isNone && ["extension_hold_angles", "hold_effort", "open_chain_load"].includes(kind)) continue;
          const [x, y] = [both[kind], merged[kind]];
          const left = (t: typeof x) => (t ? [t.low, t.high, t.word, t.names] : null);
          if (isNone && kind === "open_chain_extension") {
            const noAngle = both.extension_hold_angles;
            const isEmpty = (noAngle?.low ?? 0) > (noAngle?.high ?? 130);
            expect(x?.word === "none" || (x?.word === "isometric" && isEmpty)).toBe(true);
          } else expect([kind, left(x)]).toEqual([kind, left(y)]);
        }
      }),
      { numRuns: 800 },
    );
  });

  test("more limits on what is in force give what all of them together give", () => {
    fc.assert(
      fc.property(
        anyRecord,
        fc.array(anyLimit, { maxLength: 4 }),
        fc.array(anyLimit, { maxLength: 4 }),
        (r, a, b) => {
          const ever = (l: Limit) => ({ ...l, endsOn: null });
          const base = [...limitsOfRecord(r.limits, "x", "c"), ...a.map(ever)];
          const left = (all: ReturnType<typeof inForce>, kind: BoundKind) => {
            const t = all[kind];
            return t ? [t.low, t.high, t.word, t.names] : null;
          };
          const [step, whole] = [
            withMore(inForce(base, DAY), b.map(ever)),
            inForce([...base, ...b.map(ever)], DAY),
          ];
          for (const kind of BOUND_KIND_IDS) {
            const [x, y] = [left(step, kind), left(whole, kind)];
            // a lower end at the very beginning binds nothing and is not carried on
            if (x?.[0] === null && y?.[0] === 0) x[0] = 0;
            expect([kind, x]).toEqual([kind, y]);
          }
        },
      ),
      { numRuns: 300 },
    );
  });

  test("free limits bind nothing; every caution with a limit binds something", () => {
    expect(limitsOfOverride({}, "", "", "clinic")).toEqual([]);
    expect(inForce([], DAY)).toEqual({});
    expect(limitsOfOverride({ axial_load_max: "none" }, "because", "x", "warning_sign")).toMatchObject([
      { kind: "weight_on_shoulders", word: "none", origin: "warning_sign", reason: "because" },
    ]);
  });

  test("the table says a phase's bounds once, with others' limits apart, and names what nothing bounds", () => {
    const oa = conditionById("knee_oa");
    const build = oa?.phases.find((p) => p.id === "build");
    if (!oa || !build) throw new Error("no such phase");
    const own: Limit = {
      id: "own",
      kind: "joint_pain",
      low: null,
      high: 2,
      word: null,
      names: [],
      origin: "therapist",
      reason: "sleeps badly",
      endsOn: null,
    };
    const limits = [
      ...limitsOfRecord(phaseLimits(oa, build), "Knee osteoarthritis, build strength", "oa"),
      own,
    ];
    const { groups, phases, free } = limitRows(limits, DAY);
    expect(groups.map((g) => g.kind)).toEqual(["joint_pain"]);
    expect(groups[0]?.rows.map((r) => [r.limit.id, r.words.some((w) => w.binds)])).toEqual([
      ["own", true],
      ["oa-joint_pain", false],
    ]);
    expect(phases.map((p) => p.because)).toEqual(["Knee osteoarthritis, build strength"]);
    expect(free).toContain("weight bearing");
  });

  test("of a limit with a word and a number each is marked where it is the one that binds", () => {
    const limit = (id: string, word: string, high: number): Limit => ({
      id,
      kind: "resisted_knee_flexion",
      low: null,
      high,
      word,
      names: [],
      origin: "therapist",
      reason: "sore tendon",
      endsOn: null,
    });
    const { groups } = limitRows([limit("word", "light", 80), limit("number", "progressive", 60)], DAY);
    const marks = (id: string) => groups[0]?.rows.find((r) => r.limit.id === id)?.words.map((w) => w.binds);
    // the word; then at most, and how many degrees
    expect(marks("word")).toEqual([true, false, false]);
    expect(marks("number")).toEqual([false, true, true]);
  });
});

describe("a limit as it is typed", () => {
  const good = {
    id: "3f2b8f1e-7c54-4a53-9f0f-6d2f4a0d9a11",
    kind: "knee_flexion_under_load",
    low: 40,
    high: 80,
    word: null,
    names: [],
    origin: "surgeon",
    reason: "the note",
    endsOn: null,
    replaces: null,
    isLifted: false,
    evenIfChanged: false,
  };
  const sentences = (over: object) =>
    writtenLimit.safeParse({ ...good, ...over }).error?.issues.map((i) => sayPlainly(issueSaid(i))) ?? [];
  test.each([
    [{}, []],
    [{ low: 80, high: 40 }, [/lower end must be below/]],
    [{ low: null, high: null }, [/a lower end, an upper end or both/]],
    [{ high: 200 }, [/between 0 and 130/]],
    [{ low: Number.NaN }, [/lower end as a number/]],
    [{ kind: "joint_pain", low: null, high: 3 }, []],
    [{ kind: "joint_pain", low: null, high: 30 }, [/between 0 and 10/]],
    [{ kind: "kneeling", low: null, high: null, word: "sometimes" }, [/one of the steps/]],
    [{ kind: "kneeling", low: null, high: null, word: "no" }, []],
    [{ kind: "open_chain_extension", low: null, high: null, word: "arc" }, [/Enter the arc/]],
    [{ kind: "open_chain_extension", low: 45, high: 90, word: "arc" }, []],
    [{ word: "none" }, [/a number, not a word/]],
    [{ reason: " " }, [/why this limit is set/]],
    [{ endsOn: "soon" }, [/last day as a date/]],
    [{ kind: "everything" }, [/Choose what/]],
  ])("%j", (over, expected) => {
    const found = sentences(over);
    expect(found).toHaveLength(expected.length);
    for (const [i, e] of expected.entries()) expect(found[i]).toMatch(e);
  });
});

describe("weight bearing", () => {
  const order = (word: string, origin: "surgeon" | "condition" = "surgeon"): Limit => ({
    id: word,
    kind: "weight_bearing",
    low: null,
    high: null,
    word,
    names: [],
    origin,
    reason: "note",
    endsOn: null,
  });

  test("a fracture without the surgeon's order on file bears nothing", () => {
    expect(missingWeightOrder(["post_fracture"], [], DAY)).toMatchObject({
      word: "non",
      kind: "weight_bearing",
    });
    expect(missingWeightOrder(["post_fracture"], [order("partial")], DAY)).toBeNull();
    expect(missingWeightOrder(["knee_oa"], [], DAY)).toBeNull();
  });

  test("partial weight without kilograms is said in words", () => {
    const kilograms: Limit = { ...order("x"), kind: "weight_on_leg", high: 20, word: null };
    expect(inWords(missingKilograms(inForce([order("partial"), order("full", "condition")], DAY)))).toMatch(
      /presses are barred/,
    );
    expect(missingKilograms(inForce([order("partial"), kilograms], DAY))).toBeNull();
    expect(missingKilograms(inForce([order("full")], DAY))).toBeNull();
  });
});

test("what a later phase opens is said against the phase before it, and names every phase to come once", () => {
  for (const c of CONDITIONS) {
    const [first] = c.phases;
    if (!first) throw new Error("no phase");
    const opens = phaseOpens(c, first.id, {});
    expect(opens.map((o) => o.id)).toEqual(c.phases.slice(1).map((p) => p.id));
    expect(opens.some((o) => o.changes.length > 0)).toBe(true);
  }
  const tkr = conditionById("total_knee_replacement");
  const [early] = tkr ? phaseOpens(tkr, "w0_2", {}) : [];
  expect(early?.changes).toContain("depth of presses and squats: 40° → 60°");
});
