import "server-only";
import { type Ctx, mustMay } from "../base/context";
import { exercisesOf } from "./exercises";
import { machinesOf } from "./machines";

/** What can be found by name from anywhere in the clinic. */
export interface Findable {
  clients: { id: string; name: string; hint: string }[];
  machines: { id: string; name: string; hint: string }[];
  exercises: { id: string; name: string }[];
}

const MOST_CLIENTS = 2000;

export async function findable(ctx: Ctx): Promise<Findable> {
  mustMay(ctx, "client.read");
  const clients = await ctx.tx`
    select c.id, c.name, e.condition from client c join episode e on e.client_id = c.id
    where e.closed_on is null order by c.name, c.id limit ${MOST_CLIENTS}`;
  return {
    clients: clients.map((c) => ({ id: c.id, name: c.name, hint: c.condition })),
    machines: (await machinesOf(ctx)).map((m) => ({ id: m.id, name: m.name, hint: m.place })),
    exercises: (await exercisesOf(ctx)).map((e) => ({ id: e.exercise.id, name: e.exercise.name })),
  };
}
