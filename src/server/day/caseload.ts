import "server-only";
import type { CaseloadView } from "@/core/desk/caseloadView";
import { sayTo } from "@/words/say";
import type { Ctx } from "../base/context";
import { todayList } from "./todayList";

/** One line of the caseload: a person with the open episode, or with only closed ones. */
export interface CaseloadRow {
  clientId: string;
  name: string;
  occupation: string;
  condition: string;
  where: string;
  beganOn: string;
  isOpen: boolean;
  needsHand: boolean;
  next: string;
  href: string;
  lastOn: string | null;
  lastPain: number | null;
}

/** A page of it, with how many fit in all. */
export interface CaseloadPage {
  rows: CaseloadRow[];
  found: number;
  page: number;
  pages: number;
}

export const CASELOAD_PAGE_ROWS = 60;

/** One page of everybody in care, with what comes next; of closed episodes only where they are asked for. */
export async function caseload(ctx: Ctx, view: CaseloadView): Promise<CaseloadPage> {
  const open = view.show === "closed" ? [] : await openRows(ctx);
  const closed = view.show === "open" ? [] : await closedRows(ctx);
  const wanted = view.q.trim().toLocaleLowerCase(ctx.actor.locale);
  const fits = (text: string) => text.toLocaleLowerCase(ctx.actor.locale).includes(wanted);
  const found = [...open, ...closed]
    .filter((r) => !view.hand || r.needsHand)
    .filter((r) => wanted === "" || [r.name, `${r.condition} ${r.where}`, r.next].some(fits))
    .sort(order(view));
  const pages = Math.max(1, Math.ceil(found.length / CASELOAD_PAGE_ROWS));
  const page = Math.min(Math.max(1, view.page), pages);
  return {
    rows: found.slice((page - 1) * CASELOAD_PAGE_ROWS, page * CASELOAD_PAGE_ROWS),
    found: found.length,
    page,
    pages,
  };
}

function order({ sort, down }: CaseloadView): (a: CaseloadRow, b: CaseloadRow) => number {
  const keyOf = (r: CaseloadRow) => (sort === "condition" ? `${r.condition} ${r.where}` : r[sort]);
  return (a, b) => {
    const [x, y] = [keyOf(a), keyOf(b)];
    // who was never seen stands last both ways
    if (x === null || y === null)
      return Number(x === null) - Number(y === null) || a.name.localeCompare(b.name);
    return (down ? -1 : 1) * x.localeCompare(y) || a.name.localeCompare(b.name);
  };
}

async function openRows(ctx: Ctx): Promise<CaseloadRow[]> {
  return (await todayList(ctx)).map(({ client, next, last }) => ({
    clientId: client.clientId,
    name: client.name,
    occupation: client.occupation,
    condition: client.condition,
    where: client.where,
    beganOn: client.beganOn,
    isOpen: true,
    needsHand: next.needsHand,
    next: sayTo({ language: "en", massUnit: ctx.actor.massUnit })(next.why),
    href: `/clients/${client.clientId}/${next.step}`,
    lastOn: last?.on ?? null,
    lastPain: last?.morning ?? last?.after ?? null,
  }));
}

/** Who has no open episode, with the last one. */
async function closedRows({ tx }: Ctx): Promise<CaseloadRow[]> {
  const rows = await tx`
    select distinct on (c.id) c.id, c.name, c.occupation, e.condition, e.side, e.began_on, e.closed_on
    from client c join episode e on e.client_id = c.id
    where not exists (select 1 from episode o where o.client_id = c.id and o.closed_on is null)
    order by c.id, e.closed_on desc, e.began_on desc`;
  return rows.map((r) => ({
    clientId: r.id,
    name: r.name,
    occupation: r.occupation,
    condition: r.condition,
    where: r.side,
    beganOn: r.began_on,
    isOpen: false,
    needsHand: false,
    next: `closed ${r.closed_on}`,
    href: `/clients/${r.id}/episodes`,
    lastOn: null,
    lastPain: null,
  }));
}
