"use client";
import { useId } from "react";
import { SCHEME_KINDS, SCHEME_NAMES, type Scheme, type SchemeKind, scheme } from "@/core/dose/scheme";
import type { ScoreLine } from "@/core/dose/scoreInput";
import type { RangeRow } from "@/core/selection/rangeSheet";
import type { ComputedSetUp } from "@/core/selection/row";
import { SCHEME_STARTS } from "./schemeDefaults";
import type { Line } from "./useScore";

/** Fields of a scheme by their key, in the order in which they are asked. */
const FIELDS: Record<string, { label: string; unit: string; least: number; most: number; step: number }> = {
  sets: { label: "sets", unit: "", least: 1, most: 10, step: 1 },
  reps: { label: "repetitions", unit: "", least: 1, most: 40, step: 1 },
  reserve: { label: "left in reserve", unit: "", least: 0, most: 8, step: 1 },
  holdS: { label: "hold", unit: "s", least: 3, most: 60, step: 5 },
  feltEffort: { label: "felt effort", unit: "of 10", least: 1, most: 9, step: 0.5 },
  restS: { label: "rest", unit: "s", least: 0, most: 600, step: 5 },
  setRestS: { label: "rest between sets", unit: "s", least: 0, most: 600, step: 10 },
  plateKg: { label: "a step", unit: "kg", least: 0.5, most: 20, step: 0.5 },
  drops: { label: "drops", unit: "", least: 1, most: 3, step: 1 },
  dropPct: { label: "each by", unit: "%", least: 10, most: 30, step: 5 },
  partials: { label: "partials", unit: "", least: 2, most: 10, step: 1 },
  lowerS: { label: "lowering", unit: "s", least: 3, most: 15, step: 1 },
  totalS: { label: "in all", unit: "s", least: 10, most: 300, step: 10 },
  toleratedS: { label: "at once", unit: "s", least: 5, most: 60, step: 5 },
};

/** What to set for the scheme, what it really asks for, and how sure that is. */
function ToSet({ setUp, isTested }: { setUp: ComputedSetUp; isTested: boolean }) {
  return (
    <p className="mt-1" role="status">
      start with <b className="display text-[18px]">{setUp.how}</b>
      {setUp.effortShare !== null && (
        <span className="small quiet">
          {" "}
          at most {Math.round(setUp.effortShare * 100)} % of{" "}
          {isTested ? "what it can hold, estimated" : "a default strength: not tested"}
        </span>
      )}
      {setUp.tooHeavyBecause ? (
        <span className="block text-accent">
          The lightest it has is more than this scheme wants, because {setUp.tooHeavyBecause}. Take a lighter
          means.
        </span>
      ) : (
        <span className="small quiet block">
          Find the real load in two light sets; the step below is chosen, never above.
        </span>
      )}
    </p>
  );
}

/** One line of the session: its scheme, its numbers, its sides, its place. */
export function ItemEditor({
  line,
  row,
  toSet,
  isTested,
  bars,
  disabled,
  onChange,
  onMove,
  onRemove,
}: {
  line: Line;
  row: RangeRow;
  /** the set-up at the load that the scheme asks for; null where none is computed */
  toSet: ComputedSetUp | null;
  isTested: boolean;
  bars: readonly string[];
  disabled: boolean;
  onChange: (part: Partial<ScoreLine>) => void;
  onMove: (by: 1 | -1) => void;
  onRemove: () => void;
}) {
  const id = useId();
  const current = line.scheme as Record<string, unknown> & Scheme;
  const set = (key: string, value: number | string) => {
    const next = scheme.safeParse({ ...current, [key]: value });
    if (next.success) onChange({ scheme: next.data });
  };
  return (
    <section>
      <h2 className="text-[18px]">{row.e.name}</h2>
      <p className="small quiet">
        {row.computed ? `${row.computed.chosen.machine.name}, ` : ""}
        {Math.round(row.arc.fromDeg)}° to {Math.round(row.arc.toDeg)}° are open
      </p>
      {toSet && <ToSet setUp={toSet} isTested={isTested} />}
      <fieldset disabled={disabled} className="mt-2 grid gap-1.5">
        <label className="flex items-center justify-between gap-3">
          scheme
          <select
            className="select select-sm w-[210px]"
            value={line.scheme.kind}
            onChange={(e) => onChange({ scheme: SCHEME_STARTS[e.target.value as SchemeKind] })}
          >
            {SCHEME_KINDS.map((k) => (
              <option key={k} value={k}>
                {SCHEME_NAMES[k]}
              </option>
            ))}
          </select>
        </label>
        {bars.length > 0 && (
          <p className="text-accent" role="status">
            Barred, because {bars.join("; ")}. Choose another scheme.
          </p>
        )}
        {Object.entries(FIELDS).map(([key, f]) => {
          const value = current[key];
          if (typeof value !== "number") return null;
          return (
            <label key={key} htmlFor={`${id}-${key}`} className="flex items-center justify-between gap-3">
              {f.label}
              <span className="flex items-baseline gap-1.5">
                <input
                  id={`${id}-${key}`}
                  name={key}
                  type="number"
                  min={f.least}
                  max={f.most}
                  step={f.step}
                  value={value}
                  onChange={(e) => set(key, e.target.valueAsNumber)}
                  className="input input-sm w-20 text-right font-bold"
                />
                <span className="small quiet min-w-8">{f.unit}</span>
              </span>
            </label>
          );
        })}
        {line.scheme.kind === "accumulated" && (
          <label className="flex items-center justify-between gap-3">
            to a total of
            <select
              className="select select-sm w-[110px]"
              value={line.scheme.total}
              onChange={(e) =>
                onChange({
                  scheme: { ...SCHEME_STARTS.accumulated, total: e.target.value === "25" ? 25 : 15 },
                })
              }
            >
              <option value={15}>15, novices</option>
              <option value={25}>25</option>
            </select>
          </label>
        )}
        {line.scheme.kind === "partials" && (
          <label className="flex items-center justify-between gap-3">
            partials at the
            <select
              className="select select-sm w-[150px]"
              value={line.scheme.end}
              onChange={(e) => set("end", e.target.value)}
            >
              <option value="stretched">stretched end</option>
              <option value="short">short end</option>
            </select>
          </label>
        )}
        <label className="flex items-center justify-between gap-3">
          sides
          <select
            className="select select-sm w-[210px]"
            value={line.sides}
            onChange={(e) => onChange({ sides: e.target.value === "2" ? 2 : 1 })}
          >
            <option value={1}>this side, or both at once</option>
            <option value={2}>both in turns, weaker first</option>
          </select>
        </label>
      </fieldset>
      {!disabled && (
        <p className="mt-3 flex flex-wrap gap-2">
          <button type="button" className="btn btn-line btn-sm" onClick={() => onMove(-1)}>
            Up <kbd>U</kbd>
          </button>
          <button type="button" className="btn btn-line btn-sm" onClick={() => onMove(1)}>
            Down <kbd>D</kbd>
          </button>
          <button type="button" className="btn btn-line btn-sm" onClick={onRemove}>
            Take out <kbd>X</kbd>
          </button>
        </p>
      )}
    </section>
  );
}
