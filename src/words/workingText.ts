import type { Computed } from "@/core/units/working/working";
import { CONFIDENCE_NAMES, ORIGIN_NAMES } from "./en/numbers/work";
import type { Say } from "./say";

/** The working behind a number as plain text: all that is needed to check it by hand, line by line. */
export function workingText(label: string, c: Computed, digits: number, say: Say): string {
  const { working: w } = c;
  const doubt = c.doubt === null ? "" : ` ± ${c.doubt.toFixed(digits)}`;
  return [
    `${label}: ${c.value.toFixed(digits)}${doubt} ${c.unit}`.trim(),
    `How: ${say(w.formula)} (${w.formulaId})`,
    ...w.inputs.map(
      (i) =>
        `  ${say(i.name)} = ${say(i.value)} (${ORIGIN_NAMES[i.origin]}${i.from ? `, ${say(i.from)}` : ""})`,
    ),
    ...(c.doubt === null
      ? ["Doubt: not known."]
      : [`Doubt: in about 19 of 20 cases within ± ${c.doubt.toFixed(digits)} ${c.unit}.`.replace(" .", ".")]),
    `Source: ${say(w.source)}; ${CONFIDENCE_NAMES[w.confidence]}.`,
    ...(w.cannotTell ? [`It cannot tell: ${say(w.cannotTell)}`] : []),
  ].join("\n");
}
