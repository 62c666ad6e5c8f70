import type { KeptLine } from "@/core/sheet/line/keptLine";
import { massBeside } from "@/core/sheet/line/massBeside";
import type { MassUnit } from "@/core/units/mass";
import type { LiveTask } from "@/core/visit/run";

/** What to set, large enough for somebody who stands at the machine: load, angle or range, seat and pad. */
export function WhatToSet({ line, task, massUnit }: { line: KeptLine; task: LiveTask; massUnit: MassUnit }) {
  const isHold = task.holdS !== null && line.fromDeg !== null && line.fromDeg === line.toDeg;
  const angle =
    line.fromDeg === null || line.toDeg === null
      ? null
      : isHold
        ? { value: `${Math.round(line.fromDeg)}°`, under: "knee held there" }
        : { value: `${Math.round(line.fromDeg)}–${Math.round(line.toDeg)}°`, under: "range to travel" };
  const entries = [
    ...(task.how ? [{ value: task.how, under: loadWords(task, massUnit) }] : []),
    ...(line.feltAim === null ? [] : [{ value: `${line.feltAim} of 10`, under: "felt effort to hold at" }]),
    ...(angle ? [angle] : []),
    ...line.setUp.map((s) => ({ value: s.value, under: s.name })),
  ];
  return (
    <section aria-label="What to set">
      <dl className="grid grid-cols-2 gap-x-4 gap-y-2 lg:gap-x-6">
        {entries.slice(0, 6).map((e) => (
          <div key={e.under} className={e.value.length > MOST_BESIDE ? "col-span-2" : undefined}>
            <dd
              className={`display leading-none ${isWords(e.value) ? "text-[22px] lg:text-[30px]" : "text-[32px] lg:text-[clamp(46px,4.4vw,56px)]"}`}
            >
              {e.value}
            </dd>
            <dt className="text-[15px] leading-tight lg:text-[17px]">{e.under}</dt>
          </div>
        ))}
      </dl>
    </section>
  );
}

/** A figure is read from two metres; a phrase would push the figures off the screen. */
const isWords = (value: string) => !/\d/.test(value);
/** Longer than this it takes the whole row. */
const MOST_BESIDE = 8;

function loadWords(task: LiveTask, massUnit: MassUnit): string {
  const isOther = task.plannedKg !== task.loadKg;
  return [
    massBeside({ how: task.how ?? "", load: task.loadKg }, massUnit),
    task.aboveToday ? `planned ${task.aboveToday}, more than today leaves` : "",
    isOther ? `planned ${task.plannedHow}` : "",
    task.role === "ramp" ? "ramp set" : "",
  ]
    .filter(Boolean)
    .join(", ");
}
