import { isStricter } from "../bounds/inForce";
import type { ClientSchemeFacts } from "../sheet/judge/schemeFacts";
import { lowerFirst } from "../units/lowerFirst";
import { asKept, fromKept, type Said, saidWith } from "../units/said";
import { addedScheme } from "./addedSchemes";
import type { WrittenLadder, WrittenStage } from "./draftData";
import { type DraftLine, has, plainLine } from "./draftLine";
import type { Change } from "./edit";
import { asksTooMuch, easierThan } from "./person/notYet";

/** In the first weeks after surgery a goal begins at its first stage [own]. */
const EARLY_WEEKS = 6;

/** How far up its ladder a goal is begun: 0 at the bottom, as a share of the stages. */
function begunAt(c: Change, known: ClientSchemeFacts): number {
  const weeks = c.facts.weeksAfterSurgery;
  if (known.irritability === "high" || c.facts.isFrail || (weeks !== null && weeks < EARLY_WEEKS)) return 0;
  return known.irritability === "low" && !known.isNovice ? 2 / 3 : 1 / 3;
}

/**
 * The goal as a line: the stage a careful therapist would begin at, or the first easier one that fits. A draft that holds a
 * stage of the ladder already keeps it. Where none fits, or the stage is no exercise, it is said. Source: draft rules, order
 * of decisions 2.
 */
export function withTask(
  lines: DraftLine[],
  c: Change,
  known: ClientSchemeFacts,
  ladder: WrittenLadder,
  goalName: string,
): DraftLine[] {
  if (c.facts.recipe.talkedAbout.includes(ladder.goal_id)) {
    c.note(saidWith("drafts.goal_talked", { goal: goalName }));
    return lines;
  }
  // what is not done alone yet ends the ladder for now
  const tooMuch = ladder.stages.findIndex((s) => s.exercise_id && asksTooMuch(c.facts, s.exercise_id));
  const stages = tooMuch < 0 ? ladder.stages : ladder.stages.slice(0, tooMuch);
  const own = stages.findIndex((s) => s.exercise_id && has(lines, s.exercise_id));
  const start = Math.floor(ladder.stages.length * begunAt(c, known));
  const reachable = stages.slice(0, start + 1);
  const stage =
    reachable.findLast((s) => isOpen(s, c)) ?? stages.find((s) => s.exercise_id && isOpen(s, c)) ?? null;
  if (own >= 0 && isOpen(stages[own] as WrittenStage, c)) {
    const id = stages[own]?.exercise_id;
    return lines.map((l) =>
      l.exerciseId === id
        ? {
            ...l,
            role: "task",
            isAsked: true,
            why: asKept(saidWith("drafts.goal_itself", { why: fromKept(l.why) })),
          }
        : l,
    );
  }
  const isBefore = (l: DraftLine) => c.exercise(l.exerciseId)?.harder_id === stage?.exercise_id;
  const before = stage?.exercise_id ? lines.find((l) => l.role === "task" && isBefore(l)) : undefined;
  if (before && begunAt(c, known) === 0 && c.fits(before.exerciseId))
    return lines.map((l) => (l === before ? { ...l, isAsked: true } : l));
  const easier = tooMuch < 0 ? null : easierThan(c, ladder.stages[tooMuch]?.exercise_id ?? "");
  if (!stage && easier) {
    const { exercise, why } = easier;
    const made = plainLine(
      exercise.id,
      "task",
      { scheme: addedScheme(exercise), window: null },
      "together",
      why,
    );
    const stands = has(lines, exercise.id);
    return stands
      ? lines.map((l) => (l.exerciseId === exercise.id ? { ...l, isAsked: true, why } : l))
      : inPlaceOf(lines, { ...made, isAsked: true });
  }
  if (!stage) {
    const first = ladder.stages.find((s) => s.exercise_id);
    c.note(
      saidWith("drafts.goal_not_yet", {
        goal: goalName,
        goalId: ladder.goal_id,
        impact: impactWaits(ladder, c),
        first: stageName(first ?? (ladder.stages[0] as WrittenStage), c),
        opens: opens(first, c),
      }),
    );
    return lines;
  }
  if (!stage.exercise_id || !stage.scheme) {
    c.note(
      saidWith("drafts.goal_beside", {
        goal: goalName,
        task: stage.task ?? "",
        dose: stage.dose,
        goOn: stage.go_on,
      }),
    );
    if (impactWaits(ladder, c))
      c.note(saidWith("drafts.goal_waits", { goal: goalName, rule: ladder.start_rule }));
    return lines;
  }
  const made: DraftLine = {
    ...plainLine(
      stage.exercise_id,
      "task",
      stage.scheme,
      "together",
      asKept(saidWith("drafts.goal_stage", { set: stage.set, goOn: stage.go_on })),
    ),
    isAsked: true,
  };
  return inPlaceOf(lines, made);
}

/** In the place of the draft's last task; other tasks become support. Without one, after the last main line. */
function inPlaceOf(lines: DraftLine[], made: DraftLine): DraftLine[] {
  const tasks = lines.filter((l) => l.role === "task");
  const last = tasks.at(-1);
  if (last)
    return lines.map((l) => (l === last ? made : l.role === "task" ? { ...l, role: "support" as const } : l));
  const at = lines.findLastIndex((l) => l.role === "main") + 1;
  return [...lines.slice(0, at), made, ...lines.slice(at)];
}

function isOpen(s: WrittenStage, c: Change): boolean {
  if (s.needs_impact && isStricter(c.limits, "impact", s.needs_impact)) return false;
  return s.exercise_id ? c.fits(s.exercise_id) : true;
}

const opens = (s: WrittenStage | undefined, c: Change): Said | null =>
  s?.exercise_id ? c.opens(s.exercise_id) : null;

const impactWaits = (ladder: WrittenLadder, c: Change): boolean =>
  ladder.stages.some((s) => s.needs_impact && isStricter(c.limits, "impact", s.needs_impact));

const stageName = (s: WrittenStage, c: Change): string =>
  lowerFirst(s.exercise_id ? (c.exercise(s.exercise_id)?.name ?? s.exercise_id) : (s.task ?? ""));
