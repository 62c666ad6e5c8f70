import "server-only";
import { readFileSync } from "node:fs";
import path from "node:path";
import { Font } from "@react-pdf/renderer";

/**
 * Typefaces for names in other scripts, asked in this order. Each is cut into files by letters; only those that a paper
 * needs are read.
 */
const PACKAGES = [
  "noto-sans",
  "noto-sans-hebrew",
  "noto-sans-arabic",
  "noto-sans-thai",
  "noto-sans-devanagari",
  "noto-sans-sc",
  "noto-sans-kr",
] as const;

interface Cut {
  family: string;
  file: (weight: number) => string;
  ranges: [number, number][];
}

const folderOf = (name: string): string => path.join(process.cwd(), "node_modules/@fontsource", name);

function rangesOf(words: string): [number, number][] {
  return words.split(",").map((r) => {
    const [from = "", to = from] = r.replace(/^U\+/i, "").split("-");
    return [Number.parseInt(from, 16), Number.parseInt(to, 16)];
  });
}

let known: Cut[] | undefined;

/** All files with the letters in them. */
function cuts(): Cut[] {
  known ??= PACKAGES.flatMap((name) => {
    const byPart: Record<string, string> = JSON.parse(
      readFileSync(path.join(folderOf(name), "unicode.json"), "utf8"),
    );
    return Object.entries(byPart).map(([part, words]): Cut => {
      const piece = part.replace(/[[\]]/g, "");
      return {
        family: `${name}-${piece}`,
        file: (weight) => path.join(folderOf(name), "files", `${name}-${piece}-${weight}-normal.woff`),
        ranges: rangesOf(words),
      };
    });
  });
  return known;
}

/** Letters of names: neither pictures nor what every typeface uses for itself. */
const isLetter = (code: number): boolean =>
  code > 0x2ff &&
  code < 0x30000 &&
  !(code >= 0xe000 && code <= 0xf8ff) &&
  !(code >= 0x1f000 && code < 0x20000);

const cutOf = (letter: string): Cut | undefined => {
  const code = letter.codePointAt(0) ?? 0;
  if (!isLetter(code)) return undefined;
  return cuts().find((c) => c.ranges.some(([from, to]) => code >= from && code <= to));
};

const registered = new Set<string>();

/** Families for letters that the house's own typeface lacks, ready to print; letters of no family are left out. */
export function familiesFor(lacking: Iterable<string>): {
  families: string[];
  has: (letter: string) => boolean;
} {
  const found = new Map<string, Cut>();
  for (const letter of new Set(lacking)) {
    const cut = cutOf(letter);
    if (cut) found.set(letter, cut);
  }
  const families = new Map([...found.values()].map((c) => [c.family, c]));
  for (const [family, cut] of families) {
    if (registered.has(family)) continue;
    registered.add(family);
    Font.register({ family, fonts: [400, 700].map((w) => ({ src: cut.file(w), fontWeight: w })) });
  }
  return { families: [...families.keys()], has: (letter) => found.has(letter) };
}
