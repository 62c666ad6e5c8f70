import "server-only";
import { familyById } from "@/core/equipment/families";
import { type Machine, machine, nearestNotch, notchesOf } from "@/core/equipment/machine";
import { uuid } from "@/core/units/fields";
import { audit } from "../base/audit";
import { type Ctx, mustMay, once } from "../base/context";
import { Refused } from "../base/refused";
import { idIsTaken, isRepeat } from "../base/sameId";

/** A machine of the clinic. */
export type StoredMachine = Machine & { id: string; version: number; isRetired: boolean };

/** All machines of the clinic that are in use, by name. */
export const machinesOf = (ctx: Ctx): Promise<StoredMachine[]> =>
  once(ctx, "machines", async () =>
    (
      await ctx.tx`
    select * from machine where retired_at is null order by name`
    ).flatMap((r) => fromRow(r) ?? []),
  );

export async function machineById(ctx: Ctx, id: string): Promise<StoredMachine> {
  // an address is no id until it looks like one
  const [r] = uuid.safeParse(id).success ? await ctx.tx`select * from machine where id = ${id}` : [];
  if (!r) throw new Refused("missing", "This machine is not in the clinic's gym. Go back to Gym.");
  const found = fromRow(r);
  if (!found)
    throw new Refused(
      "missing",
      `${r.name} was put away, because its record cannot be read. Enter it anew in Gym.`,
    );
  return found;
}

// biome-ignore lint/suspicious/noExplicitAny: a database row, parsed at once
function fromRow(r: any): StoredMachine | null {
  // a record of an earlier time that today's rules refuse must not take every page along
  const { data: parsed } = machine.safeParse({
    name: r.name,
    place: r.place,
    family: r.family,
    steps: r.steps,
    geometry: r.geometry,
    cam: r.cam,
    notches: r.notches,
    note: r.note,
  });
  return parsed ? { ...parsed, id: r.id, version: r.version, isRetired: r.retired_at !== null } : null;
}

/** Enters a machine. */
export async function addMachine(ctx: Ctx, id: string, m: Machine): Promise<void> {
  mustMay(ctx, "machine.write");
  if (await isRepeat(ctx, "machine", null, m, id)) return;
  const { tx, actor } = ctx;
  const rows = await tx`
    insert into machine (id, clinic_id, name, place, family, steps, geometry, cam, notches, note)
    values (${id}, ${actor.clinicId}, ${m.name}, ${m.place}, ${m.family}, ${tx.json(m.steps)},
      ${tx.json(m.geometry)}, ${tx.json(m.cam)}, ${tx.json(m.notches)}, ${m.note})
    on conflict do nothing returning id`;
  if (rows.length === 0) throw idIsTaken();
  await audit(ctx, "machine.add", "machine", id, null, m);
}

/** Changes a machine; refused when somebody changed it meanwhile, and nothing is lost in the form. */
export async function changeMachine(ctx: Ctx, id: string, baseVersion: number, m: Machine): Promise<void> {
  mustMay(ctx, "machine.write");
  const before = await machineById(ctx, id);
  if (m.family !== before.family)
    throw new Refused(
      "conflict",
      "A machine keeps its kind. Enter a new machine and take this one out of use.",
    );
  const { tx } = ctx;
  const rows = await tx`
    update machine set name = ${m.name}, place = ${m.place}, steps = ${tx.json(m.steps)},
      geometry = ${tx.json(m.geometry)}, cam = ${tx.json(m.cam)}, notches = ${tx.json(m.notches)}, note = ${m.note},
      version = version + 1
    where id = ${id} and version = ${baseVersion} returning id`;
  if (rows.length === 0)
    throw new Refused(
      "conflict",
      `${before.name} was changed by somebody else meanwhile. What you typed is still here: reload in another window, compare and save again.`,
    );
  const { id: _id, version: _version, isRetired: _retired, ...was } = before;
  await audit(ctx, "machine.change", "machine", id, was, m);
}

/** Takes a machine out of use: nothing is chosen on it any more, its history stays. */
export async function retireMachine(ctx: Ctx, id: string, isRetired: boolean): Promise<void> {
  mustMay(ctx, "machine.write");
  const before = await machineById(ctx, id);
  await ctx.tx`update machine set retired_at = ${isRetired ? ctx.now : null} where id = ${id}`;
  await audit(
    ctx,
    isRetired ? "machine.retire" : "machine.return",
    "machine",
    id,
    { name: before.name },
    null,
  );
}

/** Where the shin pad of the clinic's extension machine sits at its usual notch, m from the knee; null without one. */
export const extensionPadM = (ctx: Ctx): Promise<number | null> =>
  once(ctx, "extension pad", async () => {
    const found = (await machinesOf(ctx)).find((m) => m.family === "seated_knee_extension");
    const spec = familyById("seated_knee_extension")?.settings.find((s) => s.key === "padM");
    return found && spec ? nearestNotch(notchesOf(found, spec), spec.usual).value : null;
  });
