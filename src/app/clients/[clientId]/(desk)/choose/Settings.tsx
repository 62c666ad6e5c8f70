"use client";
import { notchesOf, settingWords } from "@/core/equipment/machine";
import { exerciseUse } from "@/core/selection/fit/exerciseUse";
import type { RangeRow } from "@/core/selection/rank/rangeSheet";
import { machinesFor, realLoads } from "@/core/selection/setUp/machineFor";
import type { ComputedSetUp } from "@/core/selection/setUp/row";
import { type MassUnit, poundsBeside } from "@/core/units/mass";
import type { ChooseFacts } from "@/server/facts/choose";
import type { Choose } from "./useChoose";

/** Which machine, where the gym has several that can do it. */
export function MachineChoice({
  choose,
  facts,
  row,
  setUp,
}: {
  choose: Choose;
  facts: ChooseFacts;
  row: RangeRow;
  setUp: ComputedSetUp;
}) {
  const use = exerciseUse(row.e);
  const able = use ? machinesFor(use, facts.machines) : [];
  if (able.length < 2) return null;
  return (
    <label className="flex items-center justify-between gap-2 border-t border-rule py-1">
      on
      <select
        className="select select-sm w-[230px]"
        value={setUp.chosen.id ?? ""}
        onChange={(e) => choose.takeMachine(e.target.value)}
      >
        {able.map((m) => (
          <option key={m.id} value={m.id}>
            {m.name}
            {m.place && `, ${m.place}`}
          </option>
        ))}
      </select>
    </label>
  );
}

/** What is set, each at a notch of the machine, and the load at a real step. */
export function Settings({
  choose,
  setUp,
  massUnit,
}: {
  choose: Choose;
  setUp: ComputedSetUp;
  massUnit: MassUnit;
}) {
  const { chosen, settings } = setUp;
  const loads = realLoads(chosen.machine, chosen.family);
  const at = loads.findIndex((l) => Math.abs(l.load - setUp.load) < 1e-6);
  return (
    <div className="mt-1 border-t border-rule">
      {chosen.family.settings.map((spec) => {
        const notches = notchesOf(chosen.machine, spec);
        const value = settings[spec.key] ?? spec.usual;
        const i = notches.findIndex((n) => Math.abs(n.value - value) < 1e-6);
        const notch = notches[i];
        return (
          <Stepper
            key={spec.key}
            name={spec.name}
            title={spec.meaning}
            value={
              notch && notch.label !== settingWords(spec, value)
                ? `${notch.label}`
                : settingWords(spec, value)
            }
            after={notch && notch.label !== settingWords(spec, value) ? settingWords(spec, value) : ""}
            onLess={i > 0 ? () => choose.turn(spec.key, notches[i - 1]?.value ?? value) : undefined}
            onMore={
              i < notches.length - 1 ? () => choose.turn(spec.key, notches[i + 1]?.value ?? value) : undefined
            }
          />
        );
      })}
      {chosen.family.load && loads.length > 1 && (
        <Stepper
          name={chosen.family.load.name}
          title="A real step of this machine"
          value={setUp.how}
          after={`${Math.round(setUp.load * 10) / 10} kg${poundsBeside(setUp.load, massUnit)}`}
          onLess={at > 0 ? () => choose.load(loads[at - 1]?.load ?? 0) : undefined}
          onMore={at < loads.length - 1 ? () => choose.load(loads[at + 1]?.load ?? 0) : undefined}
        />
      )}
      {choose.isTurned && (
        <button type="button" className="mt-1 cursor-pointer underline" onClick={choose.reset}>
          back to the suggested settings
        </button>
      )}
    </div>
  );
}

function Stepper({
  name,
  title,
  value,
  after,
  onLess,
  onMore,
}: {
  name: string;
  title: string;
  value: string;
  after: string;
  onLess?: () => void;
  onMore?: () => void;
}) {
  const button =
    "h-6 w-6 cursor-pointer border border-rule bg-base-100 font-bold disabled:cursor-default disabled:opacity-35";
  return (
    <div
      className="grid grid-cols-1 sm:grid-cols-[minmax(0,1fr)_auto_118px] items-center gap-2 py-[1px]"
      title={title}
    >
      <span>{name}</span>
      <span className="flex gap-1">
        <button
          type="button"
          className={button}
          aria-label={`${name}: less`}
          onClick={onLess}
          disabled={!onLess}
        >
          −
        </button>
        <button
          type="button"
          className={button}
          aria-label={`${name}: more`}
          onClick={onMore}
          disabled={!onMore}
        >
          +
        </button>
      </span>
      <span className="truncate">
        <b>{value}</b> <span className="quiet">{after}</span>
      </span>
    </div>
  );
}
