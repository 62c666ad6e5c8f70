"use client";
import { type Ref, useEffect, useRef, useState } from "react";
import { settingWords } from "@/core/equipment/machine";
import { allowedArc } from "@/core/selection/fit/allowedArc";
import { exerciseUse } from "@/core/selection/fit/exerciseUse";
import type { RangeRow } from "@/core/selection/rank/rangeSheet";
import type { FoundSetUp, SearchResult } from "@/core/selection/search/findSetUp";
import { NOT_SEARCHED } from "@/core/selection/setUp/stops";
import { type MassUnit, poundsBeside } from "@/core/units/mass";
import { Dialog } from "@/ui/Dialog";
import { Said } from "@/ui/reader";
import { TISSUES } from "@/words/en/plan/choose";
import { callback, openFindSetUp } from "@/workers/open";
import type { Choose } from "./useChoose";

/** Searches a machine's notches and loads in a worker: the few best, each with what it gives up. */
export function FindSetUp({
  ref,
  choose,
  row,
  massUnit,
}: {
  ref: Ref<HTMLDialogElement>;
  choose: Choose;
  row: RangeRow;
  massUnit: MassUnit;
}) {
  const [effort, setEffort] = useState("60");
  const [cap, setCap] = useState(choose.state.cap === null ? "1" : String(choose.state.cap));
  const [keepBack, setKeepBack] = useState(true);
  const [progress, setProgress] = useState<number | null>(null);
  const [result, setResult] = useState<(SearchResult & { tookMs: number }) | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const worker = useRef<ReturnType<typeof openFindSetUp> | null>(null);
  const end = () => {
    worker.current?.end();
    worker.current = null;
    setProgress(null);
  };
  useEffect(() => () => worker.current?.end(), []);
  const { input, tissue } = choose;
  const setUp = row.computed;
  if (!setUp) return null;
  const search = async () => {
    const use = exerciseUse(row.e);
    const allowed = allowedArc(row.e, input.limits, input.motion);
    if (!use || !allowed) return;
    end();
    setProblem(null);
    setResult(null);
    setProgress(0);
    const own = openFindSetUp();
    worker.current = own;
    try {
      // only what a search needs goes to the worker
      const { exercises: _all, machines: _gym, later: _later, ...facts } = input;
      const found = await own.door.find(
        {
          exercise: row.e,
          use,
          machine: setUp.chosen.machine,
          allowed,
          ctx: { ...facts, tissue, capTimes: null },
          wish: { effortShare: Number(effort) / 100, capTimes: cap === "" ? null : Number(cap), keepBack },
        },
        callback(setProgress),
      );
      if (worker.current === own) setResult(found);
    } catch {
      if (worker.current === own) setProblem("The search stopped without a result. Try again.");
    } finally {
      if (worker.current === own) end();
    }
  };
  const isBusy = progress !== null;
  return (
    <Dialog ref={ref} label="Find a set-up" onClose={end} size="wide">
      <h2 className="text-lg">Find a set-up: {row.e.name}</h2>
      <p className="mt-1">
        Every notch and step of {setUp.chosen.machine.name} inside today's limits; the most work for the knee
        under these caps.
      </p>
      <form
        className="mt-2 flex flex-wrap items-end gap-x-5 gap-y-2"
        onSubmit={(e) => {
          e.preventDefault();
          search();
        }}
      >
        <label className="grid gap-1">
          <span className="small">effort at most</span>
          <select className="select select-sm" value={effort} onChange={(e) => setEffort(e.target.value)}>
            {[30, 40, 50, 60, 70, 80].map((p) => (
              <option key={p} value={p}>
                {p} % of its strength
              </option>
            ))}
          </select>
        </label>
        <label className="grid gap-1">
          <span className="small">{TISSUES[tissue].name} at most</span>
          <select className="select select-sm" value={cap} onChange={(e) => setCap(e.target.value)}>
            <option value="">any</option>
            {["0.5", "0.8", "1", "1.5", "2"].map((c) => (
              <option key={c} value={c}>
                {c} × the reference task
              </option>
            ))}
          </select>
        </label>
        <label className="flex cursor-pointer items-center gap-2 pb-1">
          <input
            type="checkbox"
            className="checkbox checkbox-sm"
            checked={keepBack}
            onChange={(e) => setKeepBack(e.target.checked)}
          />
          the low back does not round
        </label>
        {isBusy ? (
          <button type="button" className="btn btn-sm" onClick={end}>
            Stop
          </button>
        ) : (
          <button type="submit" className="btn btn-primary btn-sm">
            Search
          </button>
        )}
      </form>
      <div className="mt-3 min-h-20 border-t border-rule pt-2" aria-live="polite">
        {isBusy && (
          <p>
            <progress
              className="progress progress-primary w-56"
              value={progress ?? 0}
              max={1}
              aria-label="Progress of the search"
            />{" "}
            searching
          </p>
        )}
        {problem && <p className="text-accent">{problem}</p>}
        {result?.why && (
          <p>
            <Said>{result.why}</Said>
          </p>
        )}
        {result && result.found.length > 0 && (
          <>
            <Found found={result.found} choose={choose} row={row} massUnit={massUnit} />
            <p className="small quiet mt-1">
              {result.evaluations.toLocaleString("en-GB")} set-ups × angles looked at in{" "}
              {Math.round(result.tookMs)} ms. None is best in everything: each line says what it gives up.
            </p>
          </>
        )}
      </div>
      <form method="dialog" className="mt-2">
        <button type="submit" className="btn btn-sm">
          Close
        </button>
      </form>
    </Dialog>
  );
}

function Found({
  found,
  choose,
  row,
  massUnit,
}: {
  found: FoundSetUp[];
  choose: Choose;
  row: RangeRow;
  massUnit: MassUnit;
}) {
  const settings = (row.computed?.chosen.family.settings ?? []).filter((s) => !NOT_SEARCHED.has(s.key));
  return (
    <table className="lanes w-full text-left text-[14px]">
      <thead>
        <tr className="small quiet align-bottom">
          <th scope="col" className="pr-3 font-normal">
            set-up
          </th>
          <th scope="col" className="pr-3 font-normal">
            arc
          </th>
          <th scope="col" className="pr-3 font-normal">
            effort, mean and most
          </th>
          <th scope="col" className="pr-3 font-normal">
            {TISSUES[choose.tissue].name}
          </th>
          <th scope="col" className="pr-3 font-normal">
            gives up
          </th>
          <th scope="col">
            <span className="sr-only">Use</span>
          </th>
        </tr>
      </thead>
      <tbody>
        {found.map((f) => (
          <tr key={`${JSON.stringify(f.settings)} ${f.load}`} className="border-t border-base-300 align-top">
            <td className="w-[300px] py-1 pr-3">
              <b>{f.how}</b>{" "}
              <span className="quiet">
                {Math.round(f.load * 10) / 10} kg{poundsBeside(f.load, massUnit)}
              </span>
              <span className="small quiet block">
                {settings.map((s) => `${s.name} ${settingWords(s, f.settings[s.key] ?? 0)}`).join(" · ")}
              </span>
            </td>
            <td className="whitespace-nowrap py-1 pr-3">
              {Math.round(f.fromDeg)}° to {Math.round(f.toDeg)}°
            </td>
            <td className="whitespace-nowrap py-1 pr-3">
              {Math.round(f.meanShare * 100)} %, {Math.round(f.peakShare * 100)} %
            </td>
            <td className="whitespace-nowrap py-1 pr-3">{f.peakTimes.toFixed(1)} ×</td>
            <td className="py-1 pr-3">
              <Said>{f.givesUp}</Said>
            </td>
            <td className="py-1">
              <form method="dialog">
                <button
                  type="submit"
                  className="btn btn-line btn-sm"
                  onClick={() => choose.takeSetUp(f.settings, f.load)}
                  aria-label={`Use ${f.how}, ${Math.round(f.fromDeg)}° to ${Math.round(f.toDeg)}°`}
                >
                  Use
                </button>
              </form>
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
