const DAYS = ["Mon", "Tue", "Wed", "Thu", "Fri", "Sat", "Sun"];

/** Days of the week to mark; 1 is Monday. */
export function Weekdays({
  legend,
  value,
  onChange,
}: {
  legend: string;
  value: readonly number[];
  onChange: (days: number[]) => void;
}) {
  return (
    <fieldset>
      <legend className="small quiet">{legend}</legend>
      <span className="flex flex-wrap gap-x-2.5 gap-y-1">
        {DAYS.map((day, i) => (
          <label key={day} className="flex items-center gap-1">
            <input
              type="checkbox"
              className="checkbox checkbox-primary checkbox-xs"
              checked={value.includes(i + 1)}
              onChange={() =>
                onChange(value.includes(i + 1) ? value.filter((d) => d !== i + 1) : [...value, i + 1].sort())
              }
            />
            {day}
          </label>
        ))}
      </span>
    </fieldset>
  );
}
