"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { maximumComputed } from "@/core/measure/otherWorkings";
import { estimate1RM, type Lift } from "@/core/strength/repetitionMaximum";
import type { Side } from "@/core/units/fields";
import { formatMass, kgFromLb, type MassUnit } from "@/core/units/mass";
import { readNumber } from "@/core/units/readNumber";
import type { ClientEpisode } from "@/server/client/clients";
import type { StoredMeasurement } from "@/server/measure/otherMeasurements";
import { shortDay } from "@/ui/dates";
import { Choice } from "@/ui/form/Choice";
import { Field } from "@/ui/form/Field";
import { Problem } from "@/ui/form/Problem";
import { problemsByField } from "@/ui/form/problemsByField";
import { Words } from "@/ui/form/Words";
import { KeysHelp } from "@/ui/keys/KeysHelp";
import { useSendOnce } from "@/ui/useSendOnce";
import { Opens } from "@/ui/working/Figure";
import { TakeBack } from "./TakeBack";

const FLAG_WORDS = {
  ok: "",
  "low-precision": "more than 12 repetitions: low precision",
  "screening-only": "more than 20 repetitions: only a first look",
  "rir-unreliable": "more than five in reserve: people cannot judge that well",
  too_light: "too light to say anything: repeat with a heavier set",
} as const;

const liftOf = (apparatus: string): Lift =>
  /press/i.test(apparatus) ? "leg_press" : /curl/i.test(apparatus) ? "leg_curl" : "other";

/** A set near failure on a machine: the one-repetition maximum it points to, with its range, never as one number. */
export function RepetitionTest({
  client,
  measurements,
  machines,
  locale,
  mayRecord,
  massUnit,
}: {
  client: ClientEpisode;
  measurements: StoredMeasurement[];
  /** names of the clinic's machines */
  machines: readonly string[];
  today: string;
  locale: string;
  mayRecord: boolean;
  massUnit: MassUnit;
}) {
  const router = useRouter();
  const sendOnce = useSendOnce();
  const [apparatus, setApparatus] = useState("");
  const [legs, setLegs] = useState<Side | "two">(client.side);
  const [load, setLoad] = useState("");
  const [reps, setReps] = useState("");
  const [reserve, setReserve] = useState("2");
  const [problems, setProblems] = useState<Record<string, string>>({});
  const [saved, setSaved] = useState(false);
  const typedLoad = readNumber(load);
  const loadKg = massUnit === "kg" ? typedLoad : kgFromLb(typedLoad);
  const [n, left] = [readNumber(reps), readNumber(reserve)];
  const isComplete = loadKg > 0 && n >= 1 && left >= 0;
  const estimate = isComplete ? estimate1RM(loadKg, n, left, liftOf(apparatus)) : null;
  const save = async () => {
    if (!mayRecord) return;
    const sent = await sendOnce(`/api/clients/${client.clientId}/measurements`, (id) => ({
      id,
      kind: "repetition_test",
      side: legs === "two" ? null : legs,
      value: loadKg,
      way: null,
      source: "typed",
      apparatus,
      reps: n,
      reserve: left,
      twoLegs: legs === "two",
      chairM: null,
      armsUsed: null,
    }));
    setProblems(sent.ok ? {} : problemsByField(sent.problems));
    setSaved(sent.ok);
    if (sent.ok) router.refresh();
  };
  const past = measurements.filter((m) => m.kind === "repetition_test");
  return (
    <>
      <h1 className="text-[19px]">
        How much for how many?{" "}
        <span className="quiet text-[15px] font-normal">
          one set near failure, the same machine and set-up each time
        </span>
      </h1>
      {mayRecord ? (
        <div className="mt-3 grid grid-cols-1 lg:grid-cols-[280px_minmax(0,1fr)] gap-x-8">
          <form
            className="grid content-start gap-2"
            onSubmit={(e) => {
              e.preventDefault();
              save();
            }}
          >
            <Words
              label="machine and set-up"
              name="apparatus"
              value={apparatus}
              onChange={(e) => setApparatus(e.target.value)}
              problem={problems.apparatus}
              hint="the machine's name first, then the set-up: what it lifts is learnt by it"
              list="machines-here"
            />
            <datalist id="machines-here">
              {machines.map((m) => (
                <option key={m} value={m} />
              ))}
            </datalist>
            <Choice
              legend="legs"
              name="legs"
              options={[
                ["left", "left"],
                ["right", "right"],
                ["two", "both"],
              ]}
              value={legs}
              onChange={setLegs}
            />
            <Field
              label="load"
              name="load"
              unit={massUnit}
              inputMode="decimal"
              value={load}
              onChange={(e) => setLoad(e.target.value)}
              problem={problems.value}
            />
            <Field
              label="repetitions done"
              name="reps"
              inputMode="numeric"
              value={reps}
              onChange={(e) => setReps(e.target.value)}
              problem={problems.reps}
            />
            <Field
              label="left in reserve"
              name="reserve"
              inputMode="numeric"
              value={reserve}
              onChange={(e) => setReserve(e.target.value)}
              problem={problems.reserve}
            />
            <Problem sentence={problems.form ?? null} />
            <p className="flex items-center gap-3">
              <button type="submit" className="btn btn-primary btn-sm">
                Save this test <kbd>S</kbd>
              </button>
              <span className="small quiet" aria-live="polite">
                {saved && "Saved."}
              </span>
            </p>
          </form>
          <div aria-live="polite">
            <p className="small quiet">one-repetition maximum, estimated</p>
            {estimate?.value != null ? (
              <>
                <p>
                  <span className="display text-[30px]">
                    {formatMass(estimate.value * (1 - (estimate.error ?? 0)), massUnit, 0)} to{" "}
                    {formatMass(estimate.value * (1 + (estimate.error ?? 0)), massUnit, 0)}
                  </span>
                </p>
                <p>
                  middle {formatMass(estimate.value, massUnit, 0)}, give or take{" "}
                  {((estimate.error ?? 0) * 100).toFixed(0)} %
                </p>
                <p className="small quiet mt-1">
                  {FLAG_WORDS[estimate.flag]} People understate what they had left by about one. Mean of four
                  formulas to ten repetitions, of two beyond (dosing rules D1 and D2), unverified citation.
                </p>
              </>
            ) : (
              <p className="quiet">
                {estimate ? FLAG_WORDS[estimate.flag] : "Enter load, repetitions and reserve."}
              </p>
            )}
          </div>
        </div>
      ) : null}
      {mayRecord && <KeysHelp deeds={[{ key: "s", words: "save this test", run: save }]} />}
      <section className="mt-6">
        <h2 className="text-[16px]">On record</h2>
        {past.length === 0 && <p className="quiet">None yet.</p>}
        <table className="mt-1 w-full text-left text-[14px]">
          <tbody>
            {past.map((m) => {
              const set = { reps: m.reps ?? 1, reserve: m.reserve ?? 0, lift: liftOf(m.apparatus ?? "") };
              const e = estimate1RM(m.value, set.reps, set.reserve, set.lift);
              const maximum = maximumComputed({ loadKg: m.value, ...set });
              return (
                <tr key={m.id} className="border-t border-rule">
                  <td className="py-1 pr-3">{shortDay(m.takenOn, locale)}</td>
                  <td className="py-1 pr-3">
                    {m.apparatus}, {m.twoLegs ? "both legs" : m.side}
                  </td>
                  <td className="py-1 pr-3">
                    <b>{formatMass(m.value, massUnit)}</b> × {m.reps}, {m.reserve} in reserve
                  </td>
                  <td className="py-1 pr-3">
                    {e.value === null || !maximum ? (
                      FLAG_WORDS[e.flag]
                    ) : (
                      <Opens label="one-repetition maximum" computed={maximum}>
                        {formatMass(e.value * (1 - (e.error ?? 0)), massUnit, 0)} to{" "}
                        {formatMass(e.value * (1 + (e.error ?? 0)), massUnit, 0)}
                      </Opens>
                    )}
                  </td>
                  <td className="py-1 text-right">
                    {mayRecord && (
                      <TakeBack
                        path={`/api/clients/${client.clientId}/measurements/${m.id}/void`}
                        what={`the repetition test of ${shortDay(m.takenOn, locale)}`}
                      />
                    )}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </section>
    </>
  );
}
