import { withMore } from "../bounds/inForce";
import type { DraftFacts } from "../drafts/draftFacts";
import { aimedMuscles } from "../drafts/person/aimed";
import { recipeOf } from "../drafts/recipe";
import { phaseLimits } from "../phases/phaseLimits";
import { painLimit } from "../progression/painRule";
import { conditionById } from "../rules/conditions";
import { boundsOfRecord } from "../rules/limitsOfRecord";
import type { ScoreContext } from "../sheet/judge/judgeScore";
import { untestedStrength } from "../strength/untestedStrength";
import { knownOf, surely } from "./capacity/known";
import { SOUND } from "./loadFacts";
import { scoreContext } from "./scoreContext";

/** A made-up client in a phase of a condition, as the worked examples of the draft rules name them. */
export interface Example extends Partial<Omit<DraftFacts, "recipe">> {
  conditionId: string;
  phaseId: string;
  variantId: string;
  goal?: string;
  choices?: Record<string, string>;
  week?: number;
  irritability?: "low" | "moderate" | "high";
  isNovice?: boolean;
  /** tested and used to training: front and back of the thigh and the hip, N·m */
  testedNm?: { extension: number; flexion: number; hip: number };
}

/** Who is not frail rises from chairs and climbs stairs every day. */
function withStrength(x: Example, ...[limits, over]: Parameters<typeof scoreContext>): ScoreContext {
  const context = scoreContext(limits, over);
  const daily = { chair: !x.isFrail, stairs: !x.isFrail };
  const care =
    x.irritability === "high" || x.weeksAfterSurgery != null ? "strict" : (x.irritability ?? "moderate");
  const known = knownOf(untestedStrength(context.sheet.body, { ...SOUND, daily }), care);
  const strength = x.testedNm
    ? {
        ...known,
        extension: surely("extension", x.testedNm.extension),
        flexion: surely("flexion", x.testedNm.flexion),
        hip: { low: x.testedNm.hip, middle: x.testedNm.hip, high: x.testedNm.hip, isTested: true },
      }
    : { ...known, extension: context.sheet.strength.extension, flexion: context.sheet.strength.flexion };
  return { ...context, sheet: { ...context.sheet, strength } };
}

/** Limits, loads and draft facts of an example, everything else as usual. */
export function draftFor(x: Example): { facts: DraftFacts; context: ScoreContext } {
  const condition = conditionById(x.conditionId);
  const phase = condition?.phases.find((p) => p.id === x.phaseId);
  const recipe = recipeOf({ ...x, choices: x.choices ?? {} }, x.goal ? [x.goal] : []);
  if (!condition || !phase || !recipe) throw new Error(`${x.conditionId} / ${x.phaseId} is not there`);
  const record = phaseLimits(condition, phase, {
    variantId: x.variantId,
    choices: x.choices ?? {},
    week: x.week ?? phase.weeks.from,
  });
  const isPostOp = x.weeksAfterSurgery !== undefined && x.weeksAfterSurgery !== null;
  const irritability = x.irritability ?? "moderate";
  const limits = withMore(boundsOfRecord(record, phase.name), [
    painLimit(isPostOp ? "post_op" : "monitoring", irritability),
  ]);
  return {
    facts: {
      recipe,
      variantId: x.variantId,
      stage: x.stage ?? phase.stage,
      aimed: aimedMuscles([condition.main_region], x.weak ?? []),
      daysAWeek: 3,
      isOfTheBack: condition.main_region === "lumbar",
      painSites: x.painSites ?? [],
      painfulArcs: x.painfulArcs ?? [],
      schools: x.schools ?? {},
      notYet: x.notYet ?? [],
      swellingIsUp: x.swellingIsUp ?? false,
      weak: x.weak ?? [],
      gap: x.gap ?? null,
      shortReach: x.shortReach ?? [],
      isFrail: x.isFrail ?? false,
      pressureIsKnown: x.pressureIsKnown ?? true,
      isFirstVisit: x.isFirstVisit ?? false,
      weeksAfterSurgery: x.weeksAfterSurgery ?? null,
      bodyMassKg: x.bodyMassKg ?? 72,
      unconfirmed: x.unconfirmed ?? null,
    },
    context: withStrength(x, limits, {
      known: {
        isPostOp,
        isNovice: x.isNovice ?? false,
        isLate: phase.stage === "strong" || phase.stage === "keep",
        irritability,
        lastPain: 0,
        daysSinceAccumulated: null,
      },
    }),
  };
}
