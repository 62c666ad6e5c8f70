import type { Metadata } from "next";
import Link from "next/link";
import { may } from "@/core/access/roles";
import { recentAttempts } from "@/server/base/attempts";
import { today } from "@/server/base/context";
import { kneeWindowOf } from "@/server/bounds/windows";
import { type ClientDay, todayList } from "@/server/day/day";
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
    const lanes = await Promise.all(
      (await todayList(ctx)).map(async (d): Promise<TodayLane> => {
        const window = await kneeWindowOf(ctx, d.client);
        return { ...laneOf(d, day, window), refused: attempts.get(d.client.clientId) ?? 0 };
      }),
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

function laneOf(
  d: ClientDay,
  day: string,
  window: { fromDeg: number; toDeg: number },
): Omit<TodayLane, "refused"> {
  const { client, sheets, last } = d;
  const hold = sheets.flatMap((s) => s.lines).find((l) => l.plan.scheme.kind === "holds")?.plan.scheme;
  return {
    clientId: client.clientId,
    name: client.name,
    detail: `${client.where} · ${client.condition}`,
    week: weekWords(client, day),
    window: { fromDeg: window.fromDeg, toDeg: window.toDeg },
    holdDeg: hold?.kind === "holds" ? hold.atDeg : null,
    sheets: sheets.map(
      (s) =>
        `${s.name}: ${s.lines.length} ${s.lines.length === 1 ? "line" : "lines"}, ${Math.ceil(s.seconds / 60)} min`,
    ),
    last,
    next: d.next.sentence,
    href: `/clients/${client.clientId}/${d.next.step}${d.next.query ?? ""}`,
    needsHand: d.next.needsHand,
    isSore: d.pain !== null,
  };
}
