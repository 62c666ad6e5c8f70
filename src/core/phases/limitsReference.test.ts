import { conditionById } from "../rules/conditions";
import { EXERCISES } from "../rules/exercises";
import { boundsOfRecord } from "../rules/limitsOfRecord";
import { limitsRecord } from "../rules/limitsRecord";
import { fitExercise } from "../selection/fit/fitExercise";
import reference from "../testdata/limits.reference.json";
import { phaseLimits } from "./phaseLimits";

// written before the lines that first drafts need joined the catalogue; those are judged in draftsCatalogue
const KNOWN = new Set(reference.cases.flatMap((c) => [...c.blocked, ...c.fitted, ...c.offered]));
const ofThen = <L extends { exercises_blocked: string[] }>(limits: L): L => ({
  ...limits,
  exercises_blocked: limits.exercises_blocked.filter((id) => KNOWN.has(id)),
});

const names = reference.cases.map(
  (c, i) => [`${i + 1} ${c.condition} ${c.phase} week ${c.week}`, c] as const,
);

test.each(names)("limits and exercises of case %s", (_name, c) => {
  const condition = conditionById(c.condition);
  const phase = condition?.phases.find((p) => p.id === c.phase);
  if (!condition || !phase) throw new Error("the case names a condition or phase that is not there");
  const choices = c.choices as unknown as Record<string, string>;
  const limits = phaseLimits(condition, phase, { variantId: c.variant, choices, week: c.week });
  expect(ofThen(limits)).toEqual(c.limits);
  const bounds = boundsOfRecord(limits, "the phase");
  expect(limitsRecord.safeParse(limits).success).toBe(true);
  const by = (status: string) =>
    EXERCISES.filter((e) => KNOWN.has(e.id) && fitExercise(e, bounds).status === status)
      .map((e) => e.id)
      .sort();
  expect({ blocked: by("blocked"), fitted: by("fitted"), offered: by("offered") }).toEqual({
    blocked: [...c.blocked].sort(),
    fitted: [...c.fitted].sort(),
    offered: [...c.offered].sort(),
  });
});
