"use client";
import { useRouter } from "next/navigation";
import { type ReactNode, useEffect, useMemo, useState } from "react";
import type { Body } from "@/core/body/segments";
import type { CurveCan } from "@/core/capacity/capacityAt";
import { isKneeMovement, MOVEMENTS, type Movement, movement as movements } from "@/core/strength/movements";
import type { TestCircumstances } from "@/core/strength/testRules";
import type { KneeMovement } from "@/core/strength/torqueAngleShape";
import { formatMass, type MassUnit } from "@/core/units/mass";
import type { ClientEpisode } from "@/server/client/clients";
import type { StoredTest } from "@/server/measure/measurements";
import { draftPlaces } from "@/ui/form/draftStore";
import { Pick } from "@/ui/form/Pick";
import { Link } from "@/ui/Link";
import { EarlierTests } from "./_strength/EarlierTests";
import { StrengthRail } from "./_strength/StrengthRail";
import { StrengthTestForm } from "./_strength/StrengthTestForm";
import { testPlace } from "./_strength/useStrengthTest";

/** Strength by load cell: the test on the left, what is known of these legs on the right. */
export function MeasureDesk({
  client,
  body,
  tests,
  curves,
  circumstances,
  signBar,
  painMax,
  padDistanceM,
  today,
  mayRecord,
  massUnit,
  locale,
  parts,
  results,
}: {
  client: ClientEpisode;
  body: Body;
  tests: StoredTest[];
  /** what the treated leg can do by everything known of it */
  curves: Record<KneeMovement, CurveCan>;
  circumstances: TestCircumstances["conditions"];
  /** a warning sign that bars every maximal test, or null */
  signBar: string | null;
  painMax: number;
  padDistanceM: number;
  today: string;
  mayRecord: boolean;
  massUnit: MassUnit;
  locale: string;
  parts: ReactNode;
  results: ReactNode;
}) {
  const router = useRouter();
  const [movement, setMovement] = useState<Movement>("knee_extension");
  const [angle, setAngle] = useState(60);
  const [isLocked, setLocked] = useState(false);
  // a test that was left unsaved is offered where it belongs
  useEffect(() => {
    const start = testPlace(client.clientId, "");
    const left = draftPlaces().find((place) => place.startsWith(start));
    const found = movements.safeParse(left?.slice(start.length));
    if (found.success) setMovement(found.data);
  }, [client.clientId]);
  const of = useMemo(() => tests.filter((t) => t.movement === movement), [tests, movement]);
  return (
    <main className="grid min-h-full grid-cols-1 lg:grid-cols-[minmax(0,1fr)_372px]">
      <div className="px-4 py-4">
        {parts}
        <div className="flex flex-wrap items-end justify-between gap-x-4">
          <h1 className="text-[19px]">
            How strong is this {MOVEMENTS[movement].joint}?{" "}
            <span className="quiet text-[15px] font-normal">held still against the load cell</span>
          </h1>
          <div className="w-44">
            <Pick
              label="movement"
              name="movement"
              disabled={isLocked}
              options={movements.options.map((m): [string, string] => [m, MOVEMENTS[m].name])}
              value={movement}
              onChange={(e) => {
                const next = e.target.value as Movement;
                setMovement(next);
                setAngle(isKneeMovement(next) ? MOVEMENTS[next].usualDeg : 0);
              }}
            />
          </div>
        </div>
        {isKneeMovement(movement) ? (
          <StrengthRail
            can={curves[movement]}
            tests={of}
            side={client.side}
            angle={angle}
            onAngle={(deg) => !isLocked && setAngle(deg)}
          />
        ) : (
          <p className="quiet my-3">
            {MOVEMENTS[movement].name} has no place on the knee's ruler; its tests stand at the right.
          </p>
        )}
        {mayRecord ? (
          <StrengthTestForm
            key={movement}
            client={client}
            body={body}
            movement={movement}
            circumstances={circumstances}
            signBar={signBar}
            painMax={painMax}
            angle={angle}
            onAngle={setAngle}
            onLock={setLocked}
            padDistanceM={padDistanceM}
            today={today}
            onSaved={() => router.refresh()}
          />
        ) : null}
      </div>
      <aside className="border-l border-rule bg-base-100 px-5 py-4">
        {results}
        <EarlierTests
          clientId={client.clientId}
          tests={tests}
          ownSide={client.side}
          today={today}
          locale={locale}
          mayVoid={mayRecord}
        />
        <BodyLine client={client} body={body} massUnit={massUnit} />
      </aside>
    </main>
  );
}

/** What torque and load are counted from; it is written in the story. */
function BodyLine({ client, body, massUnit }: { client: ClientEpisode; body: Body; massUnit: MassUnit }) {
  const isMeasured = client.shankLengthM !== null;
  return (
    <p className="small mt-6 border-t border-rule pt-3">
      <b>
        {client.heightM} m, {formatMass(client.bodyMassKg, massUnit)}, shank{" "}
        {Math.round(body.shankLengthM * 100)} cm
      </b>{" "}
      <span className="quiet">{isMeasured ? "measured" : "estimated from height"}</span>{" "}
      <Link href={`/clients/${client.clientId}/story`}>in the story</Link>
    </p>
  );
}
