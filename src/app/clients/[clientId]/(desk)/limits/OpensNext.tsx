import { criterionWords } from "@/core/phases/criterionWords";
import type { Criterion } from "@/core/phases/phaseCriteria";
import { lowerFirst } from "@/core/units/lowerFirst";
import { Link } from "@/ui/Link";

const MARK: Record<Criterion["state"], string> = {
  met: "✓",
  "not met": "✕",
  "cannot tell": "≈",
  "not measured": "◇",
};

/** Where a gap is measured; null where weeks or a tick fill it. */
function whereOf(c: Criterion): string | null {
  if (c.isFunctional || c.words.startsWith("weeks")) return null;
  if (/symmetry/.test(c.words)) return "measure";
  if (/swelling/.test(c.words)) return "measure?part=swelling";
  if (/pain/.test(c.words)) return "measure?part=function";
  return "measure?part=motion";
}

/** One line about what opens next, and every gap with a link to where it is measured. */
export function OpensNext({
  clientId,
  next,
  criteria,
}: {
  clientId: string;
  next: string;
  criteria: readonly Criterion[];
}) {
  const met = criteria.filter((c) => c.state === "met").length;
  const gaps = criteria.filter((c) => c.state !== "met");
  return (
    <section aria-label={`To open ${next}`} className="mt-2 border-t-2 border-primary pt-2">
      <h2 className="text-[17px]">
        {met} of {criteria.length} met to open “{lowerFirst(next)}”{" "}
        <span className="small quiet font-normal">weeks alone open nothing</span>
      </h2>
      <ul className="mt-1 flex flex-wrap gap-x-6 gap-y-1">
        {gaps.map((c) => {
          const where = whereOf(c);
          return (
            <li key={c.words}>
              <span aria-hidden className="font-bold text-accent">
                {MARK[c.state]}
              </span>{" "}
              {criterionWords(c.words)}
              {c.found && <span className="quiet">: {c.found.split(",")[0]}</span>}
              {where && (
                <>
                  {" "}
                  <Link href={`/clients/${clientId}/${where}`} className="text-primary underline">
                    measure
                    <span className="sr-only"> {criterionWords(c.words)}</span>
                  </Link>
                </>
              )}
            </li>
          );
        })}
      </ul>
    </section>
  );
}
