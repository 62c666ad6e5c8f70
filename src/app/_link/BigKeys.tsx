"use client";
import { useLabels } from "@/ui/reader";

/** 0 to 10, as keys. */
export function useScores(): { value: number; words: string; says: string }[] {
  const t = useLabels("link");
  return Array.from({ length: 11 }, (_, n) => ({ value: n, words: String(n), says: t("score", { n }) }));
}

/** One answer of a few, as keys for a thumb; which is taken is said by shape and to a screen reader, not by colour alone. */
export function BigKeys<T extends string | number>({
  label,
  help,
  options,
  value,
  onPick,
  columns,
}: {
  label: string;
  help?: string;
  options: readonly { value: T; words: string; says?: string }[];
  value: T | null;
  onPick: (value: T) => void;
  columns: 2 | 3 | 6;
}) {
  // fewer in a row where letters are large or the screen is narrow
  const grid = {
    2: "grid-cols-[repeat(auto-fill,minmax(140px,1fr))]",
    3: "grid-cols-[repeat(auto-fill,minmax(100px,1fr))]",
    6: "grid-cols-[repeat(auto-fill,minmax(50px,1fr))]",
  }[columns];
  return (
    <fieldset className="mt-5">
      <legend className="text-[19px] font-bold">{label}</legend>
      {help && <p className="quiet mt-0.5 text-[15px]">{help}</p>}
      <div className={`mt-2 grid gap-2 ${grid}`}>
        {options.map((o) => {
          const isTaken = o.value === value;
          return (
            <button
              key={o.value}
              type="button"
              aria-pressed={isTaken}
              aria-label={o.says}
              onClick={() => onPick(o.value)}
              className={`min-h-[54px] cursor-pointer rounded border px-1 text-[18px] ${
                isTaken
                  ? "border-primary bg-primary font-bold text-primary-content underline underline-offset-4"
                  : "border-base-content/50 bg-base-100"
              }`}
            >
              {o.words}
            </button>
          );
        })}
      </div>
    </fieldset>
  );
}
