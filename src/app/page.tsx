import type { Metadata } from "next";
import { may, type Role } from "@/core/access/roles";
import { type MatterKind, mattersFor } from "@/core/desk/matters";
import { recentAttempts } from "@/server/base/attempts";
import { today } from "@/server/base/context";
import { machinesOf } from "@/server/clinic/machines";
import { type ClientRow, todayList } from "@/server/day/todayList";
import { longDay } from "@/ui/dates";
import { Link } from "@/ui/Link";
import { ShellHeader } from "@/ui/shell/ShellHeader";
import { type Say, sayTo } from "@/words/say";
import { onPage } from "./_web/actor";
import { weekWords } from "./_web/weeks";
import { Desk, type DeskGroup } from "./Desk";
import { FirstSteps } from "./FirstSteps";
import { type TodayLane, TodayList } from "./TodayList";

export const metadata: Metadata = { title: "Today" };

export default async function TodayPage() {
  const { actor, data } = await onPage(async (ctx) => {
    const say = sayTo({ language: "en", massUnit: ctx.actor.massUnit });
    const day = today(ctx);
    const attempts = may(ctx.actor.role, "limit.write")
      ? await recentAttempts(ctx)
      : new Map<string, number>();
    const rows = await todayList(ctx);
    const lanes = rows
      .slice(0, MOST_LANES)
      .map(
        (row): TodayLane => ({ ...laneOf(row, day, say), refused: attempts.get(row.client.clientId) ?? 0 }),
      );
    // a clinic that begins has nobody in care yet
    const begins = rows.length > 0 ? null : { machines: (await machinesOf(ctx)).length };
    return { day, lanes, begins, inCare: rows.length, groups: groupsOf(rows, ctx.actor.role, say) };
  });
  return (
    <>
      <ShellHeader clinic={actor.clinicName} who={`${actor.name}, ${actor.role}`} />
      <main className="mx-auto max-w-[1180px] px-6 py-6">
        <div className="flex items-baseline justify-between">
          <h1 className="text-[26px]">
            Today <span className="quiet text-lg font-normal">{longDay(data.day, actor.locale)}</span>
          </h1>
          {may(actor.role, "story.write") && (
            <Link href="/clients/new" className="btn btn-sm btn-line">
              New client
            </Link>
          )}
        </div>
        <p className="mb-4">{dayWords(data.groups, actor.role)}</p>
        {data.inCare > 0 && <Desk groups={data.groups} mayAnswer={may(actor.role, "request.answer")} />}
        <h2 className="mt-8 mb-1 text-[19px]">
          In care{" "}
          <span className="quiet text-[15px] font-normal">
            {data.inCare} {data.inCare === 1 ? "client" : "clients"}, those who need a hand first
          </span>
        </h2>
        <TodayList lanes={data.lanes} todayIso={data.day} />
        {data.begins && (
          <FirstSteps machines={data.begins.machines} isTherapist={may(actor.role, "story.write")} />
        )}
        {data.inCare > data.lanes.length && (
          <p className="mt-2">
            <Link href="/caseload" className="font-bold text-primary underline">
              {data.inCare - data.lanes.length} more in the caseload
            </Link>
          </p>
        )}
      </main>
    </>
  );
}

function laneOf(row: ClientRow, day: string, say: Say): Omit<TodayLane, "refused"> {
  const { client, next } = row;
  return {
    clientId: client.clientId,
    name: client.name,
    detail: `${client.where} · ${client.condition}`,
    week: weekWords(client, day),
    window: row.window,
    holdDeg: row.holdDeg,
    sheets: row.sheets.map(
      (s) => `${s.name}: ${s.lines} ${s.lines === 1 ? "line" : "lines"}, ${Math.ceil(s.seconds / 60)} min`,
    ),
    last: row.last,
    next: say(next.why),
    href: `/clients/${client.clientId}/${next.step}${next.query ?? ""}`,
    needsHand: next.needsHand,
    isSore: row.isSore,
  };
}

/** Everybody else is found in the caseload, by name. */
const MOST_LANES = 40;

/** What waits, by kind in the order of who looks, each row with its client. */
function groupsOf(rows: readonly ClientRow[], role: Role, say: Say): DeskGroup[] {
  return mattersFor(role).flatMap((kind): DeskGroup[] => {
    const found = rows.flatMap(({ client, matters }) =>
      matters
        .filter((m) => m.kind === kind)
        .map((m, i) => ({
          key: `${client.clientId} ${i}`,
          name: client.name,
          detail: `${client.where} · ${client.condition}`,
          sentence: say(m.why),
          at: m.why.code === "desk.planned" ? (m.why.at ?? "") : "",
          href: `/clients/${client.clientId}/${m.step}${m.query ?? ""}`,
          requestId: m.requestId ?? null,
        })),
    );
    // what has an hour stands by the hour
    if (kind === "planned") found.sort((a, b) => a.at.localeCompare(b.at));
    return found.length > 0 ? [{ kind, rows: found }] : [];
  });
}

/** The day in one line: what comes first for who looks. */
function dayWords(groups: readonly DeskGroup[], role: Role): string {
  const count = (kind: MatterKind) => groups.find((g) => g.kind === kind)?.rows.length ?? 0;
  const parts = (role === "trainer" ? TRAINER_COUNTS : THERAPIST_COUNTS).flatMap(([kind, one, many]) => {
    const n = count(kind);
    return n === 0 ? [] : [`${n} ${n === 1 ? one : many}`];
  });
  if (parts.length === 0) return "Nothing waits for you.";
  const last = parts.pop();
  return `${parts.length > 0 ? `${parts.join(", ")} and ` : ""}${last}.`;
}

type Count = readonly [kind: MatterKind, one: string, many: string];
const THERAPIST_COUNTS: readonly Count[] = [
  ["concern", "thing to be seen first", "things to be seen first"],
  ["stop", "stop", "stops"],
  ["morning", "morning to ask", "mornings to ask"],
  ["decision", "visit to decide", "visits to decide"],
  ["request", "request", "requests"],
  ["run", "sheet to run", "sheets to run"],
];
const TRAINER_COUNTS: readonly Count[] = [
  ["open_visit", "visit open", "visits open"],
  ["run", "sheet to run", "sheets to run"],
  ["stop", "client stopped", "clients stopped"],
  ["morning", "morning to ask", "mornings to ask"],
];
