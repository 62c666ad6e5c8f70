import { z } from "zod";
import { changes } from "@/app/_web/route";
import { holdPlan } from "@/core/dose/holdPlan";
import { uuid } from "@/core/units/fields";
import { clientEpisode } from "@/server/clients";
import { savePlan } from "@/server/plans";

const planInput = z.object({ id: uuid, baseVersion: z.number().int().min(0), plan: holdPlan });

export const POST = changes(planInput, async (ctx, body, params: { clientId: string }) => {
  const saved = await savePlan(ctx, await clientEpisode(ctx, params.clientId), body);
  return { version: saved.version };
});
