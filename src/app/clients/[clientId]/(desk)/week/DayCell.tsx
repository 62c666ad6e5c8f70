"use client";
import { useDraggable, useDroppable } from "@dnd-kit/core";
import { memo } from "react";
import type { PlannedDay } from "@/core/schedule/block/block";
import { doseOf } from "@/core/schedule/block/weekRules";
import { daysAfter } from "@/core/units/days";
import type { WeekMark } from "@/server/week/outlook";
import type { PlannableSheet } from "@/server/week/weekFacts";
import { shortDay } from "@/ui/dates";

/** What can be done with a planned day, or with a day of the calendar. */
export interface Deeds {
  onMove: (day: PlannedDay, on: string) => void;
  onLetGo: (day: PlannedDay) => void;
  onShorten: (day: PlannedDay) => void;
  onAway: (on: string) => void;
}

interface CellProps {
  on: string;
  isPast: boolean;
  isFree: boolean;
  isAway: boolean;
  isToday: boolean;
  isBroken: boolean;
  mayWrite: boolean;
  days: readonly PlannedDay[];
  sheets: readonly PlannableSheet[];
  marks: readonly WeekMark[];
  /** what the client does besides */
  own: readonly string[];
  locale: string;
  deeds: Deeds;
}

const isSameList = <T,>(a: readonly T[], b: readonly T[]): boolean =>
  a.length === b.length && a.every((x, i) => JSON.stringify(x) === JSON.stringify(b[i]));

const isSameCell = (a: CellProps, b: CellProps): boolean =>
  a.on === b.on &&
  a.isPast === b.isPast &&
  a.isFree === b.isFree &&
  a.isAway === b.isAway &&
  a.isToday === b.isToday &&
  a.isBroken === b.isBroken &&
  a.mayWrite === b.mayWrite &&
  a.locale === b.locale &&
  a.sheets === b.sheets &&
  isSameList(a.days, b.days) &&
  isSameList(a.marks, b.marks) &&
  isSameList(a.own, b.own);

export const DayCell = memo(function DayCell({
  on,
  isPast,
  isFree,
  isAway,
  isToday,
  isBroken,
  mayWrite,
  days,
  sheets,
  marks,
  own,
  locale,
  deeds,
}: CellProps) {
  const { setNodeRef, isOver } = useDroppable({ id: on, disabled: isPast });
  const isShut = isPast || !isFree || isAway;
  return (
    <td
      ref={setNodeRef}
      data-day={on}
      data-over={isOver || undefined}
      className={`h-[62px] border align-top ${isBroken ? "border-2 border-error" : isOver ? "border-primary" : "border-rule"} ${
        isShut ? "hatched" : "bg-base-100"
      }`}
    >
      <div className="grid gap-0.5 p-1">
        <span className="flex items-baseline justify-between">
          <button
            type="button"
            className={`small cursor-pointer leading-none disabled:cursor-default ${isToday ? "font-bold text-primary underline" : "quiet"}`}
            disabled={isPast || !mayWrite || !isFree}
            aria-pressed={isAway}
            aria-label={`${shortDay(on, locale)}: ${isAway ? "away, press if free" : "press if away"}`}
            onClick={() => deeds.onAway(on)}
          >
            {Number(on.slice(8))}
          </button>
          {isAway && <span className="small leading-none">away</span>}
        </span>
        {days.map((d) => (
          <DayChip
            key={d.sheetId}
            day={d}
            sheet={sheets.find((s) => s.id === d.sheetId) ?? null}
            mayMove={mayWrite && !isPast}
            locale={locale}
            deeds={deeds}
          />
        ))}
        {own.map((what) => (
          <span key={what} className="small quiet leading-tight break-words">
            {what}
          </span>
        ))}
        {marks.map((m) => (
          <span
            key={m.words}
            className="small flex items-center gap-1 leading-none text-accent"
            title={m.words}
          >
            <svg width={11} height={11} viewBox="0 0 12 12" aria-hidden>
              <path d="M 6 1 L 11 6 L 6 11 L 1 6 Z" fill="none" strokeWidth={1.6} className="stroke-mark" />
            </svg>
            {m.kind === "retest" ? "re-test" : "phase"}
          </span>
        ))}
      </div>
    </td>
  );
}, isSameCell);

const STEPS: Record<string, number> = { ArrowLeft: -1, ArrowRight: 1, ArrowUp: -7, ArrowDown: 7 };

/** One planned day of a sheet: filled with staff, outlined at home, a disc for holds; a dot says that a hand put it here. */
function DayChip({
  day,
  sheet,
  mayMove,
  locale,
  deeds: { onMove, onLetGo, onShorten },
}: {
  day: PlannedDay;
  sheet: PlannableSheet | null;
  mayMove: boolean;
  locale: string;
  deeds: Deeds;
}) {
  const { attributes, listeners, setNodeRef, transform } = useDraggable({
    id: `${day.sheetId} ${day.on}`,
    data: day,
    disabled: !mayMove,
  });
  const name = sheet?.name ?? "a sheet no longer in use";
  const isHold = sheet?.kind === "iso" && sheet.holdDeg !== null && sheet.lines === 1;
  const tone = !sheet
    ? "border-error"
    : isHold
      ? "border-transparent"
      : sheet.place === "gym"
        ? "border-primary bg-primary text-primary-content"
        : "border-primary";
  return (
    <button
      ref={setNodeRef}
      type="button"
      {...attributes}
      {...listeners}
      aria-roledescription="movable day"
      aria-label={`${name}, ${shortDay(day.on, locale)}${day.isShort ? ", short form" : ""}${day.pinned ? ", put here by hand" : ""}. ${mayMove ? `Arrows move it, ${sheet?.short ? "H makes it short or whole, " : ""}Delete lets it go.` : ""}`}
      className={`small flex w-full min-w-0 cursor-grab items-center gap-1 rounded border px-1 py-0.5 text-left leading-tight ${tone}`}
      style={
        transform ? { transform: `translate(${transform.x}px, ${transform.y}px)`, zIndex: 20 } : undefined
      }
      onKeyDown={(e) => {
        const step = STEPS[e.key];
        if (!mayMove) return;
        if (step !== undefined) {
          e.preventDefault();
          e.stopPropagation();
          onMove(day, daysAfter(day.on, step));
        } else if (e.key === "Delete" || e.key === "Backspace") onLetGo(day);
        else if (e.key.toLowerCase() === "h" && sheet?.short) {
          e.stopPropagation();
          onShorten(day);
        }
      }}
    >
      {isHold && <span aria-hidden className="inline-block size-3 shrink-0 rounded-full bg-mark" />}
      <span className="min-w-0 break-words">
        {isHold
          ? `${Math.round(sheet.holdDeg ?? 0)}°`
          : `${day.isShort ? "½ " : ""}${name} ${(sheet && doseOf(sheet, day.isShort).minutes) ?? ""}′`}
      </span>
      {day.pinned && (
        <span aria-hidden className="ml-auto shrink-0">
          •
        </span>
      )}
    </button>
  );
}
