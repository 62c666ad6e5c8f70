"use client";
import { useRouter } from "next/navigation";

/** Shows the limits of another day; the day stands in the address. */
export function DayPicker({ day, isToday }: { day: string; isToday: boolean }) {
  const router = useRouter();
  return (
    <span className="small flex items-baseline gap-2">
      <label htmlFor="limits-day" className="quiet">
        on the day
      </label>
      <input
        id="limits-day"
        type="date"
        className="input input-xs w-32 border-rule text-[13px]"
        value={day}
        onChange={(e) => e.target.value && router.replace(`?on=${e.target.value}`, { scroll: false })}
      />
      {!isToday && (
        <button type="button" className="cursor-pointer underline" onClick={() => router.replace("?")}>
          today
        </button>
      )}
    </span>
  );
}
