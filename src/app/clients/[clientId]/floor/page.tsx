import type { Metadata } from "next";
import { onPage } from "@/app/_web/actor";
import { may } from "@/core/access/roles";
import { painMaxFor } from "@/server/bounds/limits";
import { bodyOf, clientEpisode } from "@/server/client/clients";
import { conditionsOf } from "@/server/client/conditions";
import { machinesOf } from "@/server/clinic/machines";
import { lastRecheck, recheckAsk } from "@/server/decide/rechecks";
import { painfulLines } from "@/server/facts/painfulLines";
import { feelsOf } from "@/server/history/feels";
import { markersOf } from "@/server/history/markers";
import { sheetsOf, versionById } from "@/server/versions/sheets";
import { floorBarred } from "@/server/visits/floor";
import { sheetToday } from "@/server/visits/linesOfToday";
import { openVisit } from "@/server/visits/running";
import { clockTime } from "@/ui/dates";
import { FloorBarred } from "./FloorBarred";
import { FloorLane } from "./FloorLane";
import { SheetChoice } from "./SheetChoice";

export const metadata: Metadata = { title: "Floor" };

export default async function FloorPage({
  params,
  searchParams,
}: {
  params: Promise<{ clientId: string }>;
  searchParams: Promise<{ sheet?: string }>;
}) {
  const { clientId } = await params;
  const { sheet: asked } = await searchParams;
  const { actor, data } = await onPage(async (ctx) => {
    const client = await clientEpisode(ctx, clientId);
    const sheets = await sheetsOf(ctx, client.episodeId);
    const open = await openVisit(ctx, client.episodeId);
    const picked =
      sheets.find((s) => s.sheetId === asked) ?? (sheets.length === 1 ? sheets[0] : null) ?? null;
    // a visit that is open is finished with the version it was started with
    const sheet = open ? await versionById(ctx, open.versionId) : picked;
    const choice = [];
    if (!sheet)
      for (const s of sheets)
        choice.push({
          ...{ sheetId: s.sheetId, name: s.name, ...(await sheetToday(ctx, client, s)) },
          barred: await floorBarred(ctx, client, s),
        });
    return {
      client,
      choice,
      open,
      sheet,
      plan: sheet && (await sheetToday(ctx, client, sheet)),
      barred: await floorBarred(ctx, client, open ? null : sheet, open !== null || sheets.length > 1),
      recheck: await lastRecheck(ctx, client.episodeId),
      painMax: await painMaxFor(ctx, client),
      ask: await recheckAsk(ctx, client),
      machines: (await machinesOf(ctx)).map(({ version: _version, isRetired: _retired, ...m }) => m),
      markers: await markersOf(ctx, client.episodeId),
      feels: (await feelsOf(ctx, client.episodeId)).flatMap((v) => v.feels),
      painful: await painfulLines(ctx, client, open?.lines ?? sheet?.lines.map((l) => l.kept) ?? []),
      conditionIds: (await conditionsOf(ctx, client.episodeId)).map((c) => c.condition.id),
    };
  });
  const { client, sheet, open } = data;
  if (data.barred)
    return (
      <FloorBarred
        client={client}
        sentence={data.barred}
        warning={data.recheck && !data.recheck.isClear ? data.recheck.id : null}
        mayClear={may(actor.role, "recheck.clear")}
      />
    );
  if (!sheet) return <SheetChoice client={client} sheets={data.choice} />;
  return (
    <FloorLane
      key={open?.id ?? "before"}
      client={client}
      sheet={{
        sheetId: sheet.sheetId,
        versionId: sheet.id,
        name: sheet.name,
        ...{
          lines: sheet.lines.length,
          minutes: Math.ceil(sheet.seconds / 60),
          isShort: false,
          thinUntil: null,
          sore: null,
          ...data.plan,
        },
      }}
      open={open && { id: open.id, lines: open.lines, log: open.log, firstSide: open.firstSide }}
      painMax={data.painMax}
      body={bodyOf(client)}
      machines={data.machines}
      markers={data.markers}
      feels={data.feels}
      painful={data.painful}
      conditionIds={data.conditionIds}
      massUnit={actor.massUnit}
      locale={actor.locale}
      mayRun={may(actor.role, "session.run")}
      who={{
        key: `${actor.clinicId} ${actor.personId}`,
        name: actor.name,
        personId: actor.personId,
        about: null,
      }}
      recheck={{
        ...data.ask,
        screenedAt: data.ask.screenedAt && clockTime(data.ask.screenedAt, actor.locale, actor.timeZone),
      }}
    />
  );
}
