import "server-only";
import { type CalibrationInput, type CalibrationReading, calibrate } from "@/core/equipment/calibrate";
import { familyById } from "@/core/equipment/families";
import { type Cam, cam } from "@/core/mechanics/camCurve";
import { InputError } from "@/core/units/inputError";
import { audit } from "../base/audit";
import { type Ctx, mustMay } from "../base/context";
import { Refused } from "../base/refused";
import { isRepeat } from "../base/sameId";
import { machineById } from "./machines";

/** A calibration as it was made; the newest counts, the earlier ones stay. */
export interface StoredCalibration {
  id: string;
  version: number;
  readings: CalibrationReading[];
  ratioM: number;
  startLoadKg: number;
  cam: Cam;
  rmsNm: number;
  worstPct: number;
  by: string;
  at: Date;
}

export async function calibrationsOf(ctx: Ctx, machineId: string): Promise<StoredCalibration[]> {
  const rows = await ctx.tx`
    select c.*, p.name from machine_calibration c join person p on p.id = c.made_by
    where c.machine_id = ${machineId} order by c.version desc`;
  return rows.map((r) => ({
    id: r.id,
    version: r.version,
    readings: r.readings,
    ratioM: r.ratio_m,
    startLoadKg: r.start_load_kg,
    cam: cam.parse(r.cam),
    rmsNm: r.rms_nm,
    worstPct: r.worst_pct,
    by: r.name,
    at: r.made_at,
  }));
}

/** Fits readings, keeps them, and puts ratio and curve into the machine. Lever machines only. */
export async function saveCalibration(ctx: Ctx, machineId: string, input: CalibrationInput): Promise<void> {
  mustMay(ctx, "machine.write");
  if (await isRepeat(ctx, "calibration", machineId, input)) return;
  const { tx, actor } = ctx;
  const machine = await machineById(ctx, machineId);
  const family = familyById(machine.family);
  if (!family?.hasCam && !family?.hasRatio)
    throw new InputError("readings", "This kind of machine has no lever or stack to calibrate.");
  const before = await calibrationsOf(ctx, machineId);
  const newest = before[0];
  const meanwhile = new Refused(
    "conflict",
    `${newest?.by ?? "Somebody"} calibrated ${machine.name} meanwhile. Your readings are still here: compare, then save again.`,
  );
  if ((newest?.version ?? 0) !== input.baseVersion) throw meanwhile;
  const found = calibrate(input.readings);
  const rows = await tx`
    insert into machine_calibration (id, clinic_id, machine_id, version, readings, ratio_m, start_load_kg, cam, rms_nm,
      worst_pct, made_by, made_at)
    values (${input.id}, ${actor.clinicId}, ${machineId}, ${input.baseVersion + 1}, ${tx.json(input.readings)},
      ${found.ratioM}, ${found.startLoadKg}, ${tx.json(found.cam)}, ${found.rmsNm}, ${found.worstPct},
      ${actor.personId}, ${ctx.now})
    on conflict do nothing returning id`;
  if (rows.length === 0) throw meanwhile;
  const geometry = family.hasCam
    ? { ratioM: found.ratioM, startLoadKg: found.startLoadKg }
    : // on a rail the cell reads the force itself: the arm is one metre, and there is no curve
      { ratio: found.ratioM };
  await tx`
    update machine set geometry = ${tx.json({ ...machine.geometry, ...geometry })},
      cam = ${tx.json(family.hasCam ? found.cam : machine.cam)}, version = version + 1 where id = ${machineId}`;
  await audit(
    ctx,
    "machine.calibrate",
    "machine",
    machineId,
    { geometry: machine.geometry, cam: machine.cam },
    { geometry, cam: found.cam, startLoadKg: found.startLoadKg, rmsNm: found.rmsNm },
  );
}

/** When each machine was calibrated last. */
export async function calibratedOn(ctx: Ctx): Promise<ReadonlyMap<string, Date>> {
  const rows =
    await ctx.tx`select machine_id, max(made_at) as at from machine_calibration group by machine_id`;
  return new Map(rows.map((r) => [r.machine_id as string, r.at as Date]));
}
