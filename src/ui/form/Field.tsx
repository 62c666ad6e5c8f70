import { type InputHTMLAttributes, type Ref, useId } from "react";

/** A labelled input with its unit and, when wrong, the sentence at the field. */
export function Field({
  label,
  unit,
  problem,
  hint,
  isNeeded = false,
  ref,
  ...input
}: {
  label: string;
  unit?: string;
  problem?: string;
  hint?: string;
  isNeeded?: boolean;
  ref?: Ref<HTMLInputElement>;
} & InputHTMLAttributes<HTMLInputElement>) {
  const ownId = useId();
  const id = input.id ?? ownId;
  const about = `${id}-about`;
  return (
    <div>
      <label htmlFor={id} className="flex items-baseline justify-between gap-3">
        <span className={isNeeded ? "needed" : undefined}>{label}</span>
        <span className="flex items-baseline gap-1.5">
          <input
            {...input}
            id={id}
            ref={ref}
            aria-required={isNeeded || undefined}
            aria-invalid={problem ? true : undefined}
            aria-describedby={problem || hint ? about : undefined}
            className={`input input-sm w-24 border bg-base-100 text-right text-[15px] font-bold ${problem ? "border-error" : "border-rule"} ${input.className ?? ""}`}
          />
          <span className="small quiet min-w-7 whitespace-nowrap">{unit}</span>
        </span>
      </label>
      {(problem || hint) && (
        <p
          id={about}
          className={`small mt-0.5 ${problem ? "text-error" : "quiet"}`}
          role={problem ? "alert" : undefined}
        >
          {problem ?? hint}
        </p>
      )}
    </div>
  );
}
