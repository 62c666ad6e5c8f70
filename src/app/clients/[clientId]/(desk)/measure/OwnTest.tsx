"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { type FreeTest, plainMeasurement } from "@/core/measure/measurementInput";
import { readNumber } from "@/core/units/readNumber";
import type { ClientEpisode } from "@/server/client/clients";
import type { StoredMeasurement } from "@/server/measure/otherMeasurements";
import { Choice } from "@/ui/form/Choice";
import { Field } from "@/ui/form/Field";
import { Problem } from "@/ui/form/Problem";
import { problemsByField } from "@/ui/form/problemsByField";
import { Words } from "@/ui/form/Words";
import { KeysHelp } from "@/ui/keys/KeysHelp";
import { useSendOnce } from "@/ui/useSendOnce";
import { MeasurementHistory } from "./MeasurementHistory";

const KINDS = ["free_test"] as const;

/** A test that the list has not: what it is called, its unit, which way is better, and its own error where it is known. */
export function OwnTest({
  client,
  measurements,
  today,
  locale,
  mayRecord,
}: {
  client: ClientEpisode;
  measurements: StoredMeasurement[];
  today: string;
  locale: string;
  mayRecord: boolean;
}) {
  const router = useRouter();
  const sendOnce = useSendOnce();
  const known = new Map(measurements.flatMap((m) => (m.test ? [[m.test.name, m.test] as const] : [])));
  const [name, setName] = useState("");
  const [unit, setUnit] = useState("");
  const [better, setBetter] = useState<FreeTest["better"]>("up");
  const [error, setError] = useState("");
  const [value, setValue] = useState("");
  const [problems, setProblems] = useState<Record<string, string>>({});
  const [saved, setSaved] = useState(false);
  /** A test that was taken before is the same again: only then can the values be compared. */
  const call = (called: string) => {
    setName(called);
    setSaved(false);
    const before = known.get(called.trim());
    if (!before) return;
    setUnit(before.unit);
    setBetter(before.better);
    setError(before.error === null ? "" : String(before.error));
  };
  const save = async () => {
    if (!mayRecord) return;
    const sent = await sendOnce(`/api/clients/${client.clientId}/measurements`, (id) => ({
      ...plainMeasurement(id, "free_test", null, readNumber(value)),
      test: { name, unit, better, error: error.trim() === "" ? null : readNumber(error) },
    }));
    setProblems(sent.ok ? {} : problemsByField(sent.problems));
    setSaved(sent.ok);
    if (!sent.ok) return;
    setValue("");
    router.refresh();
  };
  return (
    <>
      <h1 className="text-[19px]">
        A test of your own{" "}
        <span className="quiet text-[15px] font-normal">done the same way each time, it is a series</span>
      </h1>
      {mayRecord && (
        <form
          className="mt-3 grid w-[320px] content-start gap-2"
          onSubmit={(e) => {
            e.preventDefault();
            save();
          }}
        >
          <Words
            label="what it is called"
            name="name"
            value={name}
            onChange={(e) => call(e.target.value)}
            problem={problems["test.name"] ?? problems.test}
            list="tests-here"
          />
          <datalist id="tests-here">
            {[...known.keys()].map((n) => (
              <option key={n} value={n} />
            ))}
          </datalist>
          <Words
            label="its unit, if it has one"
            name="unit"
            value={unit}
            onChange={(e) => setUnit(e.target.value)}
            problem={problems["test.unit"]}
          />
          <Choice
            legend="better is"
            name="better"
            options={[
              ["up", "more"],
              ["down", "less"],
            ]}
            value={better}
            onChange={setBetter}
          />
          <Field
            label="its own error"
            name="error"
            unit={unit}
            inputMode="decimal"
            hint="smaller changes are noise; empty: not known"
            value={error}
            onChange={(e) => setError(e.target.value)}
            problem={problems["test.error"]}
          />
          <Field
            label="value today"
            name="value"
            unit={unit}
            inputMode="decimal"
            isNeeded
            value={value}
            onChange={(e) => {
              setValue(e.target.value);
              setSaved(false);
            }}
            problem={problems.value}
          />
          <Problem sentence={problems.form ?? null} />
          <div className="mt-1 flex items-center gap-4">
            <button type="submit" className="btn btn-primary btn-sm">
              Save the test <kbd>S</kbd>
            </button>
            <span className="small quiet" aria-live="polite">
              {saved && "Saved."}
            </span>
            <span className="ml-auto">
              <KeysHelp deeds={[{ key: "s", words: "save the test", run: save }]} />
            </span>
          </div>
        </form>
      )}
      <MeasurementHistory
        client={client}
        kinds={KINDS}
        measurements={measurements}
        locale={locale}
        mayVoid={mayRecord}
        today={today}
      />
    </>
  );
}
