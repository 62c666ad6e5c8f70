import "server-only";
import path from "node:path";
import { Font } from "@react-pdf/renderer";

const file = (part: string, weight: number): string =>
  path.join(process.cwd(), "assets/fonts", `atkinson-hyperlegible-next-${part}-${weight}-normal.woff`);

const register = (family: string, part: string): void =>
  Font.register({
    family,
    fonts: [400, 700].map((weight) => ({ src: file(part, weight), fontWeight: weight })),
  });

register("Atk", "latin");
register("AtkExt", "latin-ext");
/** A word this long is no name or drug, and may be longer than its column: it is parted. */
const LONG_LETTERS = 18;
const PIECE_LETTERS = 9;
// names and drugs are not parted at the end of a line
Font.registerHyphenationCallback((word) => {
  const letters = [...word];
  if (letters.length <= LONG_LETTERS) return [word];
  return Array.from({ length: Math.ceil(letters.length / PIECE_LETTERS) }, (_, i) =>
    letters.slice(i * PIECE_LETTERS, (i + 1) * PIECE_LETTERS).join(""),
  );
});

/** Latin first, extended Latin for letters that it lacks, then those of other scripts that a paper needs. */
export const FONTS = ["Atk", "AtkExt"];
