import { Link } from "@/ui/Link";

export type PathState = "done" | "due" | "blocked" | "open";

export interface PathEntry {
  name: string;
  words: string;
  state: PathState;
  href: string;
  isHere: boolean;
}

const STATE_WORDS: Record<PathState, string> = {
  done: "done",
  due: "due",
  blocked: "blocked",
  open: "not yet",
};

/** The way of the work: a dot is done, a diamond due, a barred ring blocked, a ring to come. */
export function Path({ entries }: { entries: PathEntry[] }) {
  return (
    <nav aria-label="Path of the work" className="px-4 pt-2 pb-1 md:pt-4 md:pr-2">
      <ol className="flex flex-wrap gap-x-4 md:block">
        {entries.map((e, i) => (
          <li key={e.name} className="relative flex gap-2 pb-[3px] md:pb-[11px]">
            <Mark state={e.state} isHere={e.isHere} isLast={i === entries.length - 1} />
            <span className="min-w-0 leading-tight">
              <Link
                href={e.href}
                aria-current={e.isHere ? "page" : undefined}
                className={e.isHere ? "font-bold text-primary" : "hover:underline"}
              >
                {e.name}
              </Link>
              <span className="sr-only"> ({STATE_WORDS[e.state]})</span>
              <span className="hidden text-[12px] quiet md:block">{e.words}</span>
            </span>
          </li>
        ))}
      </ol>
    </nav>
  );
}

function Mark({ state, isHere, isLast }: { state: PathState; isHere: boolean; isLast: boolean }) {
  return (
    <svg width={18} height={38} viewBox="0 0 18 38" aria-hidden className="-mb-4 shrink-0">
      {!isLast && <line x1={9} x2={9} y1={18} y2={38} className="hidden stroke-rule md:block" />}
      {isHere && <circle cx={9} cy={9} r={8.5} className="fill-secondary" />}
      {state === "done" && <circle cx={9} cy={9} r={5.2} className="fill-primary" />}
      {state === "due" && (
        <path
          d="M 9 2.5 L 15.5 9 L 9 15.5 L 2.5 9 Z"
          strokeWidth={1.8}
          className="fill-base-100 stroke-mark"
        />
      )}
      {state === "blocked" && (
        <g fill="none" strokeWidth={1.8} className="stroke-mark">
          <circle cx={9} cy={9} r={5.2} />
          <line x1={5.4} x2={12.6} y1={12.6} y2={5.4} />
        </g>
      )}
      {state === "open" && (
        <circle cx={9} cy={9} r={5} fill="none" strokeWidth={1.6} className="stroke-quiet" />
      )}
    </svg>
  );
}
