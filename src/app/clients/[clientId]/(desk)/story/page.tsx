import type { Metadata } from "next";
import { onPage } from "@/app/_web/actor";
import { fullWeeksBetween } from "@/core/units/days";
import { clientEpisode } from "@/server/clients";
import { conditionsOf } from "@/server/conditions";
import { today } from "@/server/context";
import { limitsOf } from "@/server/limits";
import { ConditionTimeLine } from "./ConditionTimeLine";
import { LimitTable } from "./LimitTable";
import { PhaseNotes } from "./PhaseNotes";

export const metadata: Metadata = { title: "Story" };

/** What brought the client here, where on the way they are, and everything that bounds the work, with its origin. */
export default async function StoryPage({ params }: { params: Promise<{ clientId: string }> }) {
  const { clientId } = await params;
  const { actor, data } = await onPage(async (ctx) => {
    const client = await clientEpisode(ctx, clientId);
    return {
      client,
      day: today(ctx),
      conditions: await conditionsOf(ctx, client.episodeId),
      limits: await limitsOf(ctx, client.episodeId),
    };
  });
  const { client, conditions, limits, day } = data;
  const week = fullWeeksBetween(client.beganOn, day);
  const facts: [string, string][] = [
    ["born", String(client.birthYear)],
    ["works as", client.occupation || "not known"],
    ["height and mass", `${client.heightM} m, ${client.bodyMassKg} kg`],
    ["goal", client.goal],
    ["usual joint pain", `${client.usualPain} of 10`],
  ];
  return (
    <main className="grid min-h-full grid-cols-[minmax(0,1fr)_372px]">
      <div className="px-4 py-4">
        <h1 className="text-[19px]">
          Where on the way?{" "}
          <span className="quiet text-[15px] font-normal">
            {client.beganWith === "surgery" ? "surgery" : "onset"} {week} full weeks ago
          </span>
        </h1>
        {conditions.length === 0 && (
          <p className="mt-2 border-l-4 border-accent pl-3">
            This episode has no condition of the rule base, so no limits are computed. Only what surgeon and
            therapist wrote applies: write limits by hand before dosing.
          </p>
        )}
        {conditions.map((c) => (
          <ConditionTimeLine
            key={c.condition.id}
            name={c.condition.name}
            variant={c.variantName}
            phases={c.condition.phases.map((p) => ({
              id: p.id,
              name: p.name,
              from: p.weeks.from,
              to: p.weeks.to,
            }))}
            confirmedId={c.phase.id}
            week={week}
          />
        ))}
        <LimitTable limits={limits} today={day} locale={actor.locale} />
      </div>
      <aside className="border-l border-rule bg-base-100 px-5 py-4">
        <dl>
          {facts.map(([name, value]) => (
            <div key={name} className="flex justify-between gap-4 border-b border-rule py-1">
              <dt className="small quiet">{name}</dt>
              <dd className="text-right">{value}</dd>
            </div>
          ))}
        </dl>
        {conditions.map((c) => (
          <PhaseNotes key={c.condition.id} condition={c} />
        ))}
      </aside>
    </main>
  );
}
