/** Letters that the paper's typeface has: Latin and extended Latin. What it lacks would print as another letter. */
const PRINTS =
  /[\u0020-\u007E\u00A0-\u00FF\u0100-\u02BA\u02BD-\u02C5\u02C7-\u02CC\u02CE-\u02D7\u02DD-\u02FF\u0131\u0152\u0153\u02BB\u02BC\u02C6\u02DA\u02DC\u1E00-\u1E9F\u1EF2-\u1EFF\u2010-\u2027\u2030\u2039\u203A\u2044\u20AC\u2122\u2212\u2215]/u;

const INSTEAD: Readonly<Record<string, string>> = {
  "→": "to",
  "≤": "at most",
  "≥": "at least",
  "↗": "up",
  "↘": "down",
  "✓": "yes",
  "\u202F": " ",
  "\u2009": " ",
  "\u00AD": "",
  "\n": " ",
  "\t": " ",
};
const MISSING = "?";
/** Words from right to left; what follows them, a date or a number, keeps its own direction after the mark. */
const RIGHT_TO_LEFT = /[\p{Script=Hebrew}\p{Script=Arabic}]+(?: [\p{Script=Hebrew}\p{Script=Arabic}]+)*/gu;
const LEFT_MARK = "\u200E";

/**
 * Text as it can be printed, in the house's typeface and in others where `others` has the letter. A letter that all of
 * them lack becomes a question mark, never another letter; `lacks` names those.
 */
export function printable(
  text: string,
  others: (letter: string) => boolean = () => false,
): { text: string; lacks: string[] } {
  const lacks = new Set<string>();
  const letters = [...text.normalize("NFC")].map((c) => {
    const other = INSTEAD[c];
    if (other !== undefined) return other;
    if (PRINTS.test(c) || others(c)) return c;
    lacks.add(c);
    return MISSING;
  });
  return { text: letters.join("").replaceAll(RIGHT_TO_LEFT, (run) => run + LEFT_MARK), lacks: [...lacks] };
}
