"use client";
import { READY_QUESTIONS } from "@/core/selection/rank/questions";
import { TISSUE_IDS } from "@/core/selection/tissue/tissues";
import { type MassUnit, poundsBeside } from "@/core/units/mass";
import type { ChooseFacts } from "@/server/facts/choose";
import { QUESTIONS, TISSUES } from "@/words/en/plan/choose";
import type { Choose } from "./useChoose";

const FILTERS = [
  ["hand", "in this gym"],
  ["supported", "back supported"],
  ["oneLeg", "one leg"],
  ["holds", "holds"],
  ["noKneeling", "no kneeling"],
] as const;

const CAPS = [0.5, 0.8, 1, 1.5, 2] as const;

/** What the ridges show, what rows are set to, what is filtered: lines of words above the ruler. */
export function SheetControls({
  choose,
  facts,
  massUnit,
}: {
  choose: Choose;
  facts: ChooseFacts;
  massUnit: MassUnit;
}) {
  const { state, setState, tissue, basis } = choose;
  const measured = facts.strength.extension.from !== "prior";
  return (
    <div className="small">
      <div className="flex flex-wrap items-baseline justify-between gap-x-4">
        <h1 className="text-[19px]">What fits this knee</h1>
        <fieldset className="flex flex-wrap gap-x-3">
          <legend className="sr-only">What the ridges show</legend>
          <span className="quiet" aria-hidden>
            load on:
          </span>
          {TISSUE_IDS.map((t) => (
            <button
              key={t}
              type="button"
              aria-pressed={t === tissue}
              onClick={() => setState({ tissue: t })}
              className={`cursor-pointer ${t === tissue ? "border-b-2 border-primary font-bold text-primary" : "quiet hover:underline"}`}
            >
              {TISSUES[t].name}
            </button>
          ))}
          <label className="flex items-baseline gap-1">
            <span className="quiet">and over it</span>
            <select
              className="cursor-pointer border-b border-rule bg-transparent"
              value={state.also ?? ""}
              onChange={(e) => setState({ also: (e.target.value || null) as typeof state.also })}
            >
              <option value="">none</option>
              {TISSUE_IDS.filter((t) => t !== tissue).map((t) => (
                <option key={t} value={t}>
                  {TISSUES[t].name}
                </option>
              ))}
            </select>
          </label>
        </fieldset>
      </div>
      <div className="mt-1 flex flex-wrap items-baseline gap-x-3">
        <label className="flex items-baseline gap-1">
          <span className="quiet">all set to the same</span>
          <select
            className="cursor-pointer border-b border-rule bg-transparent font-bold"
            value={state.basis}
            onChange={(e) => setState({ basis: e.target.value as typeof state.basis })}
          >
            <option value="effort">effort</option>
            <option value="moment">knee moment</option>
            <option value="load">load</option>
          </select>
        </label>
        {basis.kind === "load" ? (
          <label className="flex items-baseline gap-1">
            <span className="sr-only">Load that rows are set to, kilograms</span>
            <input
              type="number"
              min={0}
              max={400}
              step={5}
              value={state.kg}
              onChange={(e) => setState({ kg: Number(e.target.value) || 0 })}
              className="w-14 border-b border-rule bg-transparent text-right font-bold"
            />
            kg{poundsBeside(state.kg, massUnit)} or the step below
          </label>
        ) : (
          <label className="flex items-baseline gap-1">
            <span className="sr-only">Share of its own strength, percent</span>
            <select
              className="cursor-pointer border-b border-rule bg-transparent font-bold"
              value={String(state.share)}
              onChange={(e) => setState({ share: Number(e.target.value) })}
            >
              {[20, 30, 40, 50, 60, 70, 80].map((p) => (
                <option key={p} value={p}>
                  {p} %
                </option>
              ))}
            </select>
            {basis.kind === "effort"
              ? measured
                ? "of its strength at the hardest angle"
                : "of a default strength: no test yet"
              : `of its strength at 60°: ${Math.round(basis.nm)} N·m`}
          </label>
        )}
        <label className="flex items-baseline gap-1">
          <span className="quiet">at most</span>
          <select
            className="cursor-pointer border-b border-rule bg-transparent font-bold"
            value={state.cap === null ? "" : String(state.cap)}
            onChange={(e) => setState({ cap: e.target.value === "" ? null : Number(e.target.value) })}
          >
            <option value="">any load on it</option>
            {CAPS.map((c) => (
              <option key={c} value={c}>
                {c} × the reference task
              </option>
            ))}
          </select>
        </label>
      </div>
      <div className="mt-1 flex flex-wrap items-baseline gap-x-3">
        {FILTERS.map(([key, words]) => (
          <label key={key} className="flex cursor-pointer items-center gap-1">
            <input
              type="checkbox"
              className="checkbox checkbox-xs"
              checked={state[key]}
              onChange={(e) => setState({ [key]: e.target.checked })}
            />
            {words}
          </label>
        ))}
        <button
          type="button"
          className="ml-auto cursor-pointer underline"
          onClick={() => setState({ view: "picks" })}
        >
          answers first
        </button>
        <label className="flex items-baseline gap-1">
          <span className="sr-only">A ready question, answered side by side</span>
          <select
            className="w-[88px] cursor-pointer border-b border-rule bg-transparent"
            value={state.ask ?? ""}
            onChange={(e) => {
              const q = READY_QUESTIONS.find((x) => x.id === e.target.value);
              setState(q ? { ask: q.id, angle: q.deg, compare: null } : { ask: null });
            }}
          >
            <option value="">ask why …</option>
            {READY_QUESTIONS.map((q) => (
              <option key={q.id} value={q.id}>
                {QUESTIONS[q.id].ask}
              </option>
            ))}
          </select>
        </label>
      </div>
    </div>
  );
}
