"use client";
import {
  DndContext,
  type DragEndEvent,
  type DragOverEvent,
  PointerSensor,
  useSensor,
  useSensors,
} from "@dnd-kit/core";
import { useEffect, useMemo, useRef } from "react";
import type { BlockQuestion, PlannedDay } from "@/core/schedule/block/block";
import { weeksOf } from "@/core/schedule/block/block";
import type { Broken } from "@/core/schedule/block/checkBlock";
import { daysAfter, weekdayOf } from "@/core/units/days";
import type { WeekMark } from "@/server/week/outlook";
import type { PlannableSheet } from "@/server/week/weekFacts";
import { shortDay } from "@/ui/dates";
import { DayCell, type Deeds } from "./DayCell";

const WEEKDAYS = ["Mon", "Tue", "Wed", "Thu", "Fri", "Sat", "Sun"];

/** Weeks as rows, days as columns: what lies where; a day is moved by dragging it, or by arrows. */
export function WeekGrid({
  question: q,
  sheets,
  days,
  marks,
  broken,
  today,
  locale,
  mayWrite,
  onMove,
  onOver,
  onLetGo,
  onShorten,
  onAway,
}: {
  question: BlockQuestion;
  sheets: readonly PlannableSheet[];
  days: readonly PlannedDay[];
  marks: readonly WeekMark[];
  broken: readonly Broken[];
  today: string;
  locale: string;
  mayWrite: boolean;
  onMove: (day: PlannedDay, on: string) => void;
  /** a day is held over another one; null: let go */
  onOver: (day: PlannedDay | null, on: string | null) => void;
  onLetGo: (day: PlannedDay) => void;
  onShorten: (day: PlannedDay) => void;
  onAway: (on: string) => void;
}) {
  // cells are drawn anew only where something of theirs changed; what they do is always the newest
  const deeds = useRef({ onMove, onLetGo, onShorten, onAway });
  useEffect(() => {
    deeds.current = { onMove, onLetGo, onShorten, onAway };
  });
  const steady = useMemo<Deeds>(
    () => ({
      onMove: (day, on) => deeds.current.onMove(day, on),
      onLetGo: (day) => deeds.current.onLetGo(day),
      onShorten: (day) => deeds.current.onShorten(day),
      onAway: (on) => deeds.current.onAway(on),
    }),
    [],
  );
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 5 } }));
  const dragged = (e: DragOverEvent | DragEndEvent): { day: PlannedDay; on: string | null } => ({
    day: e.active.data.current as PlannedDay,
    on: e.over ? String(e.over.id) : null,
  });
  return (
    <DndContext
      id="week"
      sensors={sensors}
      onDragOver={(e) => {
        const { day, on } = dragged(e);
        onOver(day, on);
      }}
      onDragCancel={() => onOver(null, null)}
      onDragEnd={(e) => {
        const { day, on } = dragged(e);
        onOver(null, null);
        if (on && on !== day.on && on >= today) onMove(day, on);
      }}
    >
      <table className="w-full table-fixed border-separate border-spacing-1">
        <thead>
          <tr className="small quiet">
            <th className="w-[74px] font-normal">
              <span className="sr-only">week</span>
            </th>
            {WEEKDAYS.map((d) => (
              <th key={d} className="font-normal">
                {d}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {Array.from({ length: weeksOf(q) }, (_, w) => {
            const from = daysAfter(q.startsOn, 7 * w);
            return (
              <tr key={from}>
                <th scope="row" className="pr-1 text-left align-middle">
                  <span className="block font-bold">{w < q.buildWeeks ? `week ${w + 1}` : "keeping"}</span>
                  <span className="small quiet block font-normal">{shortDay(from, locale)}</span>
                  <span className="small quiet block leading-tight font-normal">
                    {workWords(days, sheets, from)}
                  </span>
                </th>
                {WEEKDAYS.map((_name, d) => {
                  const on = daysAfter(from, d);
                  return (
                    <DayCell
                      key={on}
                      on={on}
                      isPast={on < today}
                      isFree={(q.minutes[weekdayOf(on)] ?? 0) > 0}
                      isAway={q.away.includes(on)}
                      isToday={on === today}
                      mayWrite={mayWrite}
                      days={days.filter((x) => x.on === on)}
                      sheets={sheets}
                      marks={marks.filter((m) => m.on === on)}
                      own={q.activities.filter((a) => a.weekdays.includes(d + 1)).map((a) => a.what)}
                      isBroken={broken.some((b) => b.on === on || b.and === on)}
                      locale={locale}
                      deeds={steady}
                    />
                  );
                })}
              </tr>
            );
          })}
        </tbody>
      </table>
    </DndContext>
  );
}

/** Sets and time under tension of a week as it stands, also while a day is held over another one. */
function workWords(days: readonly PlannedDay[], sheets: readonly PlannableSheet[], from: string): string {
  const last = daysAfter(from, 6);
  const own = days.flatMap((d) => {
    const sheet = d.on >= from && d.on <= last ? sheets.find((s) => s.id === d.sheetId) : undefined;
    return sheet ? [{ ...sheet, share: d.isShort && sheet.short ? sheet.shortShare : 1 }] : [];
  });
  if (own.length === 0) return "";
  const sets = Math.round(own.reduce((sum, s) => sum + s.workSets * s.share, 0));
  return `${sets} sets, ${Math.round(own.reduce((sum, s) => sum + s.tensionS * s.share, 0) / 60)} min tension`;
}
