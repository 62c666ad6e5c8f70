import type { Metadata } from "next";
import { allowedWindow } from "@/core/safety/limits";
import { today } from "@/server/context";
import { type ClientDay, todayList } from "@/server/day";
import { limitsOf } from "@/server/limits";
import { kneeExtensionMachine } from "@/server/machines";
import { longDay } from "@/ui/dates";
import { SignOut } from "@/ui/shell/SignOut";
import { ThemeSwitch } from "@/ui/shell/ThemeSwitch";
import { onPage } from "./_web/actor";
import { weekWords } from "./_web/weeks";
import { type TodayLane, TodayList } from "./TodayList";

export const metadata: Metadata = { title: "Today" };

export default async function TodayPage() {
  const { actor, data } = await onPage(async (ctx) => {
    const day = today(ctx);
    const machine = await kneeExtensionMachine(ctx);
    const lanes: TodayLane[] = [];
    for (const d of await todayList(ctx)) {
      const window = allowedWindow(await limitsOf(ctx, d.client.episodeId), day, {
        fromDeg: machine.usableFromDeg,
        toDeg: machine.usableToDeg,
      });
      lanes.push(laneOf(d, day, window));
    }
    return { day, lanes };
  });
  const needHand = data.lanes.filter((l) => l.needsHand).length;
  return (
    <>
      <header className="flex items-baseline justify-between border-b border-rule bg-base-100 px-6 py-4">
        <p className="display text-2xl text-primary">Bexlo</p>
        <p>
          {actor.clinicName}{" "}
          <span className="quiet">
            · {actor.name}, {actor.role}
          </span>
        </p>
        <p className="flex gap-4">
          <ThemeSwitch />
          <SignOut />
        </p>
      </header>
      <main className="mx-auto max-w-[1180px] px-6 py-6">
        <h1 className="text-[26px]">
          Today <span className="quiet text-lg font-normal">{longDay(data.day, actor.locale)}</span>
        </h1>
        <p className="mb-4">
          {data.lanes.length} {data.lanes.length === 1 ? "client" : "clients"} in care,{" "}
          {needHand === 0
            ? "nobody waits for you"
            : `${needHand} ${needHand === 1 ? "needs" : "need"} a hand`}
          . Open one to measure, dose, run or decide; each line says what comes next and why.
        </p>
        <TodayList lanes={data.lanes} todayIso={data.day} />
      </main>
    </>
  );
}

function laneOf(d: ClientDay, day: string, window: { fromDeg: number; toDeg: number }): TodayLane {
  const { client, plan, last } = d;
  return {
    clientId: client.clientId,
    name: client.name,
    detail: `${client.side} knee · ${client.condition}`,
    week: weekWords(client, day),
    window: { fromDeg: window.fromDeg, toDeg: window.toDeg },
    hold: plan
      ? {
          deg: plan.plan.kneeFlexionDeg,
          words: `${plan.plan.pattern.reps * plan.plan.pattern.sets} × ${plan.plan.pattern.holdS} s, ${plan.setting}`,
        }
      : null,
    last,
    next: d.next.sentence,
    href: `/clients/${client.clientId}/${d.next.step}`,
    needsHand: d.next.needsHand,
  };
}
