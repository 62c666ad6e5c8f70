import { changes } from "@/app/_web/route";
import { machineChange } from "@/core/equipment/machineChange";
import { saveMachineChange } from "@/server/clinic/machineChanges";

export const POST = changes(machineChange, (ctx, input, { machineId }: { machineId: string }) =>
  saveMachineChange(ctx, machineId, input),
);
