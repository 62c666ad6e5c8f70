import "server-only";
import { dayInWords } from "@/core/units/dayInWords";
import type { Ctx } from "../base/context";
import type { ClientEpisode } from "../client/clients";
import { waitingDrafts } from "./decisionDrafts";

/**
 * Why no sheet of the episode is run now, with what to do; null if nothing stands in the way. It is one knee: a stop, a
 * sore morning or swelling after one sheet counts for every sheet until that visit is decided (docs/rules.md, K8).
 */
export async function kneeBarred(ctx: Ctx, client: ClientEpisode): Promise<string | null> {
  const found = (await waitingDrafts(ctx, client)).find((d) => d.ofTheKnee !== null);
  return found
    ? `After ${found.visit.sheet.name} of ${dayInWords(found.visit.day)}: ${found.ofTheKnee}. It is one knee: a therapist decides that visit before any sheet is run.`
    : null;
}
