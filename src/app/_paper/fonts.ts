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
// names and drugs are not parted at the end of a line
Font.registerHyphenationCallback((word) => [word]);

/** Latin first, extended Latin for letters that it lacks. */
export const FONTS = ["Atk", "AtkExt"];
