/**
 * A criterion of the condition data as it is read: its own text keeps comparison signs and short forms, and is what a tick
 * is stored under.
 */
export const criterionWords = (text: string): string =>
  text
    .replace(/\s*>=\s*/g, " at least ")
    .replace(/\s*<=\s*/g, " at most ")
    .replace(/(\d+)\/10\b/g, "$1 of 10")
    .replace(/(\d+) deg\b/g, "$1°")
    .replace(/\b(\d+)RM\b/g, "$1-repetition maximum")
    .replace(/ x(\d+)\b/g, ", $1 times")
    .trim();
