import type { ReactNode } from "react";

/** A part of the story that is a list: its heading, what is wrong with it, its rows, one more of them. */
export function RowList<T>({
  heading,
  problem,
  rows,
  most,
  noun,
  fresh,
  rowClass,
  onChange,
  children,
}: {
  heading: ReactNode;
  problem: string | undefined;
  rows: readonly T[];
  most: number;
  /** "region": a region, another region */
  noun: string;
  /** what a new row begins as */
  fresh: () => T;
  rowClass: string;
  onChange: (rows: T[]) => void;
  /** one row, with how it is changed, and the key that takes it out */
  children: (row: T, i: number, change: (by: Partial<T>) => void, takeOut: ReactNode) => ReactNode;
}) {
  return (
    <section className="grid gap-2">
      {heading}
      <Wrong sentence={problem} />
      {rows.map((row, i) => (
        <div
          // biome-ignore lint/suspicious/noArrayIndexKey: rows have no other identity while they are typed
          key={i}
          className={rowClass}
        >
          {children(
            row,
            i,
            (by) => onChange(rows.map((r, k) => (k === i ? { ...r, ...by } : r))),
            <button
              type="button"
              className="small ml-auto cursor-pointer pb-2 underline"
              onClick={() => onChange(rows.filter((_, k) => k !== i))}
            >
              take out
            </button>,
          )}
        </div>
      ))}
      {rows.length < most && (
        <button
          type="button"
          className="small cursor-pointer justify-self-start underline"
          onClick={() => onChange([...rows, fresh()])}
        >
          {rows.length > 0 ? "another" : /^[aeiou]/.test(noun) ? "an" : "a"} {noun}
        </button>
      )}
    </section>
  );
}

/** What is wrong here, as it is read out at once. */
export const Wrong = ({ sentence }: { sentence: string | undefined }) =>
  sentence ? (
    <p className="small text-error" role="alert">
      {sentence}
    </p>
  ) : null;
