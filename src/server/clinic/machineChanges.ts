import "server-only";
import type { MachineChange } from "@/core/equipment/machineChange";
import { InputError } from "@/core/units/inputError";
import { audit } from "../base/audit";
import { type Ctx, dayOf, mustMay, today } from "../base/context";
import { isRepeat } from "../base/sameId";
import { machineById } from "./machines";

export interface StoredMachineChange extends MachineChange {
  by: string;
}

/** What was changed on a machine itself, the newest first. */
export async function machineChangesOf(ctx: Ctx, machineId: string): Promise<StoredMachineChange[]> {
  const rows = await ctx.tx<{ id: string; changed_on: string; what: string; name: string }[]>`
    select c.id, to_char(c.changed_on, 'YYYY-MM-DD') as changed_on, c.what, p.name
    from machine_change c join person p on p.id = c.made_by
    where c.machine_id = ${machineId} order by c.changed_on desc, c.made_at desc`;
  return rows.map((r) => ({ id: r.id, changedOn: r.changed_on, what: r.what, by: r.name }));
}

/** A machine was changed on: what was learnt on it before stands for an earlier machine. Rule L1. */
export async function saveMachineChange(ctx: Ctx, machineId: string, input: MachineChange): Promise<void> {
  mustMay(ctx, "machine.write");
  if (await isRepeat(ctx, "machine_change", machineId, input)) return;
  await machineById(ctx, machineId);
  if (input.changedOn > today(ctx)) throw new InputError("changedOn", { code: "input.machine_change_later" });
  await ctx.tx`
    insert into machine_change (id, clinic_id, machine_id, changed_on, what, made_by, made_at)
    values (${input.id}, ${ctx.actor.clinicId}, ${machineId}, ${input.changedOn}, ${input.what}, ${ctx.actor.personId},
      ${ctx.now})`;
  await audit(ctx, "machine.altered", "machine", machineId, null, { on: input.changedOn, what: input.what });
}

/** Days on which machines were changed, and moments at which they were calibrated, by machine. */
export interface MachinePast {
  changedOn: readonly string[];
  calibratedOn: readonly string[];
}

export async function machinePasts(ctx: Ctx): Promise<ReadonlyMap<string, MachinePast>> {
  const rows = await ctx.tx<{ machine_id: string; on: string | null; at: Date | null }[]>`
    select machine_id, to_char(changed_on, 'YYYY-MM-DD') as on, null::timestamptz as at from machine_change
    union all select machine_id, null, made_at from machine_calibration`;
  const found = new Map<string, { changedOn: string[]; calibratedOn: string[] }>();
  for (const r of rows) {
    const past = found.get(r.machine_id) ?? { changedOn: [], calibratedOn: [] };
    if (r.on) past.changedOn.push(r.on);
    if (r.at) past.calibratedOn.push(dayOf(ctx, r.at));
    found.set(r.machine_id, past);
  }
  return found;
}
