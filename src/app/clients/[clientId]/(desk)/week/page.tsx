import type { Metadata } from "next";
import { onPage } from "@/app/_web/actor";
import { may } from "@/core/access/roles";
import { endsOn } from "@/core/schedule/block/block";
import { today } from "@/server/base/context";
import { clientEpisode } from "@/server/client/clients";
import { storyOf } from "@/server/client/story";
import { daysOffOf } from "@/server/decide/returns";
import { goalReached } from "@/server/facts/goalReached";
import { corridorOn, soreOf } from "@/server/facts/tissueRoom";
import { blockOf } from "@/server/week/blocks";
import { marksOf, outlookOf } from "@/server/week/outlook";
import { weekFacts } from "@/server/week/weekFacts";
import { setAimOf } from "@/server/week/weekSets";
import { usualWishes } from "@/server/week/wishes";
import { WeekDesk } from "./WeekDesk";

export const metadata: Metadata = { title: "Week" };

/** Which days: the client's sheets on their free days, for a block of weeks and the keeping after it. */
export default async function WeekPage({ params }: { params: Promise<{ clientId: string }> }) {
  const { clientId } = await params;
  const { actor, data } = await onPage(async (ctx) => {
    const client = await clientEpisode(ctx, clientId);
    const block = await blockOf(ctx, client.episodeId);
    const story = await storyOf(ctx, client);
    const isReached = await goalReached(ctx, client, story.goals);
    const { question, sheets } = await weekFacts(ctx, client, block ?? usualWishes(ctx, story, isReached));
    return {
      client,
      today: today(ctx),
      block: block && {
        id: block.id,
        days: block.days.map(({ sheetId, on, pinned, isShort }) => ({ sheetId, on, pinned, isShort })),
        wishes: block.wishes,
        by: block.by,
        overReason: block.overReason,
      },
      question,
      sheets,
      isReached,
      aim: await setAimOf(ctx, client),
      room: await corridorOn(ctx, client, today(ctx)),
      sore: await soreOf(ctx, client),
      marks: await marksOf(ctx, client, endsOn(question)),
      outlook: await outlookOf(ctx, client),
      daysOff: await daysOffOf(ctx, client),
    };
  });
  return (
    <WeekDesk
      key={`${data.block?.id ?? ""} ${data.sheets.map((s) => s.id).join()}`}
      {...data}
      mayWrite={may(actor.role, "plan.write")}
      mayDecide={may(actor.role, "decision.take")}
      locale={actor.locale}
    />
  );
}
