import fc from "fast-check";
import { bodyFrom } from "../../body/segments";
import { TEMPLATES, templateOf } from "../../equipment/templates";
import { phaseLimits } from "../../phases/phaseLimits";
import { CONDITIONS } from "../../rules/conditions";
import { EXERCISES } from "../../rules/exercises";
import { GOALS } from "../../rules/goals";
import { boundsOfRecord } from "../../rules/limitsOfRecord";
import { inWords } from "../../testdata/inWords";
import { loadFacts } from "../../testdata/loadFacts";
import { chairRise, type ReferenceTask } from "../tissue/tissues";
import { keptOutBy, picksOf } from "./picks";
import { rangeSheet, type SheetInput } from "./rangeSheet";

const body = bodyFrom(75, 1.75);
const input = (limits: SheetInput["limits"]): SheetInput => ({
  exercises: EXERCISES,
  machines: TEMPLATES.map((t) => ({ ...templateOf(t.family), id: t.family })),
  motion: { shortOfStraightDeg: null, bendDeg: null },
  goalIds: [],
  later: [],
  ...loadFacts(body),
  chair: chairRise(body) as ReferenceTask,
  tissue: "kneecap",
  capTimes: null,
  basis: { kind: "effort", share: 0.5 },
  limits,
});
const inPhase = fc
  .tuple(fc.constantFrom(...CONDITIONS), fc.nat(), fc.integer({ min: 0, max: 40 }))
  .map(([c, p, week]) =>
    boundsOfRecord(
      phaseLimits(c, c.phases[p % c.phases.length] as (typeof c.phases)[number], { week }),
      "phase",
    ),
  );

test("the picks are unalike, settable and break nothing; nothing that fits or is kept out is lost on the way", () => {
  fc.assert(
    fc.property(inPhase, (limits) => {
      const sheet = rangeSheet(input(limits));
      const { picks, also } = picksOf(sheet.rows, { goalIds: [], isOfTheBack: false, isCareful: false });
      expect(picks.length).toBeLessThanOrEqual(3);
      expect(new Set(picks.map((p) => p.e.family)).size).toBe(picks.length);
      for (const p of picks) expect(p.computed?.tooHeavyBecause ?? null).toBeNull();
      const shown = [...picks, ...also.flatMap((a) => [a.best, ...a.others])].map((r) => r.e.id);
      expect(shown.sort()).toEqual(sheet.rows.map((r) => r.e.id).sort());
      // the first pick is the sheet's own first that can be set here
      const first = sheet.rows.find(
        (r) =>
          r.computed &&
          !r.computed.tooHeavyBecause &&
          r.isAtHand &&
          r.e.match.entry_demand_1_4 <= 2 &&
          !r.e.match.requires_unlock,
      );
      expect(picks[0]?.e.id).toBe(first?.e.id);
      const kinds = keptOutBy(sheet.barred);
      expect(kinds.reduce((n, k) => n + k.rows.length, 0)).toBe(sheet.barred.length);
      for (const k of kinds) expect(inWords(k.because)).not.toMatch(/\((phase|surgeon)/);
    }),
    { numRuns: 25 },
  );
});

test("the goals' muscles are among the picks, also those of which the knee knows nothing, and no skilled form is first", () => {
  fc.assert(
    fc.property(
      inPhase,
      fc.subarray(
        GOALS.map((g) => g.id),
        { minLength: 1 },
      ),
      fc.boolean(),
      (limits, goalIds, isOfTheBack) => {
        const { rows } = rangeSheet({ ...input(limits), goalIds });
        const { picks } = picksOf(rows, { goalIds, isOfTheBack, isCareful: false });
        const wanted = new Set(
          GOALS.filter((g) => goalIds.includes(g.id)).flatMap((g) => g.exercise_families),
        );
        const open = rows.filter(
          (r) =>
            r.isAtHand &&
            !r.computed?.tooHeavyBecause &&
            r.e.match.entry_demand_1_4 <= 2 &&
            !r.e.match.requires_unlock,
        );
        for (const p of picks) expect(open).toContain(p);
        const asked = open.filter((r) => wanted.has(r.e.family));
        if (asked.length === 0) return;
        expect(picks.some((p) => wanted.has(p.e.family))).toBe(true);
        if (isOfTheBack) expect(wanted.has(picks[0]?.e.family ?? "")).toBe(true);
        // another muscle group of the goals, where they ask for one
        const best = [...wanted].flatMap((f) => open.find((r) => r.e.family === f) ?? []);
        const others = new Set(best.map((r) => r.group).filter((g) => g !== picks[0]?.group));
        const shown = picks.slice(1).filter((p) => wanted.has(p.e.family) && others.has(p.group));
        expect(shown.length > 0).toBe(others.size > 0);
      },
    ),
    { numRuns: 40 },
  );
});

test("walking asks for calf and hip, lifting with a sore back for the hinge before the extension machine", () => {
  const knee = CONDITIONS.find((c) => c.id === "knee_oa");
  const back = CONDITIONS.find((c) => c.id === "nonspecific_lbp");
  const rowsOf = (c: typeof knee, phaseId: string, goalId: string) => {
    const phase = c?.phases.find((p) => p.id === phaseId);
    if (!c || !phase) throw new Error("no phase");
    const limits = boundsOfRecord(phaseLimits(c, phase, { week: phase.weeks.from }), "phase");
    return rangeSheet({ ...input(limits), goalIds: [goalId] }).rows;
  };
  const walk = picksOf(rowsOf(knee, "build", "walk_30"), {
    goalIds: ["walk_30"],
    isOfTheBack: false,
    isCareful: false,
  }).picks;
  expect(walk.map((p) => p.group)).toEqual(["front_thigh", "calf", "hip"]);
  const lift = picksOf(rowsOf(back, "persistent", "lift_floor"), {
    goalIds: ["lift_floor"],
    isOfTheBack: true,
    isCareful: false,
  }).picks;
  expect(lift[0]?.e.family).toBe("hip_hinge");
  expect(lift.map((p) => p.e.family)).not.toContain("knee_extension");
  const chair = rowsOf(knee, "build", "low_chair");
  const asked = (isCareful: boolean) =>
    picksOf(chair, { goalIds: ["low_chair"], isOfTheBack: false, isCareful }).picks.slice(1);
  // who was operated gets the easiest forms of what the goal asks for
  for (const p of asked(true)) expect(p.e.match.entry_demand_1_4).toBe(1);
  expect(asked(false).some((p) => p.e.match.entry_demand_1_4 === 2)).toBe(true);
});
