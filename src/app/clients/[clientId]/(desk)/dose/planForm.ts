import { type HoldPlan, holdPlan } from "@/core/dose/holdPlan";
import { readNumber } from "@/core/units/readNumber";

/** The plan as it stands in the fields: text, so that what was typed is never lost or silently mended. */
export interface PlanForm {
  effortKind: "felt" | "percent";
  felt: string;
  percent: string;
  means: HoldPlan["means"];
  holdS: string;
  reps: string;
  restS: string;
  sets: string;
  setRestS: string;
  ladderFromDeg: string;
  ladderToDeg: string;
}

export function formOf(plan: HoldPlan): PlanForm {
  return {
    effortKind: plan.effort.kind,
    felt: plan.effort.kind === "felt" ? String(plan.effort.felt) : "6",
    percent: plan.effort.kind === "percent" ? String(plan.effort.percent) : "40",
    means: plan.means,
    holdS: String(plan.pattern.holdS),
    reps: String(plan.pattern.reps),
    restS: String(plan.pattern.restS),
    sets: String(plan.pattern.sets),
    setRestS: String(plan.pattern.setRestS || 120),
    ladderFromDeg: String(plan.ladderFromDeg),
    ladderToDeg: String(plan.ladderToDeg),
  };
}

/** The plan, or the sentence for each field that is wrong; the schema is the core's own. */
export function planOf(
  form: PlanForm,
  side: HoldPlan["side"],
  kneeFlexionDeg: number,
): { plan: HoldPlan | null; problems: Record<string, string> } {
  const sets = readNumber(form.sets);
  const parsed = holdPlan.safeParse({
    side,
    kneeFlexionDeg,
    effort:
      form.effortKind === "felt"
        ? { kind: "felt", felt: readNumber(form.felt) }
        : { kind: "percent", percent: readNumber(form.percent) },
    means: form.means,
    pattern: {
      holdS: readNumber(form.holdS),
      reps: readNumber(form.reps),
      restS: readNumber(form.restS),
      sets,
      setRestS: sets > 1 ? readNumber(form.setRestS) : 0,
    },
    ladderFromDeg: readNumber(form.ladderFromDeg),
    ladderToDeg: readNumber(form.ladderToDeg),
  });
  if (parsed.success) return { plan: parsed.data, problems: {} };
  const problems = Object.fromEntries(
    parsed.error.issues.map((i) => [String(i.path[i.path.length - 1] ?? ""), i.message]),
  );
  return { plan: null, problems };
}
