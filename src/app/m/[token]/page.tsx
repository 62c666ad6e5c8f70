import type { Metadata } from "next";
import { LinkClosed } from "@/app/_link/LinkClosed";
import { onLinkPage } from "@/app/_web/linkRoute";
import { answerFixed } from "@/core/visit/client/clientMorning";
import { recheckFor } from "@/core/visit/signs/recheckSigns";
import { dayAndHour, dayOf } from "@/server/base/context";
import { weeksAfterSurgery } from "@/server/client/clients";
import { morningWaits } from "@/server/visits/mornings";
import { recentVisits } from "@/server/history/visits";
import { MorningAnswer } from "./MorningAnswer";

/** Nobody's name stands in the title, the address or the page. */
export const metadata: Metadata = { title: { absolute: "This morning" }, robots: { index: false } };

export default async function ClientMorningPage({ params }: { params: Promise<{ token: string }> }) {
  const { token } = await params;
  const found = await onLinkPage(token, "morning", async (ctx, client, link) => {
    const visit = (await recentVisits(ctx, client.episodeId)).find((v) => v.id === link.visitId);
    if (!visit) return null;
    const known = visit.morning;
    return {
      part: client.where.split(" ").at(-1) ?? "leg",
      waits: morningWaits(ctx, visit.startedAt),
      fixed: answerFixed(
        known ? dayOf(ctx, known.enteredAt) : null,
        dayAndHour(ctx, ctx.now),
        visit.decisions.length > 0,
      ),
      known: known && {
        pain: known.pain,
        swelling: known.swellingWord,
        stiffnessMin: known.answeredBy === "client" ? known.stiffnessMin : null,
      },
      asksSwelling: client.swellingApplies,
      signs: recheckFor(weeksAfterSurgery(ctx, client)),
    };
  });
  if ("sentence" in found) return <LinkClosed sentence={found.sentence} />;
  if (!found.data) return <LinkClosed sentence="This link has run out. Ask the clinic for a new one." />;
  const { data, clinic } = found;
  if (data.waits)
    return (
      <main className="mx-auto max-w-[430px] px-5 py-8">
        <h1 className="text-[28px] leading-tight">Not yet</h1>
        <p className="mt-3 text-[18px]">
          These questions are about the morning after your exercises. They open at 04:00 in the night; this
          link stays the same.
        </p>
      </main>
    );
  return <MorningAnswer token={token} clinic={clinic} {...data} />;
}
