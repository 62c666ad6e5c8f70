import type { Metadata } from "next";
import Link from "next/link";
import { may } from "@/core/access/roles";
import { recentAttempts } from "@/server/base/attempts";
import { today } from "@/server/base/context";
import { type ClientRow, todayList } from "@/server/day/todayList";
import { longDay } from "@/ui/dates";
import { ShellHeader } from "@/ui/shell/ShellHeader";
import { onPage } from "./_web/actor";
import { weekWords } from "./_web/weeks";
import { type TodayLane, TodayList } from "./TodayList";

export const metadata: Metadata = { title: "Today" };

export default async function TodayPage() {
  const { actor, data } = await onPage(async (ctx) => {
    const day = today(ctx);
    const attempts = may(ctx.actor.role, "limit.write")
      ? await recentAttempts(ctx)
      : new Map<string, number>();
    const lanes = (await todayList(ctx)).map(
      (row): TodayLane => ({ ...laneOf(row, day), refused: attempts.get(row.client.clientId) ?? 0 }),
    );
    return { day, lanes };
  });
  const needHand = data.lanes.filter((l) => l.needsHand).length;
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
        <p className="mb-4">
          {data.lanes.length} {data.lanes.length === 1 ? "client" : "clients"} in care,{" "}
          {needHand === 0
            ? "nobody waits for you"
            : `${needHand} ${needHand === 1 ? "needs" : "need"} a hand`}
          . Open one to measure, plan, run or decide; each line says what comes next and why.
        </p>
        <TodayList lanes={data.lanes} todayIso={data.day} />
      </main>
    </>
  );
}

function laneOf(row: ClientRow, day: string): Omit<TodayLane, "refused"> {
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
    next: next.sentence,
    href: `/clients/${client.clientId}/${next.step}${next.query ?? ""}`,
    needsHand: next.needsHand,
    isSore: row.isSore,
  };
}
