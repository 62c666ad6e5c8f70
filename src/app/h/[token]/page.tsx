import type { Metadata } from "next";
import { ForClient } from "@/app/_link/ForClient";
import { LinkClosed } from "@/app/_link/LinkClosed";
import { onLinkPage } from "@/app/_web/linkRoute";
import { exerciseText } from "@/core/rules/exerciseText";
import { wornAt } from "@/core/selection/setUp/aid";
import { conditionsOf } from "@/server/client/conditions";
import { exercisesOf } from "@/server/clinic/exercises";
import { machinesOf } from "@/server/clinic/machines";
import { wornFacts } from "@/server/history/aids";
import { homeSheet } from "@/server/visits/home";
import { HomePage } from "./HomePage";

/** Nobody's name stands in the title, the address or the page. */
export const metadata: Metadata = { title: { absolute: "Exercises" }, robots: { index: false } };

export default async function ClientHomePage({ params }: { params: Promise<{ token: string }> }) {
  const { token } = await params;
  const found = await onLinkPage(token, "home", async (ctx, client, link) => {
    const sheet = await homeSheet(ctx, client, link);
    const catalogue = (await exercisesOf(ctx)).map((e) => e.exercise);
    const conditionIds = new Set((await conditionsOf(ctx, client.episodeId)).map((c) => c.condition.id));
    const worn = await wornFacts(ctx, client.episodeId);
    const used = new Set(sheet.lines.map((l) => l.machineId));
    return {
      sheet,
      machines: (await machinesOf(ctx))
        .filter((m) => used.has(m.id))
        .map(({ version: _version, isRetired: _retired, ...m }) => m),
      how: Object.fromEntries(
        sheet.lines.map((l) => {
          const e = catalogue.find((x) => x.id === l.exerciseId);
          const text = e && exerciseText(e, client.language, conditionIds);
          return [
            l.exerciseId,
            {
              name: client.language === "en" ? null : (text?.name ?? null),
              needs: text?.equipment ?? null,
              worn: wornAt(worn, l.exerciseId),
              cues: text?.cues.slice(0, 3) ?? [],
            },
          ];
        }),
      ),
    };
  });
  if ("why" in found) return <LinkClosed why={found.why} />;
  return (
    <ForClient token={token} language={found.language} massUnit={found.data.sheet.massUnit}>
      <HomePage token={token} clinic={found.clinic} {...found.data} />
    </ForClient>
  );
}
