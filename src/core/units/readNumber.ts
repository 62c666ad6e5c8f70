/**
 * A number as a person types it: "17.5", "17,5", " 17.5 ". Empty or strange text gives NaN, which every
 * schema refuses with the field's own sentence. A thousands separator is not guessed: "1,000.5" is NaN.
 */
export function readNumber(text: string): number {
  const trimmed = text.trim();
  if (!/^[+-]?(\d+([.,]\d*)?|[.,]\d+)(e[+-]?\d+)?$/i.test(trimmed)) return Number.NaN;
  return Number(trimmed.replace(",", "."));
}
