import "server-only";
import { CONDITIONS } from "@/core/rules/conditions";
import { GOALS } from "@/core/rules/goals";
import { UNCOVERED, UNCOVERED_IDS } from "@/core/rules/uncovered";

/** What a story is chosen from: small lists for the browser, not the whole rule base. */
export interface StoryChoices {
  conditions: { id: string; name: string; isSurgical: boolean; variants: [string, string][] }[];
  goals: [string, string][];
  uncovered: [string, string][];
}

export const storyChoices = (): StoryChoices => ({
  conditions: CONDITIONS.map((c) => ({
    id: c.id,
    name: c.name,
    isSurgical: c.is_surgical,
    variants: c.variants.map((v): [string, string] => [v.id, v.name]),
  })),
  goals: GOALS.map((g): [string, string] => [g.id, g.name]),
  uncovered: UNCOVERED_IDS.map((id): [string, string] => [id, UNCOVERED[id]]),
});
