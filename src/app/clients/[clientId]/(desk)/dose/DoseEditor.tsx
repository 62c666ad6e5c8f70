"use client";
import type { DosedHold } from "@/core/dose/doseHold";
import { half } from "@/core/dose/holdFeasibility";
import type { Side } from "@/core/units/fields";
import { Field } from "@/ui/form/Field";
import type { PlanForm } from "./planForm";

/** The fields of a hold: effort in one of its two meanings, seconds, repetitions, rest, ladder. */
export function DoseEditor({
  form,
  onChange,
  problems,
  outcome,
  angle,
  side,
  disabled,
}: {
  form: PlanForm;
  onChange: (form: PlanForm) => void;
  problems: Record<string, string>;
  outcome: DosedHold | null;
  angle: number;
  side: Side;
  disabled: boolean;
}) {
  const set = (field: keyof PlanForm) => (e: { target: { value: string } }) =>
    onChange({ ...form, [field]: e.target.value });
  const text = (
    field: "holdS" | "reps" | "restS" | "sets" | "setRestS" | "ladderFromDeg" | "ladderToDeg",
  ) => ({
    name: field,
    value: form[field],
    onChange: set(field),
    problem: problems[field],
    disabled,
    inputMode: "decimal" as const,
  });
  return (
    <section>
      <h2 className="text-[17px]">
        Hold at {angle}° <span className="quiet text-[15px] font-normal">{side} knee</span>
      </h2>
      <fieldset className="mt-2">
        <legend className="sr-only">What the effort means</legend>
        <div className="flex gap-4">
          {(["felt", "percent"] as const).map((kind) => (
            <label key={kind} className="flex items-center gap-1.5">
              <input
                type="radio"
                name="effortKind"
                className="radio radio-primary radio-xs"
                checked={form.effortKind === kind}
                disabled={disabled}
                onChange={() => onChange({ ...form, effortKind: kind })}
              />
              {kind === "felt" ? "felt effort" : "% of maximum here"}
            </label>
          ))}
        </div>
      </fieldset>
      <div className="mt-2 grid gap-1.5">
        {form.effortKind === "felt" ? (
          <Field
            label="felt at the last hold"
            name="felt"
            unit="of 10"
            inputMode="decimal"
            value={form.felt}
            onChange={set("felt")}
            problem={problems.felt}
            disabled={disabled}
            hint={outcome ? `is about ${percentBand(outcome)} of maximum at ${angle}°` : undefined}
          />
        ) : (
          <Field
            label={`of its maximum at ${angle}°`}
            name="percent"
            unit="%"
            inputMode="decimal"
            value={form.percent}
            onChange={set("percent")}
            problem={problems.percent}
            disabled={disabled}
            hint={
              outcome?.achieved ? `will feel like ${feltBand(outcome)} of 10 at the last hold` : undefined
            }
          />
        )}
        <div className="grid grid-cols-2 gap-x-5 gap-y-1.5 [&_input]:w-14">
          <Field label="hold" unit="s" {...text("holdS")} />
          <Field label="times" unit="" {...text("reps")} />
          <Field label="rest" unit="s" {...text("restS")} />
          <Field label="sets" unit="" {...text("sets")} />
          {Number(form.sets) > 1 && <Field label="set rest" unit="s" {...text("setRestS")} />}
          <Field label="ladder" unit="°" {...text("ladderFromDeg")} />
          <Field label="up to" unit="°" {...text("ladderToDeg")} />
        </div>
      </div>
    </section>
  );
}

const percent = (share: number): string => (share * 100).toFixed(0);

function percentBand(o: DosedHold): string {
  const { value, low, high } = o.wantedShare;
  return `${percent(value)} % (${percent(low)} to ${percent(high)}, estimated)`;
}

function feltBand(o: DosedHold): string {
  const felt = o.achieved?.felt;
  return felt ? `${half(felt.value)} (${half(felt.low)} to ${half(felt.high)}, estimated)` : "–";
}
