import "server-only";
import type { z } from "zod";
import type { Letterhead } from "@/core/paper/doc";
import type { letterheadInput } from "@/core/paper/paperInput";
import { audit } from "../base/audit";
import { type Ctx, mustMay } from "../base/context";

/** What stands at the head of the clinic's paper. */
export async function letterheadOf(ctx: Ctx): Promise<Letterhead> {
  const [r] = await ctx.tx`select name, address, contact, paper from clinic where id = ${ctx.actor.clinicId}`;
  return {
    name: r?.name ?? ctx.actor.clinicName,
    address: r?.address ?? "",
    contact: r?.contact ?? "",
    size: r?.paper ?? "A4",
  };
}

export async function writeLetterhead(ctx: Ctx, input: z.infer<typeof letterheadInput>): Promise<void> {
  mustMay(ctx, "clinic.write");
  const { address, contact, size } = await letterheadOf(ctx);
  await ctx.tx`
    update clinic set address = ${input.address}, contact = ${input.contact}, paper = ${input.paper}
    where id = ${ctx.actor.clinicId}`;
  await audit(ctx, "clinic.write", "clinic", ctx.actor.clinicId, { address, contact, paper: size }, input);
}
