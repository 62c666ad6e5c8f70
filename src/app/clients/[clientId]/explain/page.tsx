import type { Metadata } from "next";
import { onPage } from "@/app/_web/actor";
import { clientEpisode } from "@/server/client/clients";
import { explainFacts } from "@/server/explain/explain";
import { ExplainScreen } from "./ExplainScreen";

export const metadata: Metadata = { title: "Explain" };

/** For the client's eyes: full screen, few words, their own numbers. */
export default async function ExplainPage({ params }: { params: Promise<{ clientId: string }> }) {
  const { clientId } = await params;
  const { data } = await onPage(async (ctx) => {
    const client = await clientEpisode(ctx, clientId);
    return { name: client.name, ...(await explainFacts(ctx, client)) };
  });
  return <ExplainScreen clientId={clientId} {...data} />;
}
