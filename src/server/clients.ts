import "server-only";
import type { BodyInput } from "@/core/body/bodyInput";
import { type Body, bodyFrom } from "@/core/body/segments";
import { type Irritability, irritability, type School, school } from "@/core/progression/painRule";
import type { Side } from "@/core/units/fields";
import { audit } from "./audit";
import { type Ctx, mustMay } from "./context";
import { Refused } from "./refused";

/** A client in one episode of care: what the header shows and the rules need. */
export interface ClientEpisode {
  clientId: string;
  episodeId: string;
  name: string;
  occupation: string;
  birthYear: number;
  heightM: number;
  bodyMassKg: number;
  shankLengthM: number | null;
  side: Side;
  condition: string;
  beganOn: string;
  beganWith: "surgery" | "onset";
  school: School;
  irritability: Irritability;
  usualPain: number;
  swellingApplies: boolean;
  firstSwelling: number;
  goal: string;
}

const isUuid = (text: string): boolean => /^[0-9a-f]{8}-([0-9a-f]{4}-){3}[0-9a-f]{12}$/i.test(text);

/** The client's open episode. */
export async function clientEpisode(ctx: Ctx, clientId: string): Promise<ClientEpisode> {
  const found = isUuid(clientId) ? await clientEpisodes(ctx, clientId) : [];
  if (!found[0]) throw new Refused("missing", "There is no such client in this clinic. Go back to Today.");
  return found[0];
}

/** All open episodes of the clinic, or of one client. */
export async function clientEpisodes(ctx: Ctx, clientId: string | null = null): Promise<ClientEpisode[]> {
  const rows = await ctx.tx`
    select c.id as client_id, e.id as episode_id, c.name, c.occupation, c.birth_year, c.height_m, c.body_mass_kg,
      c.shank_length_m, e.side, e.condition, e.began_on, e.began_with, e.pain_school, e.irritability, e.usual_pain,
      e.swelling_applies, e.first_swelling, e.goal
    from client c join episode e on e.client_id = c.id
    where e.closed_on is null and (${clientId}::uuid is null or c.id = ${clientId})
    order by c.name`;
  return rows.map((r) => ({
    clientId: r.client_id,
    episodeId: r.episode_id,
    name: r.name,
    occupation: r.occupation,
    birthYear: r.birth_year,
    heightM: r.height_m,
    bodyMassKg: r.body_mass_kg,
    shankLengthM: r.shank_length_m,
    side: r.side,
    condition: r.condition,
    beganOn: r.began_on,
    beganWith: r.began_with,
    school: school.parse(r.pain_school),
    irritability: irritability.parse(r.irritability),
    usualPain: r.usual_pain,
    swellingApplies: r.swelling_applies,
    firstSwelling: r.first_swelling,
    goal: r.goal,
  }));
}

export const bodyOf = (c: Pick<ClientEpisode, "bodyMassKg" | "heightM" | "shankLengthM">): Body =>
  bodyFrom(c.bodyMassKg, c.heightM, c.shankLengthM ?? undefined);

export async function updateBody(ctx: Ctx, clientId: string, input: BodyInput): Promise<void> {
  mustMay(ctx, "body.write");
  const before = await clientEpisode(ctx, clientId);
  await ctx.tx`
    update client set body_mass_kg = ${input.bodyMassKg}, height_m = ${input.heightM},
      shank_length_m = ${input.shankLengthM}
    where id = ${clientId}`;
  const { bodyMassKg, heightM, shankLengthM } = before;
  await audit(ctx, "body.write", "client", clientId, { bodyMassKg, heightM, shankLengthM }, input);
}
