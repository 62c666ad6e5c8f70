import type { ReactNode } from "react";
import { onPage } from "@/app/_web/actor";
import { weekWords } from "@/app/_web/weeks";
import { may } from "@/core/access/roles";
import { mostOf, whoSet } from "@/core/bounds/inForce";
import { concernSaid } from "@/core/visit/concerns";
import { today } from "@/server/base/context";
import { boundsOf } from "@/server/bounds/limits";
import { clientEpisode } from "@/server/client/clients";
import { clientDay } from "@/server/day/clientDay";
import { kneeWindowOf } from "@/server/facts/windows";
import { relativeDay } from "@/ui/dates";
import { Term } from "@/ui/help/Term";
import { Link } from "@/ui/Link";
import { Said } from "@/ui/reader";
import { TopBar } from "@/ui/shell/TopBar";
import { SCHOOL_WORDS } from "@/words/en/decide";
import { endWords, originsWords } from "@/words/en/plan/bounds";
import { goneSentence } from "@/words/en/plan/line";
import { sayPlainly } from "@/words/say";
import { ClientPath } from "./ClientPath";
import { Concerns } from "./Concerns";
import { RoleLine } from "./RoleLine";

/** The desk of one client: a header that never leaves, the path at the left, the step in the middle. */
export default async function DeskLayout({
  children,
  params,
}: {
  children: ReactNode;
  params: Promise<{ clientId: string }>;
}) {
  const { clientId } = await params;
  const { actor, data } = await onPage(async (ctx) => {
    const client = await clientEpisode(ctx, clientId);
    const bounds = await boundsOf(ctx, client);
    return {
      client,
      painMax: mostOf(bounds, "joint_pain"),
      painBy: originsWords(whoSet(bounds, "joint_pain")),
      day: today(ctx),
      window: await kneeWindowOf(ctx, client),
      state: await clientDay(ctx, client),
    };
  });
  const { client, window, day, state } = data;
  const last = state.last;
  return (
    <div className="grid min-h-dvh print:block grid-cols-1 content-start md:content-stretch md:grid-cols-[138px_1fr] md:grid-rows-[auto_auto_auto_1fr]">
      <div className="md:col-span-2">
        <TopBar clinic={actor.clinicName} who={`${actor.name}, ${actor.role}`} />
      </div>
      <header className="md:col-span-2 flex flex-wrap items-start justify-between gap-x-6 gap-y-2 md:flex-nowrap border-b border-rule bg-base-100 px-5 py-3">
        <div className="flex flex-wrap gap-x-7 md:flex-nowrap">
          <a
            href="/"
            className="display w-[102px] shrink-0 text-2xl text-primary"
            aria-label="Bexlo, to the list of the day"
          >
            Bexlo
          </a>
          <div>
            <p>
              <span className="display text-xl">{client.name}</span>{" "}
              <span className="quiet">
                {client.where} · {client.condition} · {weekWords(client, day)}
              </span>
            </p>
            <p className="small mt-1 flex flex-wrap gap-x-5">
              <span>
                bend under load{" "}
                {window.isEmpty ? (
                  <b>no angle left</b>
                ) : (
                  <>
                    <b>{window.fromDeg}°</b>
                    {endWords(window.from) !== endWords(window.to) && (
                      <span className="quiet"> {endWords(window.from)}</span>
                    )}{" "}
                    to <b>{window.toDeg}°</b> <span className="quiet">{endWords(window.to)}</span>
                  </>
                )}
              </span>
              <span>
                <Term id="jointPain">joint pain</Term> <b>≤ {data.painMax}</b>{" "}
                <span className="quiet">
                  {SCHOOL_WORDS[client.school]}, {data.painBy}
                </span>
              </span>
              <span>
                <Term id="irritability">stirred up</Term>{" "}
                <b>
                  {client.irritability === "low"
                    ? "with difficulty"
                    : client.irritability === "high"
                      ? "easily"
                      : "moderately"}
                </b>
              </span>
              <span className="quiet">goal: {client.goal}</span>
            </p>
          </div>
        </div>
        <div className="min-w-0 md:shrink-0 md:text-right">
          {last ? (
            <>
              <p className="display text-xl">
                {last.before ?? "–"} → {last.after ?? "–"} → {last.morning ?? "–"}
              </p>
              <p className="small quiet">
                joint pain before, after, next morning · {relativeDay(last.on, day)}
              </p>
            </>
          ) : (
            <p className="small quiet">no visit yet</p>
          )}
        </div>
      </header>
      <div className="md:col-span-2">
        {state.concerns.length > 0 && (
          <Concerns
            clientId={clientId}
            maySee={may(actor.role, "concern.see")}
            concerns={state.concerns.map((c) => ({
              visitId: c.visitId,
              responseId: c.responseId,
              sentence: sayPlainly(concernSaid(c)),
              on: relativeDay(c.on, day),
            }))}
          />
        )}
        {state.bars && (
          <p className="border-b border-rule bg-base-100 px-5 py-2 text-accent" role="status">
            <svg
              width={16}
              height={16}
              viewBox="0 0 16 16"
              aria-hidden
              className="mr-2 inline-block align-[-2px]"
            >
              <path
                d="M 5 1 L 11 1 L 15 5 L 15 11 L 11 15 L 5 15 L 1 11 L 1 5 Z"
                className="fill-accent stroke-accent"
              />
            </svg>
            <b>{sayPlainly(state.bars.why)}</b>{" "}
            <Link href={`/clients/${clientId}/${state.bars.step}`} className="underline">
              {state.bars.step === "limits" ? "Limits" : state.bars.step === "screen" ? "Screen" : "Floor"}
            </Link>
          </p>
        )}
        {state.gone.map((g) => (
          <p key={g.lineId} className="border-b border-rule bg-base-100 px-5 py-2" role="status">
            <b className="text-accent">A machine is gone.</b> {goneSentence(g)}{" "}
            <Link href={`/clients/${clientId}/dose?sheet=${g.sheetId}`} className="underline">
              {g.sheetName} in Dose
            </Link>
          </p>
        ))}
        {state.pain && (
          <p className="border-b border-rule bg-base-100 px-5 py-2" role="status">
            <b className="text-accent">Pain on the day.</b> <Said>{state.pain}</Said>
          </p>
        )}
      </div>
      <ClientPath clientId={clientId} steps={state.steps} next={state.next} role={actor.role} />
      <div className="min-w-0">
        <RoleLine clientId={clientId} role={actor.role} />
        {children}
      </div>
    </div>
  );
}
