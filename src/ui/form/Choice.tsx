/** One of a few, as a row of radio buttons with a legend; arrow keys move, as in every form. */
export function Choice<V extends string>({
  legend,
  name,
  options,
  value,
  onChange,
  problem,
  isInline = true,
  isNeeded = false,
}: {
  legend: string;
  name: string;
  options: readonly (readonly [V, string])[];
  value: V | null;
  onChange: (value: V) => void;
  problem?: string;
  isInline?: boolean;
  isNeeded?: boolean;
}) {
  return (
    <fieldset className={isInline ? "flex items-baseline justify-between gap-3" : ""}>
      <legend className={`${isInline ? "float-left" : "small quiet"} ${isNeeded ? "needed" : ""}`}>
        {legend}
      </legend>
      <span className={isInline ? "flex flex-wrap justify-end gap-x-3" : "flex flex-wrap gap-x-4 gap-y-0.5"}>
        {options.map(([v, words]) => (
          <label key={v} className="flex items-center gap-1">
            <input
              type="radio"
              name={name}
              value={v}
              className="radio radio-primary radio-xs"
              aria-invalid={problem ? true : undefined}
              checked={value === v}
              onChange={() => onChange(v)}
            />
            {words}
          </label>
        ))}
        {problem && (
          <span className="small text-error" role="alert">
            {problem}
          </span>
        )}
      </span>
    </fieldset>
  );
}
