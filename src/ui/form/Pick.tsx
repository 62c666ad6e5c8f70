import { type SelectHTMLAttributes, useId } from "react";

/** A labelled list to pick from, label above. */
export function Pick({
  label,
  options,
  problem,
  isNeeded = false,
  ...select
}: {
  label: string;
  options: readonly (readonly [string, string])[];
  problem?: string;
  isNeeded?: boolean;
} & SelectHTMLAttributes<HTMLSelectElement>) {
  const ownId = useId();
  const id = select.id ?? ownId;
  return (
    <div>
      <label htmlFor={id} className={`small quiet block ${isNeeded ? "needed" : ""}`}>
        {label}
      </label>
      <select
        {...select}
        id={id}
        aria-required={isNeeded || undefined}
        aria-invalid={problem ? true : undefined}
        aria-describedby={problem ? `${id}-about` : undefined}
        className={`select select-sm w-full border bg-base-100 text-[15px] ${problem ? "border-error" : "border-rule"} ${select.className ?? ""}`}
      >
        {options.map(([v, words]) => (
          <option key={v} value={v}>
            {words}
          </option>
        ))}
      </select>
      {problem && (
        <p id={`${id}-about`} className="small text-error" role="alert">
          {problem}
        </p>
      )}
    </div>
  );
}
