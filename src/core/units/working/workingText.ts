import type { Computed, Confidence, Origin } from "./working";

export const ORIGIN_NAMES: Record<Origin, string> = {
  measured: "measured",
  estimated: "estimated",
  default: "default",
  entered: "entered",
};

export const CONFIDENCE_NAMES: Record<Confidence, string> = {
  high: "well known",
  medium: "remembered from the literature, unverified citation",
  low: "uncertain, unverified citation",
  own: "a rule of our own, no literature behind it",
};

/** The working behind a number as plain text: all that is needed to check it by hand, line by line. */
export function workingText(label: string, c: Computed, digits: number): string {
  const { working: w } = c;
  const doubt = c.doubt === null ? "" : ` ± ${c.doubt.toFixed(digits)}`;
  return [
    `${label}: ${c.value.toFixed(digits)}${doubt} ${c.unit}`.trim(),
    `How: ${w.formula} (${w.formulaId})`,
    ...w.inputs.map(
      (i) => `  ${i.name} = ${i.value} (${ORIGIN_NAMES[i.origin]}${i.from ? `, ${i.from}` : ""})`,
    ),
    ...(c.doubt === null
      ? ["Doubt: not known."]
      : [`Doubt: in about 19 of 20 cases within ± ${c.doubt.toFixed(digits)} ${c.unit}.`.replace(" .", ".")]),
    `Source: ${w.source}; ${CONFIDENCE_NAMES[w.confidence]}.`,
    ...(w.cannotTell ? [`It cannot tell: ${w.cannotTell}`] : []),
  ].join("\n");
}
