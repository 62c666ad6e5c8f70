import type { Corridor } from "@/core/schedule/corridor";
import type { SorePart } from "@/core/sheet/effect/tissueDose";

export const PART_WORDS: Record<Exclude<SorePart, null>, string> = {
  knee: "knee",
  hip: "hip",
  back: "back",
};

/** What the mornings say that one visit may be. Rule W4. */
export function roomWords({ well, sore, most, isGuess }: Corridor): string {
  const said = [
    `A visit stays at ${most.toFixed(1)} or less`,
    ...(well === null ? [] : [`${well.toFixed(1)} went well`]),
    ...(sore === null ? [] : [`the morning after ${sore.toFixed(1)} was sore`]),
  ];
  return `${said.join("; ")}. ${isGuess ? "A guess until six mornings are known." : "By the mornings of six weeks."}`;
}
