import { redirect } from "next/navigation";
import { onPage } from "@/app/_web/actor";
import { clientEpisode } from "@/server/client/clients";
import { clientDay } from "@/server/day/clientDay";

/** A client's bare address leads to what comes next. */
export default async function ClientPage({ params }: { params: Promise<{ clientId: string }> }) {
  const { clientId } = await params;
  const { data } = await onPage(async (ctx) => clientDay(ctx, await clientEpisode(ctx, clientId)));
  redirect(`/clients/${clientId}/${data.next.step}${data.next.query ?? ""}`);
}
