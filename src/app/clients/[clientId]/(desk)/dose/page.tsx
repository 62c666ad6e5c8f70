import type { Metadata } from "next";
import { onPage } from "@/app/_web/actor";
import { may } from "@/core/access/roles";
import { testsForCurve } from "@/core/strength/testsForCurve";
import { dayInWords } from "@/core/units/dayInWords";
import { dayOf } from "@/server/base/context";
import { planningBarred } from "@/server/bounds/limits";
import { draftFacts } from "@/server/choice/drafts";
import { clientEpisode } from "@/server/client/clients";
import { optionInForce, stancesInForce } from "@/server/client/stances";
import { sheetFacts } from "@/server/facts/sheetFacts";
import { pastLoads } from "@/server/history/past";
import { testsOf } from "@/server/measure/measurements";
import { templatesOf } from "@/server/sheets/templates";
import { sheetsOf, versionsOf } from "@/server/versions/sheets";
import { setAimOf, weekAround } from "@/server/week/weekSets";
import { DoseDesk } from "./DoseDesk";

export const metadata: Metadata = { title: "Dose" };

const EARLIER = 8;

/** The client's sheets: lines under the ruler, each with how it is done, and the editor of the chosen one. */
export default async function DosePage({
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
    const current = asked === "new" ? null : (sheets.find((s) => s.sheetId === asked) ?? sheets[0] ?? null);
    const earlier = current ? await versionsOf(ctx, current.sheetId, EARLIER) : [];
    const tests = (await testsOf(ctx, client.episodeId)).filter((t) => t.side === client.side);
    return {
      client,
      sheets,
      current,
      facts: await sheetFacts(ctx, client),
      draft: await draftFacts(ctx, client),
      effort:
        optionInForce(await stancesInForce(ctx, client.episodeId), "own_effort_meaning") === "percent"
          ? ("percent" as const)
          : ("felt" as const),
      barred: await planningBarred(ctx, client),
      past: await pastLoads(ctx, client.episodeId),
      aim: await setAimOf(ctx, client),
      around: await weekAround(ctx, client, current?.sheetId ?? null),
      templates: (await templatesOf(ctx)).map(({ id, name, items }) => ({ id, name, items })),
      tests: (["knee_extension", "knee_flexion"] as const).map((movement) =>
        testsForCurve(tests.filter((t) => t.movement === movement)).map((t) => ({
          deg: t.kneeFlexionDeg,
          value: t.torqueNm,
          tone: "own" as const,
        })),
      ),
      earlier: earlier.map((v) => ({
        id: v.id,
        name: `version ${v.version}, ${dayInWords(dayOf(ctx, v.at))}, ${v.lines.length} lines`,
        items: v.lines.map((l) => l.plan),
      })),
    };
  });
  const { client, current } = data;
  return (
    <DoseDesk
      key={`${current?.id ?? "new"}`}
      client={client}
      sheets={data.sheets.map((s) => ({
        sheetId: s.sheetId,
        name: s.name,
        place: s.place,
        lines: s.lines.length,
      }))}
      saved={
        current && {
          sheetId: current.sheetId,
          name: current.name,
          place: current.place,
          version: current.version,
          items: current.lines.map((l) => l.plan),
          by: current.by,
          origin: current.origin,
          isKept: current.lines.every((l) => l.kept !== null),
        }
      }
      effort={data.effort}
      facts={data.facts}
      draftFacts={data.draft}
      barred={data.barred}
      past={data.past}
      aim={data.aim}
      around={data.around}
      templates={data.templates}
      earlier={data.earlier}
      tests={{ extension: data.tests[0] ?? [], flexion: data.tests[1] ?? [] }}
      massUnit={actor.massUnit}
      locale={actor.locale}
      mayWrite={may(actor.role, "plan.write")}
      mayLink={may(actor.role, "link.make")}
      mayConfirm={may(actor.role, "odd.confirm")}
      mayAsk={may(actor.role, "request.make") && !may(actor.role, "plan.write")}
    />
  );
}
