import { InputError } from "./inputError";
import { saidWith } from "./said";

/** Deeper than any record of ours; what is nested deeper was made to be costly. */
const MOST_DEPTH = 24;

/** Whether brackets are nested deeper than any record: found before parsing, in one pass. */
function isTooDeep(text: string): boolean {
  let depth = 0;
  let isQuoted = false;
  for (let i = 0; i < text.length; i++) {
    const c = text.charCodeAt(i);
    if (isQuoted) {
      if (c === 92) i++;
      else if (c === 34) isQuoted = false;
    } else if (c === 34) isQuoted = true;
    else if (c === 91 || c === 123) {
      if (++depth > MOST_DEPTH) return true;
    } else if (c === 93 || c === 125) depth--;
  }
  return false;
}

// characters that no keyboard writes and no database keeps: nothing (U+0000), and halves of a pair
const IMPOSSIBLE = /\p{Surrogate}|\0/u;

/** Whether a text may hold such characters at all, written out or escaped: most hold none, and are not walked. */
const mayBeImpossible = (text: string): boolean =>
  !text.isWellFormed() || text.includes("\0") || /\\u(?:0000|d[89a-f])/i.test(text);

/** The place of the first text that cannot be kept, null if there is none. */
function impossibleText(x: unknown, path = ""): string | null {
  if (typeof x === "string") return IMPOSSIBLE.test(x) ? path : null;
  if (typeof x !== "object" || x === null) return null;
  for (const [key, value] of Object.entries(x)) {
    const at = path ? `${path}.${key}` : key;
    if (IMPOSSIBLE.test(key)) return path;
    const found = impossibleText(value, at);
    if (found !== null) return found;
  }
  return null;
}

/** JSON that somebody sent, before any schema: refused with a sentence where it is none, too deep, or cannot be kept. */
export function readJson(text: string, name: string | null = null): unknown {
  if (isTooDeep(text)) throw new InputError("", saidWith("input.too_deep", { name }));
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch {
    throw new InputError("", saidWith("input.no_json", { name }));
  }
  const impossible = mayBeImpossible(text) ? impossibleText(json) : null;
  if (impossible !== null) throw new InputError(impossible, { code: "input.bad_letters" });
  return json;
}
