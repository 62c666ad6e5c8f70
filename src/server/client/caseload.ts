import "server-only";
import type { Ctx } from "../base/context";
import { todayList } from "../day/todayList";

/** One line of the caseload: a person with the open episode, or with only closed ones. */
export interface CaseloadRow {
  clientId: string;
  name: string;
  occupation: string;
  condition: string;
  where: string;
  beganOn: string;
  beganWith: "surgery" | "onset" | null;
  trainsAt: string;
  isOpen: boolean;
  needsHand: boolean;
  next: string;
  href: string;
  lastOn: string | null;
  lastPain: number | null;
}

/** Everybody the clinic has ever treated, open episodes with what comes next. */
export async function caseload(ctx: Ctx): Promise<CaseloadRow[]> {
  const days = new Map((await todayList(ctx)).map((d) => [d.client.clientId, d]));
  const rows = await ctx.tx`
    select distinct on (c.id) c.id, c.name, c.occupation, e.condition, e.side, e.began_on, e.began_with,
      e.trains_at, e.closed_on
    from client c join episode e on e.client_id = c.id
    order by c.id, e.closed_on is null desc, e.closed_on desc, e.began_on desc`;
  return rows
    .map((r): CaseloadRow => {
      const day = days.get(r.id);
      return {
        clientId: r.id,
        name: r.name,
        occupation: r.occupation,
        condition: r.condition,
        where: day?.client.where ?? r.side,
        beganOn: r.began_on,
        beganWith: r.began_with,
        trainsAt: r.trains_at,
        isOpen: r.closed_on === null,
        needsHand: day?.next.needsHand ?? false,
        next: day?.next.sentence ?? `closed ${r.closed_on}`,
        href: day ? `/clients/${r.id}/${day.next.step}` : `/clients/${r.id}/episodes`,
        lastOn: day?.last?.on ?? null,
        lastPain: day?.last?.morning ?? day?.last?.after ?? null,
      };
    })
    .sort((a, b) => a.name.localeCompare(b.name));
}
