import type { ReactNode } from "react";
import type { Answer } from "@/core/screening/screening";

/** A group of questions under its name; folded behind one line where that says it all. */
export function Group({
  name,
  folded,
  children,
}: {
  name: string;
  folded: string | null;
  children: ReactNode;
}) {
  if (folded === null)
    return (
      <section className="mt-3">
        <h2 className="text-[16px]">{name}</h2>
        {children}
      </section>
    );
  return (
    <details className="mt-3 border-t border-rule pt-2">
      <summary className="cursor-pointer">
        <h2 className="inline text-[16px]">{name}</h2> <span className="quiet">{folded}</span>
      </summary>
      {children}
    </details>
  );
}

/** null: something in it is not plainly no, or nobody was asked. */
export const foldedWords = (answers: readonly (Answer | undefined)[]): string | null =>
  answers.every((a) => a === "no") ? `${answers.length} asked, all no` : null;

/** The rest of a group answered no at once: only when each of its questions was on the screen, and recorded as asked so. */
export function GroupNo({
  area,
  left,
  notShown,
  onNo,
}: {
  area: string;
  left: number;
  notShown: number;
  onNo: () => void;
}) {
  if (left === 0) return null;
  return (
    <p className="small mt-1 flex scroll-mb-24 items-baseline gap-3">
      <button
        type="button"
        className="btn btn-line btn-xs scroll-mb-24"
        disabled={notShown > 0}
        onClick={onNo}
        aria-label={`Asked ${area} as a group: no to the ${left} left`}
      >
        Asked as a group: no to the {left} left
      </button>
      {notShown > 0 && <span className="quiet">{notShown} of this group not shown yet</span>}
    </p>
  );
}
