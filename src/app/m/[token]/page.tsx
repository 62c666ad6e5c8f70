import type { Metadata } from "next";
import { ForClient } from "@/app/_link/ForClient";
import { LinkClosed } from "@/app/_link/LinkClosed";
import { onLinkPage } from "@/app/_web/linkRoute";
import { answerFixed } from "@/core/visit/client/clientMorning";
import { recheckFor } from "@/core/visit/signs/recheckSigns";
import { dayAndHour, dayOf } from "@/server/base/context";
import { weeksAfterSurgery } from "@/server/client/clients";
import { practiceFor } from "@/server/client/stances";
import { activitiesOf } from "@/server/history/besides";
import { regionsAsked } from "@/server/history/regions";
import { recentVisits } from "@/server/history/visits";
import { morningWaits } from "@/server/visits/mornings";
import { MorningAnswer } from "./MorningAnswer";
import { NotYet } from "./NotYet";

/** Nobody's name stands in the title, the address or the page. */
export const metadata: Metadata = { title: { absolute: "This morning" }, robots: { index: false } };

export default async function ClientMorningPage({ params }: { params: Promise<{ token: string }> }) {
  const { token } = await params;
  const found = await onLinkPage(token, "morning", async (ctx, client, link) => {
    const visit = (await recentVisits(ctx, client.episodeId)).find((v) => v.id === link.visitId);
    if (!visit) return null;
    const known = visit.morning;
    return {
      part: client.part,
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
        besides: known.answeredBy === "client" ? known.besides : null,
        regions: known.regions,
        soreness: known.answeredBy === "client" ? known.soreness : null,
      },
      asksSwelling: client.swellingApplies,
      regions: await regionsAsked(ctx, client.episodeId, visit.id),
      activities: await activitiesOf(ctx, client.episodeId),
      soreUpTo: (await practiceFor(ctx, client.episodeId)).soreUpTo,
      signs: recheckFor(weeksAfterSurgery(ctx, client)),
    };
  });
  if ("why" in found) return <LinkClosed why={found.why} />;
  const { data, clinic, language } = found;
  return (
    <ForClient token={token} language={language} massUnit="kg">
      {data === null ? (
        <LinkClosed why={{ code: "link.run_out" }} />
      ) : data.waits ? (
        <NotYet />
      ) : (
        <MorningAnswer token={token} clinic={clinic} {...data} />
      )}
    </ForClient>
  );
}
