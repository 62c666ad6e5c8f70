import "server-only";
import { type Ctx, today } from "../base/context";
import { Refused } from "../base/refused";

/** An episode, open or closed, as it is looked back at. */
export interface PastEpisode {
  clientId: string;
  episodeId: string;
  name: string;
  birthYear: number;
  normSex: "female" | "male" | null;
  condition: string;
  side: "left" | "right";
  beganOn: string;
  beganWith: "surgery" | "onset";
  /** the last day that is looked at: today, or the day it was closed */
  endsOn: string;
  isOpen: boolean;
  goals: { goalId: string | null; words: string }[];
  heightM: number;
  bodyMassKg: number;
  shankLengthM: number | null;
}

const isUuid = (text: string): boolean => /^[0-9a-f]{8}-([0-9a-f]{4}-){3}[0-9a-f]{12}$/i.test(text);

/** Episodes of a client, the open one first, then the newest. */
export async function episodesToReview(ctx: Ctx, clientId: string): Promise<PastEpisode[]> {
  const rows = isUuid(clientId)
    ? await ctx.tx`
        select e.id, e.client_id, e.condition, e.side, e.began_on, e.began_with, e.closed_on, e.goals, c.name, c.birth_year, c.norm_sex,
          c.height_m, body_mass_of(c) as body_mass_kg, c.shank_length_m
        from episode e join client c on c.id = e.client_id
        where c.id = ${clientId} order by e.closed_on is null desc, e.began_on desc, e.id`
    : [];
  if (rows.length === 0)
    throw new Refused("missing", "There is no such client in this clinic. Go back to Today.");
  return rows.map((r) => ({
    clientId: r.client_id,
    episodeId: r.id,
    name: r.name,
    birthYear: r.birth_year,
    normSex: r.norm_sex,
    condition: r.condition,
    side: r.side,
    beganOn: r.began_on,
    beganWith: r.began_with,
    endsOn: r.closed_on ?? today(ctx),
    isOpen: r.closed_on === null,
    goals: r.goals,
    heightM: r.height_m,
    bodyMassKg: r.body_mass_kg,
    shankLengthM: r.shank_length_m,
  }));
}
