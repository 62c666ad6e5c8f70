"use client";
import { useRouter } from "next/navigation";
import { useMemo, useState } from "react";
import type { Body } from "@/core/body/segments";
import { DEED_SENTENCES } from "@/core/safety/roles";
import { capacityAtAngle } from "@/core/strength/capacityAtAngle";
import { fitTorqueAngle } from "@/core/strength/fitTorqueAngle";
import { testsForCurve } from "@/core/strength/testsForCurve";
import type { MassUnit } from "@/core/units/mass";
import type { ClientEpisode } from "@/server/clients";
import type { StoredTest } from "@/server/measurements";
import { AngleCursor } from "@/ui/rail/AngleCursor";
import { CurveBand } from "@/ui/rail/CurveBand";
import { RowLabel } from "@/ui/rail/RowLabel";
import { Ruler } from "@/ui/rail/Ruler";
import { RAIL } from "@/ui/rail/scale";
import { BodyForm } from "./BodyForm";
import { EarlierTests } from "./EarlierTests";
import { StrengthTestForm } from "./StrengthTestForm";

/** Measure: a strength test by load cell on the left, what is known of this leg on the right. */
export function MeasureDesk({
  client,
  body,
  tests,
  padDistanceM,
  today,
  mayRecord,
  massUnit,
  locale,
}: {
  client: ClientEpisode;
  body: Body;
  tests: StoredTest[];
  padDistanceM: number;
  today: string;
  mayRecord: boolean;
  massUnit: MassUnit;
  locale: string;
}) {
  const router = useRouter();
  const [angle, setAngle] = useState(60);
  const [isLocked, setLocked] = useState(false);
  const own = useMemo(() => testsForCurve(tests.filter((t) => t.side === client.side)), [tests, client.side]);
  const other = useMemo(
    () => testsForCurve(tests.filter((t) => t.side !== client.side)),
    [tests, client.side],
  );
  const curve = useMemo(() => {
    if (own.length === 0) return null;
    const fit = fitTorqueAngle("knee_extension", own);
    const points = [];
    for (let deg = 10; deg <= 110; deg += 2) {
      const c = capacityAtAngle(fit, deg, "");
      points.push({ deg, value: c.value, doubt: c.doubt ?? 0 });
    }
    return points;
  }, [own]);
  const most = Math.max(40, ...(curve ?? []).map((p) => p.value + p.doubt), ...other.map((t) => t.torqueNm));
  const max = Math.ceil(most / 20) * 20;
  return (
    <main className="grid min-h-full grid-cols-[minmax(0,1fr)_372px]">
      <div className="px-4 py-4">
        <h1 className="text-[19px]">
          How strong is this knee?{" "}
          <span className="quiet text-[15px] font-normal">extension, held still against the load cell</span>
        </h1>
        <svg viewBox={`0 0 ${RAIL.width} 168`} className="mt-2 w-full">
          <title>Torque over knee flexion, from tests</title>
          <Ruler />
          <RowLabel
            y={66}
            name={`${client.side} knee`}
            detail={curve ? "curve through tests" : "no test yet"}
          />
          <text x={0} y={104} fontSize={12.5} className="fill-quiet">
            ● tested {other.length > 0 ? "◇ other leg" : ""}
          </text>
          <CurveBand
            points={curve ?? []}
            tests={[
              ...own.map((t) => ({ deg: t.kneeFlexionDeg, value: t.torqueNm, tone: "own" as const })),
              ...other.map((t) => ({ deg: t.kneeFlexionDeg, value: t.torqueNm, tone: "other" as const })),
            ]}
            y={40}
            height={96}
            max={max}
          />
          <AngleCursor
            deg={angle}
            onChange={(deg) => !isLocked && setAngle(deg)}
            min={10}
            max={110}
            stepDeg={5}
            top={30}
            bottom={138}
            label="Test angle, knee flexion"
          />
        </svg>
        {mayRecord ? (
          <StrengthTestForm
            client={client}
            body={body}
            angle={angle}
            onAngle={setAngle}
            onLock={setLocked}
            padDistanceM={padDistanceM}
            onSaved={() => router.refresh()}
          />
        ) : (
          <p className="mt-4 border-l-4 border-accent pl-3">{DEED_SENTENCES["test.record"]}</p>
        )}
      </div>
      <aside className="border-l border-rule bg-base-100 px-5 py-4">
        <EarlierTests
          clientId={client.clientId}
          tests={tests}
          ownSide={client.side}
          today={today}
          locale={locale}
          mayVoid={mayRecord}
        />
        <BodyForm client={client} massUnit={massUnit} mayWrite={mayRecord} />
      </aside>
    </main>
  );
}
