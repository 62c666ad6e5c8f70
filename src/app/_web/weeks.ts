import { fullWeeksBetween } from "@/core/units/days";
import type { ClientEpisode } from "@/server/clients";

/** "week 9 after surgery"; week 1 is the first seven days. */
export function weekWords(c: Pick<ClientEpisode, "beganOn" | "beganWith">, todayIso: string): string {
  const week = fullWeeksBetween(c.beganOn, todayIso) + 1;
  return `week ${week} ${c.beganWith === "surgery" ? "after surgery" : "since onset"}`;
}
