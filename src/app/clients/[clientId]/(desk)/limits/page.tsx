import type { Metadata } from "next";
import { onPage } from "@/app/_web/actor";
import { may } from "@/core/access/roles";
import { inForce } from "@/core/bounds/inForce";
import { limitRows } from "@/core/bounds/rows";
import { missingKilograms } from "@/core/bounds/weightOrders";
import { combineConditions } from "@/core/phases/combineConditions";
import { phaseEntry, proposedEntry } from "@/core/phases/phaseEntry";
import { phaseOpens } from "@/core/phases/phaseOpens";
import { GENERAL_STANCES, stancesOf } from "@/core/rules/stances";
import { taskBarred } from "@/core/selection/fit/taskBarred";
import { asKept } from "@/core/units/said";
import { today } from "@/server/base/context";
import { coverOf, limitsBar, limitsOf, writtenLimits } from "@/server/bounds/limits";
import { clientEpisode } from "@/server/client/clients";
import { conditionsOf, type EpisodeCondition } from "@/server/client/conditions";
import { stancesInForce, stanceViews } from "@/server/client/stances";
import { checkedCitations } from "@/server/clinic/sources";
import { findingsOf } from "@/server/facts/phases";
import { limitsUnder } from "@/server/facts/underStance";
import { motionOf } from "@/server/facts/windows";
import { painfulArcsOf } from "@/server/measure/otherMeasurements";
import { longDay } from "@/ui/dates";
import { Term } from "@/ui/help/Term";
import { Said } from "@/ui/reader";
import { sayPlainly } from "@/words/say";
import { BesidePicker, type OtherAnswer } from "./BesidePicker";
import { BoundsPicture } from "./BoundsPicture";
import { ConditionTimeLine } from "./ConditionTimeLine";
import { DayPicker } from "./DayPicker";
import { EntryCard } from "./EntryCard";
import { LimitEditor, type WrittenView } from "./LimitEditor";
import { LimitTable } from "./LimitTable";
import { OpensNext } from "./OpensNext";
import { PhaseCard } from "./PhaseCard";
import { PhaseNotes } from "./PhaseNotes";
import { StanceList } from "./StanceList";

export const metadata: Metadata = { title: "Limits" };

/** Answers to the questions of the conditions that are not the ones in force. */
const otherAnswers = (conditions: readonly EpisodeCondition[]): OtherAnswer[] =>
  conditions.flatMap((c) =>
    stancesOf(c.condition, c.variantId).flatMap((s) => {
      const now = c.choices[s.id.split(".")[1] ?? ""] ?? s.defaultId;
      return s.options
        .filter((o) => o.id !== now)
        .map((o) => ({ id: `${s.id}:${o.id}`, topic: s.topic, option: o.label }));
    }),
  );

const isDay = (text: unknown): text is string =>
  typeof text === "string" && /^\d{4}-\d{2}-\d{2}$/.test(text) && !Number.isNaN(Date.parse(text));

/** Everything that bounds the work on a day: phases and what opens the next, every limit with its origin, stances. */
export default async function LimitsPage({
  params,
  searchParams,
}: {
  params: Promise<{ clientId: string }>;
  searchParams: Promise<{ on?: string | string[]; beside?: string | string[] }>;
}) {
  const { clientId } = await params;
  const { on, beside } = await searchParams;
  const [stance = "", option = ""] = typeof beside === "string" ? beside.split(":") : [];
  const { actor, data } = await onPage(async (ctx) => {
    const day = isDay(on) ? on : today(ctx);
    // the same clinic at another day: weeks, schedules and ends are computed for it
    const then = isDay(on) ? { ...ctx, now: new Date(`${on}T12:00:00Z`), asked: new Map() } : ctx;
    const client = await clientEpisode(ctx, clientId);
    const stances = await stancesInForce(ctx, client.episodeId);
    const conditions = await conditionsOf(then, client.episodeId);
    const phases = [];
    for (const c of conditions) {
      const found = await findingsOf(then, client, c);
      phases.push({
        c,
        entry: phaseEntry(c.condition, c.phase.id, found),
        proposal: c.isConfirmed ? null : proposedEntry(c.condition, found),
      });
    }
    return {
      day,
      isToday: day === today(ctx),
      client,
      phases,
      inForce: stances,
      limits: await limitsOf(then, client),
      beside: beside === undefined ? null : await limitsUnder(then, client, conditions, stance, option),
      motion: await motionOf(then, client),
      painfulArcs: await painfulArcsOf(then, client),
      written: await writtenLimits(ctx, client.episodeId),
      views: await stanceViews(ctx, client.episodeId),
      uncovered: coverOf(ctx, client),
      bar: await limitsBar(ctx, client),
      checked: await checkedCitations(ctx),
    };
  });
  const { client, phases, limits, day, uncovered } = data;
  const { groups, phases: byPhase, free } = limitRows(limits, day);
  const bounds = inForce(limits, day);
  const noKilograms = missingKilograms(bounds);
  const conflicts = [
    ...(noKilograms ? [noKilograms] : []),
    ...groups.flatMap((g) => (g.conflict ? [g.conflict] : [])),
    ...(phases.length > 1
      ? combineConditions(
          phases.map(({ c }) => ({ conditionId: c.condition.id, limits: c.limits })),
        ).conflicts.map((p) => `These conditions contradict each other: ${p.why}. Ask: ${p.ask}.`)
      : []),
  ];
  const written = data.written.flatMap((l): WrittenView[] =>
    l.origin === "surgeon" || l.origin === "therapist" ? [{ ...l, origin: l.origin }] : [],
  );
  const others = otherAnswers(phases.map(({ c }) => c));
  const other = others.find((o) => o.id === beside);
  const mayWrite = may(actor.role, "limit.write");
  return (
    <main className="grid min-h-full grid-cols-1 lg:grid-cols-[minmax(0,1fr)_350px]">
      <section aria-label="In one picture" className="min-w-0 border-b border-rule px-4 py-3 lg:col-span-2">
        <div className="flex flex-wrap items-baseline justify-between gap-x-4">
          <h1 className="text-[19px]">
            What bounds the work?{" "}
            <span className="quiet text-[15px] font-normal">
              {data.isToday ? "today" : `on ${longDay(day, actor.locale)}, in the phases confirmed today`}
              {"; the tightest counts"}
            </span>
          </h1>
          <span className="flex min-w-0 flex-wrap items-baseline gap-x-4 gap-y-1">
            <BesidePicker others={others} />
            <DayPicker day={day} isToday={data.isToday} />
          </span>
        </div>
        <BoundsPicture
          bounds={bounds}
          motion={data.motion}
          painfulArcs={data.painfulArcs}
          beside={data.beside && other ? { words: other.option, bounds: inForce(data.beside, day) } : null}
        />
        {uncovered.length === 0 &&
          phases.map(({ c, entry }) =>
            entry.next ? (
              <OpensNext key={c.rowId} clientId={clientId} next={entry.next.name} criteria={entry.criteria} />
            ) : null,
          )}
      </section>
      <div className="px-4 py-4">
        {uncovered.length > 0 && (
          <p className="mt-2 border-l-4 border-accent pl-3 text-accent">
            {data.bar ??
              `The rules do not cover ${uncovered.join(" and ")}: only what surgeon and therapist wrote applies.`}
          </p>
        )}
        {conflicts.map((c) => (
          <p key={asKept(c)} className="mt-2 border-l-4 border-accent pl-3 text-accent">
            <Said>{c}</Said>
          </p>
        ))}
        {uncovered.length === 0 &&
          phases.map(({ c }) => (
            <ConditionTimeLine
              key={c.rowId}
              name={c.condition.name}
              variant={c.variantName}
              phases={c.condition.phases.map((p) => ({
                id: p.id,
                name: p.name,
                from: p.weeks.from,
                to: p.weeks.to,
              }))}
              phaseId={c.phase.id}
              isConfirmed={c.isConfirmed}
              week={c.week}
              opens={phaseOpens(c.condition, c.phase.id, { variantId: c.variantId, choices: c.choices })}
            />
          ))}
        <div className="mt-3 flex items-baseline justify-between gap-4">
          <h2 className="text-[16px]">
            Every limit <span className="quiet text-[15px] font-normal">the tightest wins and is bold</span>
          </h2>
          {mayWrite && <LimitEditor clientId={clientId} start={null} />}
        </div>
        <LimitTable
          clientId={clientId}
          groups={groups}
          phases={byPhase}
          free={free}
          written={written}
          locale={actor.locale}
          mayWrite={mayWrite}
        />
      </div>
      <aside className="border-l border-rule bg-base-100 px-5 py-4">
        {uncovered.length === 0 &&
          phases.map(({ c, entry, proposal }) => {
            const previous = c.condition.phases[c.condition.phases.findIndex((p) => p.id === c.phase.id) - 1];
            return (
              <section key={c.rowId} className="mb-4">
                {proposal && (
                  <EntryCard
                    clientId={clientId}
                    rowId={c.rowId}
                    version={c.version}
                    weeks={c.week}
                    current={{ id: c.phase.id, name: c.phase.name }}
                    proposed={{ id: proposal.phase.id, name: proposal.phase.name }}
                    toConfirm={proposal.toConfirm.map((x) => sayPlainly(x.asks))}
                    unmeasured={proposal.unmeasured.map((x) => sayPlainly(x.asks))}
                    // in the phase that holds now they stand below
                    missing={(proposal.phase.id === c.phase.id ? [] : proposal.missing).map((x) =>
                      sayPlainly({ ...x, code: "phases.criterion" }),
                    )}
                    mayConfirm={may(actor.role, "phase.confirm") && data.isToday}
                  />
                )}
                <PhaseCard
                  clientId={clientId}
                  rowId={c.rowId}
                  version={c.version}
                  criteria={entry.criteria.map((x) => ({ ...x, note: taskBarred(x, c.limits) }))}
                  next={entry.next ? { id: entry.next.id, name: entry.next.name } : null}
                  previous={previous ? { id: previous.id, name: previous.name } : null}
                  mayEnter={entry.mayEnter}
                  mayConfirm={may(actor.role, "phase.confirm") && data.isToday}
                  isConfirmed={c.isConfirmed}
                />
                <PhaseNotes condition={c} checked={data.checked} />
              </section>
            );
          })}
        <h2 className="text-[16px]">
          Where schools differ <Term id="stance">(stances)</Term>
        </h2>
        <StanceList
          clientId={clientId}
          stances={phases.flatMap(({ c }) => stancesOf(c.condition, c.variantId))}
          inForce={data.inForce}
          views={data.views}
          checked={data.checked}
          mayChoose={may(actor.role, "stance.write")}
        />
        <details className="mt-3 border-t border-rule pt-2">
          <summary className="cursor-pointer">How work is set up, ordered and judged</summary>
          <StanceList
            clientId={clientId}
            stances={GENERAL_STANCES}
            inForce={data.inForce}
            views={data.views}
            checked={data.checked}
            mayChoose={may(actor.role, "stance.write")}
          />
        </details>
        <p className="small quiet mt-3">
          {client.name}: choices here are this client's; the clinic's defaults are under Stances.
        </p>
      </aside>
    </main>
  );
}
