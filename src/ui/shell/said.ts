/** The newest line of what was kept, for a moment; each has a number, so that the same words twice are two. */
let newest: { id: number; words: string } | null = null;
let made = 0;
const listeners = new Set<() => void>();
/** Long enough to be read, ms. */
const SHOWN_MS = 4000;

export function say(words: string): void {
  made += 1;
  const own = { id: made, words };
  newest = own;
  for (const tell of listeners) tell();
  setTimeout(() => {
    if (newest !== own) return;
    newest = null;
    for (const tell of listeners) tell();
  }, SHOWN_MS);
}

export const saidNow = () => newest;

export function onSaid(tell: () => void): () => void {
  listeners.add(tell);
  return () => listeners.delete(tell);
}
