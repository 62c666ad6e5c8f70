"use client";
import { parseAsString, useQueryState } from "nuqs";

export interface OtherAnswer {
  /** stance and option, as the address has it */
  id: string;
  topic: string;
  option: string;
}

/** Another answer to a question on which schools differ, to be looked at beside what holds; it stands in the address. */
export function BesidePicker({ others }: { others: readonly OtherAnswer[] }) {
  const [beside, setBeside] = useQueryState("beside", parseAsString.withOptions({ shallow: false }));
  if (others.length === 0) return null;
  return (
    <label className="small flex min-w-0 items-baseline gap-2">
      <span className="quiet whitespace-nowrap">beside it</span>
      <select
        className="select select-xs w-full min-w-0 sm:w-[220px] border-rule text-[13px]"
        value={beside ?? ""}
        onChange={(e) => void setBeside(e.target.value || null)}
      >
        <option value="">no other answer</option>
        {[...new Set(others.map((o) => o.topic))].map((topic) => (
          <optgroup key={topic} label={topic}>
            {others
              .filter((o) => o.topic === topic)
              .map((o) => (
                <option key={o.id} value={o.id}>
                  {o.option}
                </option>
              ))}
          </optgroup>
        ))}
      </select>
    </label>
  );
}
