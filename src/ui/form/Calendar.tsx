"use client";
import { useEffect, useRef } from "react";
import { DayPicker } from "react-day-picker";
import "react-day-picker/style.css";

/** The picker counts in local time; a day is the same day everywhere. */
const toDate = (day: string): Date => {
  const [y = 0, m = 1, d = 1] = day.split("-").map(Number);
  return new Date(y, m - 1, d, 12);
};
const toDay = (date: Date): string =>
  `${date.getFullYear()}-${String(date.getMonth() + 1).padStart(2, "0")}-${String(date.getDate()).padStart(2, "0")}`;

/** A month to pick a day in, by mouse or arrow keys; escape and a click beside it close it. */
export function Calendar({
  label,
  day,
  locale,
  onPick,
  onClose,
}: {
  label: string;
  day: string | null;
  locale: string;
  onPick: (day: string) => void;
  onClose: () => void;
}) {
  const box = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const beside = (e: PointerEvent) => {
      if (!box.current?.parentElement?.contains(e.target as Node)) onClose();
    };
    window.addEventListener("pointerdown", beside);
    return () => window.removeEventListener("pointerdown", beside);
  }, [onClose]);
  const selected = day === null ? undefined : toDate(day);
  const write = (date: Date, how: Intl.DateTimeFormatOptions) =>
    new Intl.DateTimeFormat(locale, how).format(date);
  return (
    <div
      ref={box}
      role="dialog"
      aria-label={label}
      className="day-picker absolute right-0 top-full z-30 mt-1 border border-rule bg-base-100 p-2 shadow-lg"
      onKeyDown={(e) => {
        if (e.key !== "Escape") return;
        e.stopPropagation();
        onClose();
      }}
    >
      <DayPicker
        mode="single"
        autoFocus
        captionLayout="dropdown"
        weekStartsOn={locale === "en-US" || locale === "en-CA" ? 0 : 1}
        startMonth={new Date(1990, 0)}
        endMonth={new Date(2060, 11)}
        selected={selected}
        defaultMonth={selected}
        onSelect={(date) => date && onPick(toDay(date))}
        formatters={{
          formatWeekdayName: (d) => write(d, { weekday: "short" }),
          formatMonthDropdown: (d) => write(d, { month: "long" }),
        }}
      />
    </div>
  );
}
