import type { Metadata } from "next";
import { onPage } from "@/app/_web/actor";
import { may } from "@/core/access/roles";
import { dueMeasurements } from "@/core/measure/dueMeasurements";
import { shortReach } from "@/core/measure/shortReach";
import { curveCan } from "@/core/selection/setUp/strengthKnown";
import { today } from "@/server/base/context";
import { painMaxFor } from "@/server/bounds/limits";
import { ageYearsOf, bodyOf, clientEpisode } from "@/server/client/clients";
import { conditionsOf } from "@/server/client/conditions";
import { loadingBarred } from "@/server/client/screenings";
import { optionInForce, stancesInForce } from "@/server/client/stances";
import { storyOf } from "@/server/client/story";
import { extensionPadM, machinesOf } from "@/server/clinic/machines";
import { legKnown } from "@/server/facts/legs";
import { goalNeeds } from "@/server/measure/goalNeeds";
import { testCircumstances, testsOf } from "@/server/measure/measurements";
import { findingsOnFile, measurementsOf } from "@/server/measure/otherMeasurements";
import { StrengthResults } from "./_strength/StrengthResults";
import { DueList } from "./DueList";
import { GoalNeeds } from "./GoalNeeds";
import { MeasureDesk } from "./MeasureDesk";
import { MeasurementTable } from "./MeasurementTable";
import { MeasureParts, measurePart } from "./MeasureParts";
import { OwnTest } from "./OwnTest";
import { PainfulArcs } from "./PainfulArcs";
import { RepetitionTest } from "./RepetitionTest";
import { ShortReach } from "./ShortReach";

/** Where no extension machine tells where its pad sits: a usual place on the shin. */
const USUAL_LEVER_M = 0.33;

export const metadata: Metadata = { title: "Measure" };

/** Measure: one part at a time (it stands in the address), what is due and why, what the tests say together. */
export default async function MeasurePage({
  params,
  searchParams,
}: {
  params: Promise<{ clientId: string }>;
  searchParams: Promise<{ part?: string | string[] }>;
}) {
  const { clientId } = await params;
  const asked = (await searchParams).part;
  const part = measurePart(asked);
  const { actor, data } = await onPage(async (ctx) => {
    const client = await clientEpisode(ctx, clientId);
    const conditions = await conditionsOf(ctx, client.episodeId);
    const tests = await testsOf(ctx, client.episodeId);
    const measurements = await measurementsOf(ctx, client.episodeId);
    const { strength } = await legKnown(ctx, client);
    const { goals } = await storyOf(ctx, client);
    const needs = await goalNeeds(ctx, { ...client, goals, ageYears: ageYearsOf(ctx, client) });
    return {
      client,
      tests,
      curves: {
        knee_extension: curveCan(strength, "extension"),
        knee_flexion: curveCan(strength, "flexion"),
      },
      measurements,
      machines: (await machinesOf(ctx)).map((m) => ({ id: m.id, name: m.name })),
      body: bodyOf(client),
      padDistanceM: (await extensionPadM(ctx)) ?? USUAL_LEVER_M,
      today: today(ctx),
      signBar: await loadingBarred(ctx, client),
      painMax: await painMaxFor(ctx, client),
      circumstances: await testCircumstances(ctx, client),
      aim: optionInForce(await stancesInForce(ctx, client.episodeId), "own_hamstring_aim") ?? "measured",
      due: dueMeasurements({
        parts: conditions,
        measurements: await findingsOnFile(ctx, client),
        strength: tests,
        side: client.side,
        today: today(ctx),
      }),
      needs,
      goals,
    };
  });
  const { client, tests, measurements, due, needs, goals, aim, ...rest } = data;
  const shared = {
    client,
    today: data.today,
    locale: actor.locale,
    mayRecord: may(actor.role, part === "strength" ? "test.record" : "measurement.record"),
  };
  const aside = (
    <>
      <DueList due={due} clientId={clientId} />
      <GoalNeeds needs={needs} goals={goals} clientId={clientId} today={data.today} />
      {part === "reach" && <ShortReach short={shortReach(measurements, client.side)} clientId={clientId} />}
      {part === "strength" && <StrengthResults tests={tests} client={client} aim={aim} />}
    </>
  );
  const parts = <MeasureParts here={part} clientId={clientId} due={due} />;
  if (part === "strength")
    return (
      <MeasureDesk
        {...shared}
        {...rest}
        tests={tests}
        massUnit={actor.massUnit}
        parts={parts}
        results={aside}
      />
    );
  return (
    <main className="grid min-h-full grid-cols-1 lg:grid-cols-[minmax(0,1fr)_372px]">
      <div className="px-4 py-4">
        {parts}
        {part === "repetitions" ? (
          <RepetitionTest
            {...shared}
            measurements={measurements}
            machines={data.machines.map((m) => m.name)}
            massUnit={actor.massUnit}
          />
        ) : part === "painful_arc" ? (
          <PainfulArcs {...shared} measurements={measurements} massUnit={actor.massUnit} />
        ) : part === "free" ? (
          <OwnTest {...shared} measurements={measurements} />
        ) : (
          <MeasurementTable {...shared} group={part} measurements={measurements} machines={data.machines} />
        )}
      </div>
      <aside className="border-l border-rule bg-base-100 px-5 py-4">{aside}</aside>
    </main>
  );
}
