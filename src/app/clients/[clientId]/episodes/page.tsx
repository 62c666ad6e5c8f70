import type { Metadata } from "next";
import { onPage } from "@/app/_web/actor";
import { may } from "@/core/access/roles";
import { episodesOf } from "@/server/client/story";
import { shortDate } from "@/ui/dates";
import { Link } from "@/ui/Link";
import { ShellHeader } from "@/ui/shell/ShellHeader";

export const metadata: Metadata = { title: "Episodes" };

/** All episodes of one person over the years, the open one first; a closed one is read, not changed. */
export default async function EpisodesPage({ params }: { params: Promise<{ clientId: string }> }) {
  const { clientId } = await params;
  const { actor, data } = await onPage((ctx) => episodesOf(ctx, clientId));
  const isOpen = data.episodes.some((e) => e.closedOn === null);
  return (
    <>
      <ShellHeader clinic={actor.clinicName} who={`${actor.name}, ${actor.role}`} />
      <main className="mx-auto max-w-[1000px] px-6 py-6">
        <h1 className="text-[22px]">{data.name}</h1>
        <p className="mb-4">
          {data.episodes.length} {data.episodes.length === 1 ? "episode" : "episodes"}.{" "}
          {isOpen ? (
            <Link href={`/clients/${clientId}/story`} className="underline">
              Go on with the open one
            </Link>
          ) : may(actor.role, "story.write") ? (
            <Link href={`/clients/new?client=${clientId}`} className="font-bold text-primary underline">
              Begin a new episode
            </Link>
          ) : (
            "None is open; a therapist begins a new one."
          )}
        </p>
        <table className="lanes w-full text-left">
          <thead>
            <tr className="small quiet border-b border-rule">
              <th className="py-1 font-normal">what</th>
              <th className="py-1 font-normal">from</th>
              <th className="py-1 font-normal">to</th>
              <th className="py-1 font-normal">done</th>
              <th className="py-1 font-normal">closed because</th>
            </tr>
          </thead>
          <tbody>
            {data.episodes.map((e) => (
              <tr key={e.episodeId} className="border-b border-rule align-top">
                <td className="py-2 pr-4">
                  <b>{e.condition}</b> <span className="quiet">{e.side}</span>
                  <span className="small quiet block">for: {e.goal}</span>
                </td>
                <td className="whitespace-nowrap py-2 pr-4">{shortDate(e.beganOn, actor.locale)}</td>
                <td className="whitespace-nowrap py-2 pr-4">
                  {e.closedOn ? shortDate(e.closedOn, actor.locale) : <b>open</b>}
                </td>
                <td className="py-2 pr-4">
                  {e.tests} tests, {e.sessions} sessions
                </td>
                <td className="py-2">{e.closedBecause ?? "–"}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </main>
    </>
  );
}
