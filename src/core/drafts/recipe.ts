import { SCALES } from "../bounds/scales";
import { conditionById } from "../rules/conditions";
import { type Said, saidWith } from "../units/said";
import { DRAFTS, LADDERS, type WrittenLadder, type WrittenLine } from "./draftData";
import { type DraftLine, plainLine } from "./draftLine";

/** The first draft of a condition in a phase for one client: variant and stances are settled, nothing is judged yet. */
export interface Recipe {
  clinic: RecipeOfPlace;
  home: RecipeOfPlace;
  /** what stands beside the sheet and is no line */
  beside: readonly string[];
  /** of the client's goals, the hardest to do first */
  ladders: readonly WrittenLadder[];
  /** goals that ask for more impact than any phase of this condition opens: talked about, never drafted. Rule K17 */
  talkedAbout: readonly string[];
}

export interface RecipeOfPlace {
  lines: readonly DraftLine[];
  /** what was left out, and what has to be asked first */
  notes: readonly Said[];
  /** the one thing that moves first */
  movesFirst: { exerciseId: string; how: string };
}

/** What settles a draft: which kind of the condition, and the option of each school that is in force. */
export interface Settled {
  conditionId: string;
  phaseId: string;
  variantId: string;
  choices: Readonly<Record<string, string>>;
}

/** Null where the rules have no draft for the phase. */
export function recipeOf(c: Settled, goalIds: readonly string[]): Recipe | null {
  const written = DRAFTS.find((d) => d.condition_id === c.conditionId && d.phase_id === c.phaseId);
  if (!written) return null;
  const ladders = goalIds.flatMap((id) => LADDERS.filter((l) => l.goal_id === id));
  const place = (p: (typeof written)["home"]): RecipeOfPlace => ({
    ...settledLines(p.lines, c),
    movesFirst: { exerciseId: p.progress_first.exercise_id, how: p.progress_first.how },
  });
  return {
    clinic: place(written.clinic_gym),
    home: place(written.home),
    beside: written.beside,
    ladders,
    talkedAbout: ladders.filter((l) => neverOpens(l, c.conditionId)).map((l) => l.goal_id),
  };
}

/** Whether a goal asks for jumps or running that no phase of a condition allows. */
function neverOpens(ladder: WrittenLadder, conditionId: string): boolean {
  const impact = (word: string) => (SCALES.impact as readonly string[]).indexOf(word);
  const phases = conditionById(conditionId)?.phases ?? [];
  const most = Math.max(...phases.map((p) => impact(p.limits.impact)));
  return ladder.stages.some((s) => s.needs_impact && impact(s.needs_impact) > most);
}

function settledLines(lines: readonly WrittenLine[], c: Settled): Pick<RecipeOfPlace, "lines" | "notes"> {
  const kept: DraftLine[] = [];
  const notes: Said[] = [];
  for (const l of lines) {
    const stand = l.instead.find(
      (i) =>
        i.variant_id === c.variantId || (i.school_id !== undefined && c.choices[i.school_id] === i.option_id),
    );
    notes.push(
      ...l.asks
        .filter((a) => a.variant_id === c.variantId)
        .map((a) => saidWith("drafts.ask_first", { ask: a.ask })),
    );
    if (stand && !stand.exercise_id) {
      notes.push(saidWith("drafts.line_left_out", { because: stand.why ?? l.why }));
      continue;
    }
    const numbers = l.numbers.find((n) => n.variant_id === c.variantId);
    const how = stand?.scheme ?? numbers?.scheme ?? l.scheme;
    kept.push(
      plainLine(stand?.exercise_id ?? l.exercise_id, l.role, how, stand?.legs ?? l.legs, stand?.why ?? l.why),
    );
  }
  return { lines: kept, notes };
}
