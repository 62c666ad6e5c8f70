import "server-only";
import { randomUUID } from "node:crypto";
import { runsByItself } from "@/core/decision/standing";
import { type Ctx, today } from "../base/context";
import type { ClientEpisode } from "../client/clients";
import { visitDrafts } from "./decisionDrafts";
import { writeDecisions } from "./decisions";

/**
 * What a therapist allowed runs by itself when the morning is known, and says so; everything else waits. A line that
 * cannot be set as drafted waits too. The caller holds the episode's lock.
 */
export async function runOrders(ctx: Ctx, client: ClientEpisode, visitId: string): Promise<void> {
  const draft = (await visitDrafts(ctx, client)).find((d) => d.visit.id === visitId);
  if (!draft || draft.stopsAll) return;
  const byOrder = draft.lines.filter((l) => {
    const next = l.next[l.decision.action];
    return next.bars === null && runsByItself(l.plan, l.decision, next, next.set, today(ctx));
  });
  if (byOrder.length === 0) return;
  await writeDecisions(
    ctx,
    client,
    draft,
    byOrder.map((l) => ({
      id: randomUUID(),
      draft: l,
      lineId: l.plan.lineId,
      action: l.decision.action,
      overrideReason: null,
      byOrderOf: l.plan.standingOrder?.by ?? "a therapist",
    })),
    "standing_order",
  );
}
