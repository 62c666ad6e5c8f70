import { changes } from "@/app/_web/route";
import { calibrationInput } from "@/core/equipment/calibrate";
import { saveCalibration } from "@/server/clinic/calibrations";

export const POST = changes(calibrationInput, (ctx, input, { machineId }: { machineId: string }) =>
  saveCalibration(ctx, machineId, input),
);
