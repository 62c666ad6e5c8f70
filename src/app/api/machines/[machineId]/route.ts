import { z } from "zod";
import { changes } from "@/app/_web/route";
import { machine } from "@/core/equipment/machine";
import { changeMachine } from "@/server/clinic/machines";

const body = z.object({ baseVersion: z.number().int().min(1), machine });

export const POST = changes(body, (ctx, { baseVersion, machine: m }, { machineId }: { machineId: string }) =>
  changeMachine(ctx, machineId, baseVersion, m),
);
