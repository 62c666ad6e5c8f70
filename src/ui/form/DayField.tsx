"use client";
import dynamic from "next/dynamic";
import { useId, useRef, useState } from "react";
import { readDay, shortDate } from "../dates";
import { useLocale } from "../locale";

const Calendar = dynamic(() => import("./Calendar").then((m) => m.Calendar), { ssr: false });

const isDay = (value: string): boolean => /^\d{4}-\d\d-\d\d$/.test(value);

/**
 * A day: typed in the reader's way, or picked in a calendar. `value` is an ISO day, empty, or what was typed as long as
 * nobody can read a day in it: the route says what is wrong with that.
 */
export function DayField({
  label,
  name,
  value,
  onChange,
  problem,
  isLabelBeside = false,
  isNeeded = false,
}: {
  label: string;
  name: string;
  value: string;
  onChange: (day: string) => void;
  problem?: string;
  isLabelBeside?: boolean;
  isNeeded?: boolean;
}) {
  const id = useId();
  const locale = useLocale();
  const [typed, setTyped] = useState<string | null>(null);
  const [isOpen, setOpen] = useState(false);
  const button = useRef<HTMLButtonElement>(null);
  const shown = typed ?? (isDay(value) ? shortDate(value, locale) : value);
  const unread = typed === null && value !== "" && !isDay(value);
  const sentence = problem ?? (unread ? `Write the day like ${shortDate("2026-11-28", locale)}.` : null);
  const close = () => {
    setOpen(false);
    button.current?.focus();
  };
  return (
    <div className={isLabelBeside ? "relative flex items-baseline gap-2" : "relative"}>
      <label
        htmlFor={id}
        id={`${id}-label`}
        className={`small quiet ${isLabelBeside ? "whitespace-nowrap" : "block"} ${isNeeded ? "needed" : ""}`}
      >
        {label}
      </label>
      <div className="flex">
        <input
          id={id}
          name={name}
          autoComplete="off"
          data-day={isDay(value) ? value : undefined}
          className={`input input-sm w-full min-w-[112px] rounded-r-none border bg-base-100 text-[15px] ${sentence ? "border-error" : "border-rule"}`}
          value={shown}
          aria-required={isNeeded || undefined}
          aria-invalid={sentence ? true : undefined}
          aria-describedby={sentence ? `${id}-about` : undefined}
          onChange={(e) => {
            setTyped(e.target.value);
            onChange(readDay(e.target.value, locale) ?? e.target.value);
          }}
          onBlur={() => setTyped(null)}
        />
        <button
          ref={button}
          type="button"
          aria-label="Calendar"
          aria-describedby={`${id}-label`}
          aria-haspopup="dialog"
          aria-expanded={isOpen}
          className="btn btn-sm btn-line rounded-l-none border-l-0 px-2"
          onClick={() => setOpen(!isOpen)}
        >
          <svg width={15} height={15} viewBox="0 0 15 15" fill="none" className="stroke-current" aria-hidden>
            <path d="M 1.5 3.5 H 13.5 V 13.5 H 1.5 Z M 1.5 6.5 H 13.5 M 4.5 1.5 V 4 M 10.5 1.5 V 4" />
          </svg>
        </button>
      </div>
      {isOpen && (
        <Calendar
          label={label}
          day={isDay(value) ? value : null}
          locale={locale}
          onPick={(day) => {
            onChange(day);
            close();
          }}
          onClose={close}
        />
      )}
      {sentence && (
        <p id={`${id}-about`} className="small text-error" role="alert">
          {sentence}
        </p>
      )}
    </div>
  );
}
