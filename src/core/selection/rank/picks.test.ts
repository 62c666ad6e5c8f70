import fc from "fast-check";
import { bodyFrom } from "../../body/segments";
import { TEMPLATES, templateOf } from "../../equipment/templates";
import { phaseLimits } from "../../phases/phaseLimits";
import { CONDITIONS } from "../../rules/conditions";
import { EXERCISES } from "../../rules/exercises";
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
      const { picks, also } = picksOf(sheet.rows);
      expect(picks.length).toBeLessThanOrEqual(3);
      expect(new Set(picks.map((p) => p.e.family)).size).toBe(picks.length);
      for (const p of picks) expect(p.computed?.tooHeavyBecause ?? null).toBeNull();
      const shown = [...picks, ...also.flatMap((a) => [a.best, ...a.others])].map((r) => r.e.id);
      expect(shown.sort()).toEqual(sheet.rows.map((r) => r.e.id).sort());
      // the first pick is the sheet's own first that can be set here
      const first = sheet.rows.find((r) => r.computed && !r.computed.tooHeavyBecause && r.isAtHand);
      expect(picks[0]?.e.id).toBe(first?.e.id);
      const kinds = keptOutBy(sheet.barred);
      expect(kinds.reduce((n, k) => n + k.rows.length, 0)).toBe(sheet.barred.length);
      for (const k of kinds) expect(inWords(k.because)).not.toMatch(/\((phase|surgeon)/);
    }),
    { numRuns: 25 },
  );
});
