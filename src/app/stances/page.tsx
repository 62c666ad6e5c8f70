import type { Metadata } from "next";
import { onPage } from "@/app/_web/actor";
import { may } from "@/core/access/roles";
import { CONDITIONS } from "@/core/rules/conditions";
import { GENERAL_STANCES, stancesOf } from "@/core/rules/stances";
import { clinicStances } from "@/server/client/stances";
import { checkedCitations } from "@/server/clinic/sources";
import { ShellHeader } from "@/ui/shell/ShellHeader";
import { StanceList } from "../clients/[clientId]/(desk)/limits/StanceList";

export const metadata: Metadata = { title: "Stances" };

/** The clinic's defaults where schools differ; a client's own choice comes before them. */
export default async function StancesPage() {
  const { actor, data } = await onPage(async (ctx) => ({
    stances: await clinicStances(ctx),
    checked: await checkedCitations(ctx),
  }));
  const mayChoose = may(actor.role, "clinic.stance.write");
  const shared = {
    clientId: null,
    inForce: { client: new Map(), clinic: data.stances },
    views: [],
    checked: data.checked,
    mayChoose,
  };
  return (
    <>
      <ShellHeader clinic={actor.clinicName} who={`${actor.name}, ${actor.role}`} />
      <main className="mx-auto grid max-w-[1180px] grid-cols-2 gap-x-10 px-6 py-6">
        <div className="col-span-2 mb-3">
          <h1 className="text-[22px]">Where schools differ</h1>
          <p>The clinic's defaults; they never widen what a surgeon or a therapist has bounded.</p>
        </div>
        <section>
          <h2 className="text-[17px]">By condition</h2>
          {CONDITIONS.map((c) => (
            <details key={c.id} className="border-t border-rule py-1">
              <summary className="cursor-pointer">
                {c.name} <span className="small quiet">{stancesOf(c).length}</span>
              </summary>
              <StanceList {...shared} stances={stancesOf(c)} />
            </details>
          ))}
        </section>
        <section>
          <h2 className="text-[17px]">How work is set up, ordered and judged</h2>
          {GENERAL_STANCES.map((s) => (
            <details key={s.id} className="border-t border-rule py-1">
              <summary className="cursor-pointer">
                {s.topic}
                {data.stances.get(s.id)?.optionId && <b> ◆ chosen here</b>}
              </summary>
              <StanceList {...shared} stances={[s]} />
            </details>
          ))}
        </section>
      </main>
    </>
  );
}
