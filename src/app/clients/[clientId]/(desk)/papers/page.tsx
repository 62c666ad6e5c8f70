import type { Metadata } from "next";
import { onPage } from "@/app/_web/actor";
import { may } from "@/core/access/roles";
import { clientEpisode } from "@/server/client/clients";
import { letterheadOf } from "@/server/clinic/letterhead";
import { episodesToReview } from "@/server/review/episode";
import { sheetsOf } from "@/server/versions/sheets";
import { DEED_SENTENCES } from "@/words/en/access";
import { PapersDesk } from "./PapersDesk";

export const metadata: Metadata = { title: "Papers" };

/** Everything about a client that goes on paper. */
export default async function PapersPage({ params }: { params: Promise<{ clientId: string }> }) {
  const { clientId } = await params;
  const { actor, data } = await onPage(async (ctx) => {
    const client = await clientEpisode(ctx, clientId);
    return {
      language: client.language,
      sheets: (await sheetsOf(ctx, client.episodeId)).map((s) => ({ id: s.sheetId, name: s.name })),
      episodes: (await episodesToReview(ctx, clientId)).map((e) => ({
        id: e.episodeId,
        words: `${e.condition}, since ${e.beganOn}`,
      })),
      size: (await letterheadOf(ctx)).size,
    };
  });
  return (
    <PapersDesk
      clientId={clientId}
      {...data}
      whyNoLetter={may(actor.role, "letter.write") ? null : DEED_SENTENCES["letter.write"]}
    />
  );
}
