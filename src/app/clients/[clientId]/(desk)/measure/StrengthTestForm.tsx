"use client";
import { useRef, useState } from "react";
import type { Body } from "@/core/body/segments";
import { traceFromCsv, traceToCsv } from "@/core/exchange/traceCsv";
import { FLAG_SENTENCES } from "@/core/signal/analyseTrace";
import { TYPICAL_ERROR_PCT } from "@/core/strength/measurementError";
import {
  type EvaluatedTrial,
  evaluateTest,
  evaluateTrial,
  type StrengthTestInput,
  strengthTestInput,
  type TestSetUp,
  type TrialInput,
} from "@/core/strength/testInput";
import { InputError } from "@/core/units/inputError";
import { readNumber } from "@/core/units/readNumber";
import type { ClientEpisode } from "@/server/clients";
import { TraceChart, type TraceView } from "@/ui/charts/TraceChart";
import { Field } from "@/ui/form/Field";
import { Problem } from "@/ui/form/Problem";
import { KeysHelp } from "@/ui/keys/KeysHelp";
import { send } from "@/ui/send";
import { useLoadCell } from "@/ui/useLoadCell";

const PUSH_S = 5;
const ORDINAL = ["first", "second", "third", "fourth"];

/** A strength test: the set-up, up to four trials by load cell, file or typed force, the result, save. */
export function StrengthTestForm({
  client,
  body,
  angle,
  onAngle,
  padDistanceM,
  onSaved,
}: {
  client: ClientEpisode;
  body: Body;
  angle: number;
  onAngle: (deg: number) => void;
  padDistanceM: number;
  onSaved: () => void;
}) {
  const [side, setSide] = useState(client.side);
  const [angleText, setAngleText] = useState<string | null>(null);
  const [leverText, setLeverText] = useState((padDistanceM * 100).toFixed(0));
  const [pullText, setPullText] = useState("90");
  const [zeroed, setZeroed] = useState(false);
  const [typedText, setTypedText] = useState("");
  const [trials, setTrials] = useState<TrialInput[]>([]);
  const [shown, setShown] = useState<number | null>(null);
  const [problems, setProblems] = useState<Record<string, string>>({});
  const [saved, setSaved] = useState<string | null>(null);
  const [testId, setTestId] = useState<string>(() => crypto.randomUUID());
  const file = useRef<HTMLInputElement>(null);
  const cell = useLoadCell();

  const angleDeg = angleText === null ? angle : readNumber(angleText);
  const setUp: TestSetUp = {
    side,
    kneeFlexionDeg: angleDeg,
    leverArmM: readNumber(leverText) / 100,
    pullAngleDeg: readNumber(pullText),
    zeroedRelaxed: zeroed,
  };
  const checked = strengthTestInput
    .pick({ side: true, kneeFlexionDeg: true, leverArmM: true, pullAngleDeg: true, zeroedRelaxed: true })
    .safeParse(setUp);
  const setUpProblems = checked.success ? {} : problemsByField(checked.error.issues);
  const evaluated: EvaluatedTrial[] = checked.success ? trials.map((t) => evaluateTrial(setUp, body, t)) : [];
  const test: StrengthTestInput = { id: testId, ...setUp, trials };
  const result = checked.success && trials.length ? evaluateTest(test, body).result : null;
  const canSave = result !== null && result.status !== "need-more";
  const showing = shown ?? (trials.length ? trials.length - 1 : null);
  const shownTrial = showing === null ? undefined : trials[showing];
  const shownTrace = useRef<TraceView>({ timeS: [], forceN: [] });
  shownTrace.current = cell.isStreaming
    ? cell.trace.current
    : shownTrial && shownTrial.source !== "typed"
      ? shownTrial.trace
      : { timeS: [], forceN: [] };
  const analysis = showing === null || cell.isStreaming ? null : (evaluated[showing]?.analysis ?? null);

  const add = (trial: TrialInput) => {
    setSaved(null);
    setProblems({});
    setTrials((all) => (all.length < 4 ? [...all, trial] : all));
    setShown(null);
  };
  const push = () => {
    if (!checked.success || trials.length >= 4 || cell.isStreaming) return;
    cell.start(
      {
        client: client.clientId,
        side,
        angle: setUp.kneeFlexionDeg,
        lever: setUp.leverArmM,
        seconds: PUSH_S,
      },
      (trace) => add({ id: crypto.randomUUID(), source: "load_cell", trace: { ...trace } }),
    );
  };
  const load = async (chosen: File | undefined) => {
    if (!chosen) return;
    try {
      add({ id: crypto.randomUUID(), source: "file", trace: traceFromCsv(await chosen.text()) });
    } catch (error) {
      setProblems({ file: error instanceof InputError ? error.message : "This file cannot be read." });
    }
    if (file.current) file.current.value = "";
  };
  const type = () => {
    const trial = { id: crypto.randomUUID(), source: "typed" as const, forceN: readNumber(typedText) };
    const parsed = strengthTestInput.shape.trials.element.safeParse(trial);
    if (!parsed.success) return setProblems({ forceN: parsed.error.issues[0]?.message ?? "Enter a force." });
    add(trial);
    setTypedText("");
  };
  const save = async () => {
    if (!canSave || result === null) return;
    const sent = await send(`/api/clients/${client.clientId}/tests`, test);
    if (!sent.ok)
      return setProblems(Object.fromEntries(sent.problems.map((p) => [p.field || "form", p.sentence])));
    setSaved(`Saved: ${side} knee at ${angleDeg}°, ${result.value.toFixed(0)} N·m.`);
    setTrials([]);
    setShown(null);
    setTestId(crypto.randomUUID());
    onSaved();
  };
  const takeBack = (i: number) => {
    setTrials((all) => all.filter((_, j) => j !== i));
    setShown(null);
  };
  const saveCsv = () => {
    if (!shownTrial || shownTrial.source === "typed") return;
    const link = document.createElement("a");
    link.href = URL.createObjectURL(new Blob([traceToCsv(shownTrial.trace)], { type: "text/csv" }));
    link.download = `trace-${side}-${angleDeg}deg.csv`;
    link.click();
    URL.revokeObjectURL(link.href);
  };
  const peak = Math.max(50, ...shownTrace.current.forceN, ...evaluated.map((t) => t.forceN ?? 0));

  return (
    <section className="mt-1 grid grid-cols-[230px_minmax(0,1fr)] gap-x-6">
      <div className="grid content-start gap-2">
        <fieldset className="flex items-baseline justify-between">
          <legend className="sr-only">Side</legend>
          <span>side</span>
          <span className="flex gap-3">
            {(["left", "right"] as const).map((s) => (
              <label key={s} className="flex items-center gap-1">
                <input
                  type="radio"
                  name="side"
                  className="radio radio-primary radio-xs"
                  checked={side === s}
                  onChange={() => {
                    setSide(s);
                    setTrials([]);
                  }}
                />
                {s}
              </label>
            ))}
          </span>
        </fieldset>
        <Field
          label="knee angle"
          name="kneeFlexionDeg"
          unit="°"
          inputMode="decimal"
          value={angleText ?? String(angle)}
          onChange={(e) => {
            setAngleText(e.target.value);
            const n = readNumber(e.target.value);
            if (n >= 10 && n <= 110) onAngle(n);
          }}
          onBlur={() => angleDeg === angle && setAngleText(null)}
          onFocus={() => setAngleText(String(angle))}
          problem={setUpProblems.kneeFlexionDeg ?? problems.kneeFlexionDeg}
        />
        <Field
          label="lever arm"
          name="leverArmM"
          unit="cm"
          inputMode="decimal"
          value={leverText}
          onChange={(e) => setLeverText(e.target.value)}
          problem={setUpProblems.leverArmM ?? problems.leverArmM}
          hint="joint line to the pad; 1 cm is 3 %"
        />
        <Field
          label="pull angle"
          name="pullAngleDeg"
          unit="°"
          inputMode="decimal"
          value={pullText}
          onChange={(e) => setPullText(e.target.value)}
          problem={setUpProblems.pullAngleDeg ?? problems.pullAngleDeg}
        />
        <label className="flex items-start gap-2">
          <input
            type="checkbox"
            className="checkbox checkbox-primary checkbox-sm mt-0.5"
            checked={zeroed}
            onChange={(e) => setZeroed(e.target.checked)}
          />
          <span>
            zeroed with the leg relaxed
            <span className="small quiet block">
              {zeroed ? "no leg weight added" : "the lower leg's weight is added"}
            </span>
          </span>
        </label>
      </div>

      <div>
        <div className="flex items-baseline justify-between">
          <p className="font-bold">
            {cell.isStreaming
              ? "Push, build up over a second, hold"
              : trials.length >= 4
                ? "Four trials are the most"
                : `Ready for the ${ORDINAL[trials.length]} trial`}
          </p>
          <p className="small quiet">simulated load cell · rest a minute between trials</p>
        </div>
        <TraceChart
          trace={shownTrace}
          seconds={PUSH_S + 2}
          maxN={Math.ceil((peak * 1.15) / 50) * 50}
          plateau={analysis?.plateau}
          height={150}
          label="Force over time, with the plateau shaded"
        />
        <div className="mt-1 flex flex-wrap items-center gap-2">
          <button
            type="button"
            className="btn btn-primary btn-sm"
            onClick={push}
            disabled={!checked.success || cell.isStreaming || trials.length >= 4}
          >
            {cell.isStreaming ? "Recording" : "Record a push"} <kbd>P</kbd>
          </button>
          <label className="btn btn-sm btn-line">
            Load CSV
            <input
              ref={file}
              type="file"
              accept=".csv,text/csv,text/plain"
              className="sr-only"
              onChange={(e) => load(e.target.files?.[0])}
            />
          </label>
          <button
            type="button"
            className="btn btn-sm btn-line"
            onClick={saveCsv}
            disabled={!shownTrial || shownTrial.source === "typed"}
          >
            Save CSV
          </button>
          <span className="flex items-baseline gap-2">
            <label htmlFor="typed-force" className="small">
              or force read off
            </label>
            <input
              id="typed-force"
              className="input input-sm w-20 border-rule text-right font-bold"
              inputMode="decimal"
              value={typedText}
              aria-invalid={problems.forceN ? true : undefined}
              onChange={(e) => setTypedText(e.target.value)}
              onKeyDown={(e) => e.key === "Enter" && type()}
            />
            <span className="small quiet">N</span>
            <button type="button" className="btn btn-sm btn-line" onClick={type}>
              Add
            </button>
          </span>
        </div>
        <Problem
          sentence={
            problems.forceN ??
            problems.file ??
            problems.form ??
            problems.trials ??
            (cell.lost ? "The load cell went away. Nothing was kept of this push; record it again." : null)
          }
        />
        <ol className="mt-2">
          {evaluated.map((t, i) => (
            <li key={t.id} className="flex items-baseline gap-3 border-t border-rule py-1">
              <button
                type="button"
                className={`w-16 cursor-pointer text-left ${i === showing ? "font-bold text-primary" : ""}`}
                onClick={() => setShown(i)}
              >
                {ORDINAL[i]}
              </button>
              <span className="w-20 text-right font-bold">{t.torqueNm?.toFixed(0) ?? "–"} N·m</span>
              <span className="w-16 text-right quiet">{t.forceN?.toFixed(0) ?? "–"} N</span>
              <span className={`small flex-1 ${t.isValid ? "quiet" : "text-accent"}`}>{trialWords(t)}</span>
              <button type="button" className="small cursor-pointer underline" onClick={() => takeBack(i)}>
                take back
              </button>
            </li>
          ))}
        </ol>
        <div className="mt-2 flex items-center justify-between gap-4 border-t border-rule pt-2">
          <p aria-live="polite">
            {saved ? (
              <b className="text-primary">{saved}</b>
            ) : (
              <ResultWords result={result} angleDeg={angleDeg} side={side} />
            )}
          </p>
          <button
            type="button"
            className="btn btn-primary btn-sm shrink-0"
            onClick={save}
            disabled={!canSave}
          >
            Save this test <kbd>S</kbd>
          </button>
        </div>
        <KeysHelp
          deeds={[
            { key: "p", words: "record a push", run: push },
            { key: "s", words: "save this test", run: save },
            {
              key: "u",
              words: "take the last trial back",
              run: () => trials.length && takeBack(trials.length - 1),
            },
          ]}
        />
      </div>
    </section>
  );
}

function ResultWords({
  result,
  angleDeg,
  side,
}: {
  result: ReturnType<typeof evaluateTest>["result"] | null;
  angleDeg: number;
  side: string;
}) {
  if (!result) return <>Two valid trials within 10 % of each other make a result.</>;
  if (result.status === "need-more")
    return (
      <>
        {result.diffPct === null
          ? "One more valid trial is needed."
          : `The two best differ by ${result.diffPct.toFixed(0)} %: one more trial.`}
      </>
    );
  return (
    <>
      {side} knee at {angleDeg}°: <b className="display text-[22px]">{result.value.toFixed(0)}</b> <b>N·m</b>{" "}
      <span className="quiet">± {((result.value * 1.96 * TYPICAL_ERROR_PCT) / 100).toFixed(0)}</span>{" "}
      <span className="small quiet">
        {result.status === "ok"
          ? `mean of the two best, ${result.diffPct.toFixed(0)} % apart`
          : `unreliable: the best two are ${result.diffPct.toFixed(0)} % apart, the second is taken`}
      </span>
    </>
  );
}

function trialWords(t: EvaluatedTrial): string {
  if (!t.analysis) return "typed in, no trace";
  const flags = t.analysis.flags.map((f) => FLAG_SENTENCES[f]).join("; ");
  const steady =
    t.analysis.variationPct === null ? "" : `varies ${t.analysis.variationPct.toFixed(1)} % on the plateau`;
  if (!t.isValid) return `does not count: ${flags}`;
  return flags ? `${steady}; ${flags}` : steady;
}

function problemsByField(
  issues: readonly { path: PropertyKey[]; message: string }[],
): Record<string, string> {
  return Object.fromEntries(issues.map((i) => [i.path.join("."), i.message]));
}
