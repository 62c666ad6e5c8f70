import type { Corridor } from "@/core/schedule/corridor";
import type { SorePart } from "@/core/sheet/effect/tissueDose";

export const PART_WORDS: Record<Exclude<SorePart, null>, string> = {
  knee: "knee",
  hip: "hip",
  back: "back",
};

/** Nothing finer is known of what a visit puts on a joint: halves, and a limit is never said higher than it is. */
export const roundDose = (dose: number): number => Math.floor(2 * dose) / 2;

/** What the mornings say that one visit may be. Rule W4. */
export function roomWords({ well, sore, most, isGuess }: Corridor): string {
  const said = [
    `A visit stays at ${roundDose(most)} sets of ten at 60 % or less`,
    ...(well === null ? [] : [`${roundDose(well)} went well`]),
    ...(sore === null ? [] : [`the morning after ${roundDose(sore)} was sore`]),
  ];
  return `${said.join("; ")}. ${isGuess ? "A guess until six mornings are known." : "By the mornings of six weeks."}`;
}
