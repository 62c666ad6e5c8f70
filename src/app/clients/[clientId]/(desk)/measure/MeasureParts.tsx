import type { DueMeasurement } from "@/core/measure/dueMeasurements";
import { Link } from "@/ui/Link";

const PARTS = [
  ["strength", "Strength"],
  ["motion", "Motion"],
  ["reach", "Reach"],
  ["swelling", "Size, mass"],
  ["function", "The day"],
  ["counts", "Counts, holds"],
  ["repetitions", "Repetitions"],
  ["painful_arc", "Painful arc"],
  ["free", "Your own"],
] as const;

/** The part that an address names; strength where it names none. */
export const measurePart = (asked: unknown): (typeof PARTS)[number][0] =>
  PARTS.find(([id]) => id === asked)?.[0] ?? "strength";

/** The parts of Measure in a line; a diamond says that something in it is due. */
export function MeasureParts({
  here,
  clientId,
  due,
}: {
  here: string;
  clientId: string;
  due: readonly DueMeasurement[];
}) {
  return (
    <nav aria-label="Parts of Measure" className="mb-2 flex flex-wrap gap-x-4 border-b border-rule pb-1.5">
      {PARTS.map(([id, name]) => (
        <Link
          key={id}
          href={`/clients/${clientId}/measure?part=${id}`}
          aria-current={here === id ? "page" : undefined}
          className={here === id ? "font-bold text-primary" : "hover:underline"}
        >
          {name}
          {due.some((d) => d.group === id) && (
            <>
              <span aria-hidden className="text-mark">
                {" "}
                ◇
              </span>
              <span className="sr-only"> (due)</span>
            </>
          )}
        </Link>
      ))}
    </nav>
  );
}
