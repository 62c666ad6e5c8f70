"use client";
import {
  DndContext,
  type DragEndEvent,
  type DragOverEvent,
  PointerSensor,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
} from "@dnd-kit/core";
import type { BlockQuestion, PlannedDay } from "@/core/schedule/block/block";
import { weeksOf } from "@/core/schedule/block/block";
import type { Broken } from "@/core/schedule/block/checkBlock";
import { doseOf } from "@/core/schedule/block/weekRules";
import { daysAfter, weekdayOf } from "@/core/units/days";
import type { WeekMark } from "@/server/week/outlook";
import type { PlannableSheet } from "@/server/week/weekFacts";
import { shortDay } from "@/ui/dates";

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
                      isBroken={broken.some((b) => b.on === on || b.and === on)}
                      locale={locale}
                      onMove={onMove}
                      onLetGo={onLetGo}
                      onShorten={onShorten}
                      onAway={onAway}
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

function DayCell({
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
  locale,
  onMove,
  onLetGo,
  onShorten,
  onAway,
}: {
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
  locale: string;
  onMove: (day: PlannedDay, on: string) => void;
  onLetGo: (day: PlannedDay) => void;
  onShorten: (day: PlannedDay) => void;
  onAway: (on: string) => void;
}) {
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
            onClick={() => onAway(on)}
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
            onMove={onMove}
            onLetGo={onLetGo}
            onShorten={onShorten}
          />
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
}

const STEPS: Record<string, number> = { ArrowLeft: -1, ArrowRight: 1, ArrowUp: -7, ArrowDown: 7 };

/** One planned day of a sheet: filled with staff, outlined at home, a disc for holds; a dot says that a hand put it here. */
function DayChip({
  day,
  sheet,
  mayMove,
  locale,
  onMove,
  onLetGo,
  onShorten,
}: {
  day: PlannedDay;
  sheet: PlannableSheet | null;
  mayMove: boolean;
  locale: string;
  onMove: (day: PlannedDay, on: string) => void;
  onLetGo: (day: PlannedDay) => void;
  onShorten: (day: PlannedDay) => void;
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
