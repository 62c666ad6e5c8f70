"use client";
import { useRouter } from "next/navigation";
import { DayField } from "@/ui/form/DayField";

/** Shows the limits of another day; the day stands in the address. */
export function DayPicker({ day, isToday }: { day: string; isToday: boolean }) {
  const router = useRouter();
  return (
    <span className="small flex items-baseline gap-2">
      <DayField
        label="on the day"
        name="on"
        isLabelBeside
        value={day}
        onChange={(on) => /^\d{4}-/.test(on) && router.replace(`?on=${on}`, { scroll: false })}
      />
      {!isToday && (
        <button type="button" className="cursor-pointer underline" onClick={() => router.replace("?")}>
          today
        </button>
      )}
    </span>
  );
}
