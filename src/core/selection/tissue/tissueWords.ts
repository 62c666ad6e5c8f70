import type { Tissue } from "./tissues";

/** The same for a narrow place. */
export const tissueShort = (tissue: Tissue, value: number): string =>
  tissueWords(tissue, value)
    .replace(" a chair rise", "")
    .replace(/^about /, "~")
    .replace(/^(next to )?no .*/, "none");

/** The same as what lies on the tissue, for a sentence. */
export function tissuePhrase(tissue: Tissue, value: number): string {
  const words = tissueWords(tissue, value);
  switch (tissue) {
    case "kneecap":
      return `${words} on the kneecap joint`;
    case "forward":
      return value === 0 ? "no forward pull on the shin" : `${words} of forward pull on the shin`;
    case "backward":
      return value === 0 ? "no backward pull on the shin" : `${words} of backward pull on the shin`;
    case "back":
      return value < 2.5 ? "no rounding of the low back" : `${words} of rounding of the low back`;
  }
}

/** Below this a tenth of a chair rise would read as none. */
const NEXT_TO_NONE = 0.05;

/** A tissue load as coarse as the model is sure: multiples of a chair rise to a tenth, newtons to fifty, degrees to five. */
export function tissueWords(tissue: Tissue, value: number): string {
  switch (tissue) {
    case "kneecap":
      return value < NEXT_TO_NONE ? "next to no load" : `${value.toFixed(1)} × a chair rise`;
    case "forward":
    case "backward":
      return value === 0 ? "no pull" : `about ${Math.round(value / 50) * 50} N`;
    case "back":
      return value < 2.5 ? "no rounding" : `about ${Math.round(value / 5) * 5}°`;
  }
}
