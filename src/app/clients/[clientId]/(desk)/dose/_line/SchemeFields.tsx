"use client";
import { type ChangeEvent, useId, useState } from "react";
import { LAST_SETS } from "@/core/sheet/schemes/lastSet";
import { type Scheme, scheme } from "@/core/sheet/schemes/scheme";
import { firstIssue } from "@/core/units/wrong";
import { useSay } from "@/ui/reader";
import { HOLD_EFFORT_STARTS } from "./schemeDefaults";

/** Fields of a scheme by their key, in the order in which they are asked. */
const FIELDS: Record<string, { label: string; unit: string; least: number; most: number; step: number }> = {
  sets: { label: "sets", unit: "", least: 1, most: 10, step: 1 },
  reps: { label: "repetitions", unit: "", least: 1, most: 40, step: 1 },
  distanceM: { label: "distance", unit: "m", least: 4, most: 40, step: 1 },
  carriedKg: { label: "carried", unit: "kg", least: 0, most: 60, step: 1 },
  holdS: { label: "hold", unit: "s", least: 3, most: 60, step: 5 },
  reserve: { label: "in reserve", unit: "", least: 0, most: 8, step: 1 },
  total: { label: "in all", unit: "", least: 8, most: 40, step: 1 },
  percent: { label: "of one lift", unit: "%", least: 40, most: 60, step: 5 },
  plateKg: { label: "a step", unit: "kg", least: 0.5, most: 20, step: 0.5 },
  drops: { label: "drops", unit: "", least: 1, most: 3, step: 1 },
  dropPct: { label: "each by", unit: "%", least: 10, most: 30, step: 5 },
  partials: { label: "partials", unit: "", least: 2, most: 10, step: 1 },
  pulses: { label: "pulses each", unit: "", least: 1, most: 5, step: 1 },
  lowerS: { label: "lowering", unit: "s", least: 3, most: 15, step: 1 },
  restS: { label: "rest", unit: "s", least: 0, most: 600, step: 5 },
  setRestS: { label: "rest between sets", unit: "s", least: 0, most: 600, step: 10 },
  totalS: { label: "in all", unit: "s", least: 10, most: 300, step: 10 },
  toleratedS: { label: "at once", unit: "s", least: 5, most: 60, step: 5 },
};
const LAST = {
  lighter: "a fifth lighter",
  slower: "lowered slower",
  nearer: "one rep nearer its end",
} as const;
const TEMPO = {
  liftS: { label: "up", least: 0, most: 10 },
  topS: { label: "top", least: 0, most: 10 },
  lowerS: { label: "down", least: 0.5, most: 15 },
  bottomS: { label: "low", least: 0, most: 5 },
} as const;

interface NumberProps {
  name: string;
  value: number;
  least: number;
  most: number;
  step: number;
  /** null when it was taken over, else the sentence why not */
  onValue: (value: number) => string | null;
}

/** A number as it is typed: what does not fit stays in the field, says why, and is not taken over. */
function useTyped({ value, onValue }: Pick<NumberProps, "value" | "onValue">) {
  const [typed, setTyped] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  return {
    problem,
    input: {
      value: typed ?? value,
      onChange: (e: ChangeEvent<HTMLInputElement>) => {
        setTyped(e.target.value);
        setProblem(e.target.value.trim() === "" ? "Enter a number." : onValue(Number(e.target.value)));
      },
      // what was not taken over falls back to what stands
      onBlur: () => {
        setTyped(null);
        setProblem(null);
      },
    },
  };
}

function NumberInput({
  id,
  name,
  label,
  least,
  most,
  step,
  input,
  problem,
  className,
}: Omit<NumberProps, "value" | "onValue"> &
  ReturnType<typeof useTyped> & { id: string; label: string; className: string }) {
  return (
    <input
      {...input}
      id={id}
      name={name}
      type="number"
      min={least}
      max={most}
      step={step}
      title={problem ?? undefined}
      aria-label={label}
      aria-invalid={problem !== null}
      aria-describedby={problem ? `${id}-why` : undefined}
      className={`input input-sm text-right ${className} ${problem ? "border-2 border-accent" : ""}`}
    />
  );
}

/** A number with its label and unit, and under it why it was not taken over. */
export function NumberRow({
  label,
  unit,
  name,
  value,
  least,
  most,
  step,
  onValue,
}: NumberProps & { label: string; unit: string }) {
  const id = useId();
  const { input, problem } = useTyped({ value, onValue });
  return (
    <div>
      <div className="flex items-center justify-between gap-2">
        <label htmlFor={id}>{label}</label>
        <span className="flex items-baseline gap-1">
          <NumberInput
            {...{ id, name, least, most, step, input, problem }}
            label={label || `${name}, ${unit}`}
            className="w-[64px] px-1.5 font-bold"
          />
          <span className="small quiet min-w-[14px]">{unit}</span>
        </span>
      </div>
      {problem && (
        <p id={`${id}-why`} role="status" className="small text-accent">
          {problem}
        </p>
      )}
    </div>
  );
}

/** One part of a tempo. */
function TempoBox({ label, name, value, least, most, step, onValue }: NumberProps & { label: string }) {
  const id = useId();
  const { input, problem } = useTyped({ value, onValue });
  return (
    <span className="small quiet flex items-center gap-1">
      <label htmlFor={id}>{label}</label>
      <NumberInput
        {...{ id, name, least, most, step, input, problem }}
        label={label}
        className="w-[42px] px-1 text-base-content"
      />
      {problem && (
        <span id={`${id}-why`} role="status" className="sr-only">
          {problem}
        </span>
      )}
    </span>
  );
}

/** All numbers of a scheme in two columns, each kind with its own. */
export function SchemeFields({ value, onChange }: { value: Scheme; onChange: (next: Scheme) => void }) {
  const say = useSay();
  const current = value as Record<string, unknown> & Scheme;
  const set = (part: Record<string, unknown>): string | null => {
    const next = scheme.safeParse({ ...current, ...part });
    if (!next.success) return say(firstIssue(next.error));
    onChange(next.data);
    return null;
  };
  return (
    <>
      <div className="grid grid-cols-2 gap-x-4 gap-y-1">
        {Object.entries(FIELDS).map(([key, f]) => {
          const number = current[key];
          // sets and their rest say nothing about a single set
          if (typeof number !== "number" || (key === "setRestS" && current.sets === 1)) return null;
          return (
            <NumberRow
              key={key}
              {...f}
              label={key === "reps" && value.kind === "holds" ? "holds" : f.label}
              name={key}
              value={number}
              onValue={(n) => set({ [key]: n })}
            />
          );
        })}
      </div>
      {value.kind === "holds" && (
        <div className="flex flex-wrap items-center gap-x-3">
          <label className="flex items-center gap-2">
            effort
            <select
              className="select select-sm w-[150px]"
              value={value.effort.kind}
              onChange={(e) =>
                set({ effort: HOLD_EFFORT_STARTS[e.target.value === "felt" ? "felt" : "percent"] })
              }
            >
              <option value="felt">felt, at the end</option>
              <option value="percent">% of maximum</option>
            </select>
          </label>
          {value.effort.kind === "felt" ? (
            <NumberRow
              label=""
              name="felt"
              unit="of 10"
              least={2}
              most={9}
              step={0.5}
              value={value.effort.felt}
              onValue={(felt) => set({ effort: { kind: "felt", felt } })}
            />
          ) : (
            <NumberRow
              label=""
              name="percent"
              unit="%"
              least={10}
              most={90}
              step={5}
              value={value.effort.percent}
              onValue={(percent) => set({ effort: { kind: "percent", percent } })}
            />
          )}
        </div>
      )}
      {(value.kind === "straight" || value.kind === "ramp") && (
        <fieldset className="flex items-center justify-between gap-1">
          <legend className="sr-only">Tempo in seconds</legend>
          tempo
          <span className="flex gap-1.5">
            {(Object.keys(TEMPO) as (keyof typeof TEMPO)[]).map((part) => (
              <TempoBox
                key={part}
                {...TEMPO[part]}
                name={`tempo-${part}`}
                step={0.5}
                value={value.tempo[part]}
                onValue={(n) => set({ tempo: { ...value.tempo, [part]: n } })}
              />
            ))}
          </span>
        </fieldset>
      )}
      {value.kind === "straight" && value.sets > 1 && (
        <label className="flex items-center justify-between gap-3">
          last set
          <select
            className="select select-sm w-[150px]"
            value={value.last ?? ""}
            onChange={(e) => set({ last: e.target.value || undefined })}
          >
            <option value="">as the others</option>
            {LAST_SETS.map((how) => (
              <option key={how} value={how}>
                {LAST[how]}
              </option>
            ))}
          </select>
        </label>
      )}
      {(value.kind === "partials" || value.kind === "pulses") && (
        <label className="flex items-center justify-between gap-3">
          at the
          <select
            className="select select-sm w-[150px]"
            value={value.end}
            onChange={(e) => set({ end: e.target.value })}
          >
            <option value="stretched">stretched end</option>
            <option value="short">short end</option>
          </select>
        </label>
      )}
    </>
  );
}
