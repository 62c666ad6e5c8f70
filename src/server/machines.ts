import "server-only";
import { type LoadSteps, loadSteps } from "@/core/equipment/loadSteps";
import {
  type SeatedKneeExtensionMachine,
  seatedKneeExtensionMachine,
} from "@/core/equipment/seatedKneeExtension";
import { type Ctx, once } from "./context";
import { Refused } from "./refused";

export type ClinicMachine = SeatedKneeExtensionMachine & { id: string; setUp: string };

/** The clinic's seated knee-extension machine. */
export const kneeExtensionMachine = (ctx: Ctx): Promise<ClinicMachine> =>
  once(ctx, `machine`, () => readKneeExtensionMachine(ctx));

async function readKneeExtensionMachine(ctx: Ctx): Promise<ClinicMachine> {
  const [r] = await ctx.tx`
    select *, lower(usable_deg) as from_deg, upper(usable_deg) as to_deg
    from machine where family = 'seated_knee_extension' order by name limit 1`;
  if (!r)
    throw new Refused(
      "missing",
      "This clinic has no seated knee-extension machine yet: an admin enters it first.",
    );
  const machine = seatedKneeExtensionMachine.parse({
    name: r.name,
    steps: r.steps,
    ratioM: r.ratio_m,
    cam: r.cam,
    padDistanceM: r.pad_distance_m,
    frictionShare: r.friction_share,
    backrestDeg: r.backrest_deg,
    usableFromDeg: r.from_deg,
    usableToDeg: r.to_deg,
    angleNotchDeg: r.angle_notch_deg,
  });
  return { ...machine, id: r.id, setUp: r.set_up };
}

/** Ankle cuffs as steps of a load. */
export const cuffSteps = (ctx: Ctx): Promise<LoadSteps> => once(ctx, `cuffs`, () => readCuffSteps(ctx));

async function readCuffSteps(ctx: Ctx): Promise<LoadSteps> {
  const items = await ctx.tx`select label, mass_kg as kg from cuff order by mass_kg`;
  if (items.length === 0)
    throw new Refused("missing", "This clinic has no ankle cuffs yet: an admin enters them first.");
  return loadSteps.parse({ kind: "list", items: items.map((i) => ({ label: i.label, kg: i.kg })) });
}
