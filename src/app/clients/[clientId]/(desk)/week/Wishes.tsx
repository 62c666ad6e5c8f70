"use client";
import { BUILD_WEEKS, MOST_KEEP_WEEKS, type SheetWish } from "@/core/schedule/block/blockInput";
import type { PlannableSheet } from "@/server/week/weekFacts";

const WEEKDAYS = ["Mon", "Tue", "Wed", "Thu", "Fri", "Sat", "Sun"];
const DAYS = [0, 1, 2, 3, 4, 5, 6, 7];
const KEEP_WEEKS = Array.from({ length: MOST_KEEP_WEEKS + 1 }, (_, n) => n);
const MINUTES = [0, 15, 20, 30, 45, 60, 75, 90, 120];

/** What is wished of each sheet, and which days are free for how long. */
export function Wishes({
  sheets,
  wishes,
  minutes,
  gym,
  buildWeeks,
  keepWeeks,
  onWish,
  onMinutes,
  onGym,
  onWeeks,
}: {
  sheets: readonly PlannableSheet[];
  wishes: Readonly<Record<string, SheetWish>>;
  minutes: readonly number[];
  gym: readonly boolean[];
  buildWeeks: number;
  keepWeeks: number;
  onWish: (sheetId: string, part: Partial<SheetWish>) => void;
  onMinutes: (weekday: number, minutes: number) => void;
  onGym: (weekday: number, comes: boolean) => void;
  onWeeks: (part: { buildWeeks?: number; keepWeeks?: number }) => void;
}) {
  return (
    <fieldset className="small grid gap-2">
      <legend className="sr-only">Wishes and free days</legend>
      <div className="flex flex-wrap items-center gap-x-5 gap-y-1">
        {sheets.map((s) => (
          <span key={s.id} className="flex items-center gap-1.5">
            <b>{s.name}</b>
            <Few
              label={`${s.name}: days a week`}
              value={wishes[s.id]?.times ?? s.times}
              of={DAYS}
              onPick={(times) => onWish(s.id, { times })}
            />
            a week, then
            <Few
              label={`${s.name}: days a week of keeping`}
              value={wishes[s.id]?.keepTimes ?? s.keepTimes}
              of={DAYS}
              onPick={(keepTimes) => onWish(s.id, { keepTimes })}
            />
            at
            <input
              className="input input-xs w-[64px] border-rule bg-base-100"
              aria-label={`${s.name}: usual hour, 24 h`}
              placeholder="any"
              maxLength={5}
              defaultValue={wishes[s.id]?.at ?? ""}
              onBlur={(e) => {
                const text = e.target.value.trim();
                onWish(s.id, { at: /^([01]\d|2[0-3]):[0-5]\d$/.test(text) ? text : null });
                if (text && !/^([01]\d|2[0-3]):[0-5]\d$/.test(text)) e.target.value = "";
              }}
            />
          </span>
        ))}
        <span className="flex items-center gap-1.5">
          build
          <Few
            label="weeks of building"
            value={buildWeeks}
            of={BUILD_WEEKS}
            onPick={(n) => onWeeks({ buildWeeks: n })}
          />
          weeks, keep
          <Few
            label="weeks of keeping"
            value={keepWeeks}
            of={buildWeeks === 0 ? KEEP_WEEKS.slice(1) : KEEP_WEEKS}
            onPick={(n) => onWeeks({ keepWeeks: n })}
          />
        </span>
      </div>
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
        <span className="quiet">free, and comes here:</span>
        {WEEKDAYS.map((name, d) => (
          <span key={name} className="flex items-center gap-1">
            {name}
            <select
              className="select select-xs w-[68px]"
              aria-label={`${name}: minutes`}
              value={minutes[d]}
              onChange={(e) => onMinutes(d, Number(e.target.value))}
            >
              {[...new Set([...MINUTES, minutes[d] ?? 0])]
                .sort((a, b) => a - b)
                .map((m) => (
                  <option key={m} value={m}>
                    {m === 0 ? "no" : `${m}′`}
                  </option>
                ))}
            </select>
            <input
              type="checkbox"
              className="checkbox checkbox-xs border-base-content/60"
              aria-label={`${name}: comes to the gym`}
              checked={gym[d] ?? false}
              onChange={(e) => onGym(d, e.target.checked)}
            />
          </span>
        ))}
      </div>
    </fieldset>
  );
}

function Few({
  label,
  value,
  of,
  onPick,
}: {
  label: string;
  value: number;
  of: readonly number[];
  onPick: (n: number) => void;
}) {
  return (
    <select
      className="select select-xs w-[52px]"
      aria-label={label}
      value={value}
      onChange={(e) => onPick(Number(e.target.value))}
    >
      {of.map((n) => (
        <option key={n} value={n}>
          {n}
        </option>
      ))}
    </select>
  );
}
