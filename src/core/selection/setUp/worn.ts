import { SUPPORT_WORDS, type Worn } from "./cardInput";

/** What a client wears at work: by the set-up cards of exercises, else as the story asks. */
export interface WornFacts {
  byCard: Readonly<Record<string, Worn>>;
  usual: Worn;
}

export const wornAt = (f: WornFacts, exerciseId: string): Worn => f.byCard[exerciseId] ?? f.usual;

/** In words; null where nothing is. */
export function wornWords(f: WornFacts, exerciseId: string): string | null {
  const worn = wornAt(f, exerciseId);
  return worn === "none" ? null : SUPPORT_WORDS[worn];
}
