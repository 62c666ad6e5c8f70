import type { Exercise } from "../../rules/exercises";
import type { Climbs, Rises } from "../../story/daily";
import { asKept, saidWith } from "../../units/said";
import type { Computed } from "../../units/working/working";
import { schemeInPlaceOf } from "../addedSchemes";
import type { DraftFacts } from "../draftFacts";
import type { DraftLine } from "../draftLine";
import { type Change, leftOut } from "../edit";

/** A daily task that a client does not do alone yet, by what was told, else by what it would take of the leg. Rule K17. */
export interface NotYet {
  task: "chair" | "stairs";
  because: "hands" | "not" | "cost";
  /** what it takes of the leg, where that is the reason */
  percent: number | null;
}

/** What a task takes of what the leg can do, with its doubt. */
type Percent = Pick<Computed, "value" | "doubt">;

/** More than this nobody can give. */
const ALL_PERCENT = 100;

/** What is told wins over what is worked out: who does it every day can. */
export function notYetOf(
  told: { rises: Rises | null; climbs: Climbs | null },
  costs: { chair: Percent | null; stairs: Percent | null },
): NotYet[] {
  const byCost = (task: NotYet["task"], isAsked: boolean): NotYet[] => {
    const found = costs[task];
    if (isAsked || !found || found.value - (found.doubt ?? 0) <= ALL_PERCENT) return [];
    return [{ task, because: "cost", percent: Math.round(found.value) }];
  };
  const by = (task: NotYet["task"], because: "hands" | "not"): NotYet[] => [{ task, because, percent: null }];
  return [
    ...(told.rises === "hands"
      ? by("chair", "hands")
      : told.rises === "no"
        ? by("chair", "not")
        : byCost("chair", told.rises === "yes")),
    ...(told.climbs === "no" ? by("stairs", "not") : byCost("stairs", told.climbs !== null)),
  ];
}

/** What asks for as much as the daily task, and what is one stage easier. */
const EASIER: Record<NotYet["task"], Readonly<Record<string, readonly string[]>>> = {
  chair: {
    sit_to_stand: ["chair_rise_hands", "lp_horizontal", "lp_mid_hip", "bridge_two"],
    chair_rise_staggered: ["chair_rise_hands", "lp_horizontal", "lp_mid_hip", "bridge_two"],
  },
  stairs: {
    step_up: ["step_up_low", "march_standing", "lp_single", "lp_mid_hip"],
    step_down: ["step_down_low", "step_up_low", "march_standing"],
  },
};

/** What of today's stages a client does not do alone yet. */
export const asksTooMuch = (facts: Pick<DraftFacts, "notYet">, exerciseId: string): NotYet | null =>
  facts.notYet.find((n) => exerciseId in EASIER[n.task]) ?? null;

/** The first easier exercise that fits, with the reason; null: none does. */
export function easierThan(c: Change, exerciseId: string): { exercise: Exercise; why: string } | null {
  const n = asksTooMuch(c.facts, exerciseId);
  const id = n && EASIER[n.task][exerciseId]?.find(c.fits);
  const exercise = id ? c.exercise(id) : null;
  return n && exercise ? { exercise, why: asKept(saidWith("drafts.easier_now", { ...n })) } : null;
}

/** One stage easier in the place of what the client does not do alone yet; nothing easier: left out, and said. */
export function forStory(lines: DraftLine[], c: Change): DraftLine[] {
  const ids = new Set(lines.map((l) => l.exerciseId));
  return lines.flatMap((l) => {
    const n = asksTooMuch(c.facts, l.exerciseId);
    if (!n) return [l];
    const to = easierThan(c, l.exerciseId);
    if (!to) c.note(leftOut(c, l.exerciseId, saidWith("drafts.not_yet", { ...n })));
    if (!to || ids.has(to.exercise.id)) return [];
    ids.add(to.exercise.id);
    return [{ ...l, exerciseId: to.exercise.id, ...schemeInPlaceOf(l, to.exercise), why: to.why }];
  });
}
