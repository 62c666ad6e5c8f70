import { type InputHTMLAttributes, type Ref, useId } from "react";

/** A labelled line or block of words, label above; the sentence at the field when it is wrong. */
export function Words({
  label,
  problem,
  hint,
  rows = 1,
  isNeeded = false,
  ref,
  ...input
}: {
  label: string;
  problem?: string;
  hint?: string;
  rows?: number;
  isNeeded?: boolean;
  ref?: Ref<HTMLInputElement & HTMLTextAreaElement>;
} & InputHTMLAttributes<HTMLInputElement & HTMLTextAreaElement>) {
  const ownId = useId();
  const id = input.id ?? ownId;
  const shared = {
    ...input,
    id,
    ref,
    "aria-required": isNeeded || undefined,
    "aria-invalid": problem ? true : undefined,
    "aria-describedby": problem || hint ? `${id}-about` : undefined,
    className: `w-full border bg-base-100 text-[15px] ${problem ? "border-error" : "border-rule"} ${rows > 1 ? "textarea min-h-0 py-1 leading-snug" : "input input-sm"} ${input.className ?? ""}`,
  };
  return (
    <div>
      <label htmlFor={id} className={`small quiet block ${isNeeded ? "needed" : ""}`}>
        {label}
      </label>
      {rows > 1 ? <textarea {...shared} rows={rows} /> : <input {...shared} />}
      {(problem || hint) && (
        <p
          id={`${id}-about`}
          className={`small ${problem ? "text-error" : "quiet"}`}
          role={problem ? "alert" : undefined}
        >
          {problem ?? hint}
        </p>
      )}
    </div>
  );
}
