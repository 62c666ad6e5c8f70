import { fullWeeksBetween } from "@/core/units/days";
import type { ClientEpisode } from "@/server/client/clients";

/** "week 8 after surgery": full weeks gone by, the clock of phases on every page; week 0 is the first seven days. */
export function weekWords(c: Pick<ClientEpisode, "beganOn" | "beganWith">, todayIso: string): string {
  const week = fullWeeksBetween(c.beganOn, todayIso);
  return `week ${week} ${c.beganWith === "surgery" ? "after surgery" : "since onset"}`;
}
