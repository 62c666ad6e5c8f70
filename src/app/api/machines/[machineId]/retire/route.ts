import { z } from "zod";
import { changes } from "@/app/_web/route";
import { retireMachine } from "@/server/clinic/machines";

const body = z.object({ isRetired: z.boolean() });

export const POST = changes(body, (ctx, { isRetired }, { machineId }: { machineId: string }) =>
  retireMachine(ctx, machineId, isRetired),
);
