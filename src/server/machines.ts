import "server-only";
import { familyById } from "@/core/equipment/families";
import type { SettingSpec } from "@/core/equipment/families/family";
import { type LoadSteps, loadSteps } from "@/core/equipment/loadSteps";
import { type Machine, machine, nearestNotch, notchesOf } from "@/core/equipment/machine";
import {
  type SeatedKneeExtensionMachine,
  seatedKneeExtensionMachine,
} from "@/core/equipment/seatedKneeExtension";
import { uuid } from "@/core/units/fields";
import { audit } from "./audit";
import { type Ctx, mustMay, once } from "./context";
import { Refused } from "./refused";

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
  const { tx, actor } = ctx;
  const rows = await tx`
    insert into machine (id, clinic_id, name, place, family, steps, geometry, cam, notches, note)
    values (${id}, ${actor.clinicId}, ${m.name}, ${m.place}, ${m.family}, ${tx.json(m.steps)},
      ${tx.json(m.geometry)}, ${tx.json(m.cam)}, ${tx.json(m.notches)}, ${m.note})
    on conflict do nothing returning id`;
  if (rows.length === 0) return;
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

export type ClinicMachine = SeatedKneeExtensionMachine & { id: string; setUp: string };

/** The clinic's seated knee-extension machine, on which holds are dosed; null where it has none in use. */
export const kneeExtensionMachine = (ctx: Ctx): Promise<ClinicMachine | null> =>
  once(ctx, "machine", async () => {
    const found = (await machinesOf(ctx)).find((m) => m.family === "seated_knee_extension");
    return found ? { ...forHolds(found), id: found.id, setUp: found.note } : null;
  });

/** How holds see an extension machine: the pad and backrest at their usual notch, angles where its stops click in. */
function forHolds(m: StoredMachine): SeatedKneeExtensionMachine {
  const settings: readonly SettingSpec[] = familyById(m.family)?.settings ?? [];
  const notches = (key: string) => {
    const spec = settings.find((s) => s.key === key);
    return spec ? notchesOf(m, spec) : [];
  };
  const usual = (key: string) =>
    nearestNotch(notches(key), settings.find((s) => s.key === key)?.usual ?? 0).value;
  const ends = notches("endDeg").map((n) => n.value);
  const starts = notches("startDeg").map((n) => n.value);
  const gaps = ends.slice(1).map((v, i) => v - (ends[i] as number));
  return seatedKneeExtensionMachine.parse({
    name: m.name,
    steps: m.steps,
    ratioM: m.geometry.ratioM,
    cam: m.cam,
    padDistanceM: usual("padM"),
    frictionShare: m.geometry.frictionShare,
    startLoadKg: m.geometry.startLoadKg,
    backrestDeg: usual("backrestDeg"),
    usableFromDeg: Math.min(...ends),
    usableToDeg: Math.max(...starts),
    angleNotchDeg: gaps.length ? Math.min(...gaps) : 5,
  });
}

/** Ankle cuffs as steps of a load. */
export const cuffSteps = (ctx: Ctx): Promise<LoadSteps> => once(ctx, `cuffs`, () => readCuffSteps(ctx));

async function readCuffSteps(ctx: Ctx): Promise<LoadSteps> {
  const own = await ctx.tx`select label, mass_kg as kg from cuff order by mass_kg`;
  // where nobody entered cuffs the lightest usual one stands, so that no page fails for want of a list
  const items = own.length ? own : [{ label: "1 kg", kg: 1 }];
  return loadSteps.parse({ kind: "list", items: items.map((i) => ({ label: i.label, kg: i.kg })) });
}
