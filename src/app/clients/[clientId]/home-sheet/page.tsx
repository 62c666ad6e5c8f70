import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { onPage } from "@/app/_web/actor";
import { may } from "@/core/access/roles";
import { exerciseText } from "@/core/rules/exerciseText";
import type { KeptLine } from "@/core/sheet/line/keptLine";
import { daysAfter } from "@/core/units/days";
import { feltSaid, lineSaid } from "@/core/visit/client/homeSaid";
import { today } from "@/server/base/context";
import { painMaxFor } from "@/server/bounds/limits";
import { bodyOf, clientEpisode } from "@/server/client/clients";
import { conditionsOf } from "@/server/client/conditions";
import { exercisesOf } from "@/server/clinic/exercises";
import { machinesOf } from "@/server/clinic/machines";
import { sheetsOf } from "@/server/versions/sheets";
import { firstSideOf } from "@/server/visits/running";
import { blockOf } from "@/server/week/blocks";
import { longDay, shortDay } from "@/ui/dates";
import { Link } from "@/ui/Link";
import { LinePose } from "@/ui/pose/LinePose";
import { labelsOf, sayTo } from "@/words/say";
import { EnterTicks } from "./EnterTicks";
import { PrintButton } from "./PrintButton";

export const metadata: Metadata = { title: "Sheet for home" };

const DAYS = 14;

/** The sheet for home on paper: pictures, how many, how it may feel, boxes to tick; staff enter the ticks below it. */
export default async function HomeSheetPage({
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
    const sheet = sheets.find((s) => s.sheetId === asked) ?? sheets.find((s) => s.place !== "gym") ?? null;
    const block = await blockOf(ctx, client.episodeId);
    return {
      client,
      sheet,
      day: today(ctx),
      painMax: await painMaxFor(ctx, client),
      firstSide: await firstSideOf(ctx, client),
      exercises: (await exercisesOf(ctx)).map((e) => e.exercise),
      machines: (await machinesOf(ctx)).map(({ version: _version, isRetired: _retired, ...m }) => m),
      conditionIds: new Set((await conditionsOf(ctx, client.episodeId)).map((c) => c.condition.id)),
      planned: new Set(block?.days.filter((d) => d.sheetId === sheet?.sheetId).map((d) => d.on) ?? []),
      hasBlock: block !== null,
    };
  });
  const { client, sheet, day, planned } = data;
  if (!sheet) notFound();
  const { language } = client;
  const say = sayTo({ language, massUnit: actor.massUnit });
  const [t, home] = [labelsOf(say, "clientPaper"), labelsOf(say, "atHome")];
  // days as the client reads them
  const locale = language === "en" ? actor.locale : language;
  const textOf = (exerciseId: string) => {
    const e = data.exercises.find((x) => x.id === exerciseId);
    return e ? exerciseText(e, language, data.conditionIds) : null;
  };
  const nameOf = (kept: KeptLine) =>
    language === "en" ? kept.name : (textOf(kept.exerciseId)?.name ?? kept.name);
  const days = Array.from({ length: DAYS }, (_, i) => daysAfter(day, i));
  return (
    <main
      lang={language}
      className="mx-auto max-w-[800px] bg-white px-6 py-6 text-black print:max-w-none print:px-0"
    >
      <p className="mb-4 flex gap-5 print:hidden">
        <Link href={`/clients/${clientId}/dose`} className="underline">
          Back to Dose
        </Link>
        <PrintButton />
      </p>
      <header className="flex items-baseline justify-between border-b-2 border-black pb-2">
        <h1 className="text-[26px]">{t("title")}</h1>
        <p className="text-right text-[15px]">
          {actor.clinicName}
          <span className="block">
            {client.name}, {longDay(day, locale)}
          </span>
        </p>
      </header>
      <p className="mt-3 text-[17px]">
        <b>{t("above", { pain: data.painMax })}</b> {t("up_to", { pain: data.painMax })} {t("stop_all")}{" "}
        {t("emergency")}
      </p>
      <ol className="mt-4">
        {sheet.lines.flatMap(({ kept }, i) => {
          if (!kept) return [];
          const text = textOf(kept.exerciseId);
          const [line, felt] = [lineSaid(kept, data.firstSide), feltSaid(kept)];
          return [
            <li
              key={kept.lineId}
              className="grid break-inside-avoid grid-cols-[1fr_220px] gap-5 border-b border-black/40 py-3"
            >
              <div className="text-[17px]">
                <h2 className="text-[20px]">
                  {i + 1}. {nameOf(kept)}
                </h2>
                <p className="text-[19px] font-bold">{line && say(line)}</p>
                {text && <p>{home("needs", { what: text.equipment })}</p>}
                {kept.setUp.length > 0 && (
                  <p>
                    {kept.setUp
                      .map((s) => `${t("setting", { key: s.key, name: s.name })} ${s.value}`)
                      .join(", ")}
                  </p>
                )}
                <p>{text?.cues.slice(0, 2).join(" ")}</p>
                <p>{felt && say(felt)}</p>
              </div>
              {kept.drawing && (
                <div data-theme="paper" className="[&_svg]:max-h-[150px]">
                  <LinePose
                    line={kept}
                    body={bodyOf(client)}
                    machines={data.machines}
                    loadKg={kept.sets[0]?.loadKg ?? null}
                  />
                </div>
              )}
            </li>,
          ];
        })}
      </ol>
      <table className="mt-4 w-full break-inside-avoid border-collapse text-center text-[13px]">
        <caption className="pb-1 text-left text-[15px]">
          {t("tick")} {data.hasBlock ? t("dark_days") : ""}
        </caption>
        <thead>
          <tr>
            <th className="text-left font-normal">
              <span className="sr-only">{t("exercise")}</span>
            </th>
            {days.map((on) => (
              <th key={on} className={planned.has(on) ? "bg-black font-bold text-white" : "font-normal"}>
                {shortDay(on, locale)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {[
            ...sheet.lines.flatMap((l) => (l.kept ? [nameOf(l.kept)] : [])),
            t("pain_in"),
            t("pain_next"),
          ].map((name) => (
            <tr key={name}>
              <th
                scope="row"
                className="max-w-[150px] truncate border border-black px-1 text-left font-normal"
              >
                {name}
              </th>
              {days.map((on) => (
                <td key={on} className="h-7 border border-black" />
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      {may(actor.role, "session.run") && (
        <EnterTicks
          clientId={clientId}
          sheetId={sheet.sheetId}
          today={day}
          locale={actor.locale}
          lines={sheet.lines.flatMap((l) => (l.kept ? [{ lineId: l.kept.lineId, name: l.kept.name }] : []))}
        />
      )}
    </main>
  );
}
