import { daysBetween } from "@/core/strength/testsForCurve";
import type { ClientEpisode } from "@/server/clients";

/** "week 9 after surgery"; week 1 is the first seven days. */
export function weekWords(c: Pick<ClientEpisode, "beganOn" | "beganWith">, todayIso: string): string {
  const week = Math.floor(daysBetween(c.beganOn, todayIso) / 7) + 1;
  return `week ${week} ${c.beganWith === "surgery" ? "after surgery" : "since onset"}`;
}
