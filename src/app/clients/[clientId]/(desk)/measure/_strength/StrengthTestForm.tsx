"use client";
import { useRef, useState } from "react";
import { TraceChart, type TraceView } from "@/ui/charts/TraceChart";
import { KeptDraft } from "@/ui/form/KeptDraft";
import { Problem } from "@/ui/form/Problem";
import { KeysHelp } from "@/ui/keys/KeysHelp";
import { ScoreKeys } from "@/ui/pain/ScoreKeys";
import { useSay } from "@/ui/reader";
import { TestSetUpFields } from "./TestSetUpFields";
import { TestSteps } from "./TestSteps";
import { ResultWords, TrialRows } from "./TrialRows";
import { downloadTrace, PUSH_S, testedWords, useStrengthTest } from "./useStrengthTest";

const NO_TRACE: TraceView = { timeS: [], forceN: [] };

/** A strength test: the set-up, up to four trials by load cell, file or typed force, the result, save. */
export function StrengthTestForm(props: Parameters<typeof useStrengthTest>[0]) {
  const say = useSay();
  const test = useStrengthTest(props);
  const { cell, trials, evaluated, setUp, problems } = test;
  const [shown, setShown] = useState<number | null>(null);
  const [typedText, setTypedText] = useState("");
  // the newest trial is shown unless an older one was picked
  const showing = shown !== null && shown < trials.length ? shown : trials.length ? trials.length - 1 : null;
  const shownTrial = showing === null ? undefined : trials[showing];
  const hasTrace = shownTrial !== undefined && shownTrial.source !== "typed";
  const shownTrace = useRef<TraceView>(NO_TRACE);
  shownTrace.current = cell.isStreaming ? cell.trace.current : hasTrace ? shownTrial.trace : NO_TRACE;
  const analysis = showing === null || cell.isStreaming ? null : evaluated[showing]?.analysis;
  const peakN = shownTrace.current.forceN.reduce((most, f) => Math.max(most, f), 50);
  const newest = trials[trials.length - 1];
  const asksPain = newest !== undefined && !cell.isStreaming;
  const addTyped = () => test.addTyped(typedText) && setTypedText("");
  const takeBack = (index: number) => {
    setShown(null);
    test.takeBack(index);
  };

  return (
    <>
      <KeptDraft {...test.kept} what="a test" />
      <section className="mt-1 grid grid-cols-1 sm:grid-cols-[230px_minmax(0,1fr)] gap-x-6">
        <TestSetUpFields test={test} />
        <div>
          <TestSteps
            isPushing={cell.isStreaming}
            taken={trials.length}
            asksPain={asksPain}
            isDone={test.saved !== null && trials.length === 0}
          />
          {asksPain && (
            <div className="mb-2">
              <ScoreKeys
                label="Joint pain in that push"
                value={newest?.pain ?? null}
                limit={props.painMax}
                onPick={test.hurt}
              />
            </div>
          )}
          {/* a force that was read off has nothing to draw */}
          {(cell.isStreaming || hasTrace || trials.length === 0) && (
            <TraceChart
              trace={shownTrace}
              seconds={PUSH_S + 2}
              maxN={Math.ceil((peakN * 1.15) / 50) * 50}
              plateau={analysis?.plateau}
              height={150}
              label="Force over time, with the plateau shaded"
            />
          )}
          <div className="mt-1 flex flex-wrap items-center gap-2">
            <button
              type="button"
              className="btn btn-primary btn-sm"
              onClick={test.push}
              disabled={!test.canPush}
            >
              {cell.isStreaming ? "Recording" : "Record a push"} <kbd>P</kbd>
            </button>
            <label className="btn btn-sm btn-line">
              Load CSV
              <input
                type="file"
                accept=".csv,text/csv,text/plain"
                className="sr-only"
                onChange={(e) => {
                  const file = e.target.files?.[0];
                  if (file) test.loadFile(file);
                  e.target.value = "";
                }}
              />
            </label>
            <button
              type="button"
              className="btn btn-sm btn-line"
              onClick={() => downloadTrace(shownTrial, `trace-${setUp.side}-${setUp.kneeFlexionDeg}deg.csv`)}
              disabled={!hasTrace}
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
                onKeyDown={(e) => e.key === "Enter" && addTyped()}
              />
              <span className="small quiet">N</span>
              <button type="button" className="btn btn-sm btn-line" onClick={addTyped}>
                Add
              </button>
            </span>
          </div>
          <Problem
            sentence={
              (test.barred && say(test.barred)) ??
              problems.forceN ??
              problems.file ??
              problems.form ??
              problems.trials ??
              (cell.lost ? "The load cell went away. Nothing was kept of this push; record it again." : null)
            }
          />
          <TrialRows
            evaluated={evaluated}
            pains={trials.map((t) => t.pain)}
            showing={showing}
            onShow={setShown}
            onTakeBack={takeBack}
          />
          <div className="mt-2 flex items-center justify-between gap-4 border-t border-rule pt-2">
            <p aria-live="polite">
              {test.saved ? (
                <b className="text-primary">{test.saved}</b>
              ) : (
                <ResultWords result={test.result} what={testedWords(setUp)} />
              )}
            </p>
            <button
              type="button"
              className="btn btn-primary btn-sm shrink-0"
              onClick={test.save}
              disabled={!test.canSave}
            >
              Save this test <kbd>S</kbd>
            </button>
          </div>
          <KeysHelp
            deeds={[
              { key: "p", words: "record a push", run: test.push },
              { key: "s", words: "save this test", run: test.save },
              { key: "u", words: "take the last trial back", run: () => takeBack(trials.length - 1) },
            ]}
          />
        </div>
      </section>
    </>
  );
}
