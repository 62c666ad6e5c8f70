import type { KeyDeed } from "./useKeys";

/** The number keys 0 to 9 and t for ten, all doing the same with another score. */
export function scoreDeeds(what: string, pick: (score: number) => void): KeyDeed[] {
  return [
    ...Array.from({ length: 10 }, (_, n) => ({ key: String(n), words: `${what} ${n}`, run: () => pick(n) })),
    { key: "t", words: `${what} 10`, run: () => pick(10) },
  ];
}
