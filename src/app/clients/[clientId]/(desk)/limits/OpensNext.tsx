import type { Criterion, CriterionAsks, CriterionFound } from "@/core/phases/phaseCriteria";
import { lowerFirst } from "@/core/units/lowerFirst";
import { Link } from "@/ui/Link";
import { sayPlainly } from "@/words/say";

export const CRITERION_MARKS: Record<Criterion["state"], string> = {
  met: "✓",
  not_met: "✕",
  cannot_tell: "≈",
  not_measured: "◇",
};

/** Where a gap is measured; null where weeks or a tick fill it. */
const MEASURED_ON: Record<CriterionAsks["code"], string | null> = {
  "phases.weeks_since_start": null,
  "phases.weeks_in_phase": null,
  "phases.can": null,
  "phases.quadriceps_symmetry": "measure",
  "phases.hamstring_symmetry": "measure",
  "phases.swelling": "measure?part=swelling",
  "phases.daily_pain": "measure?part=function",
  "phases.straightening_deficit": "measure?part=motion",
  "phases.bend": "measure?part=motion",
  "phases.quadriceps_lag": "measure?part=motion",
};

/** A symmetry by itself, without what one session tells. */
const shortOf = (found: CriterionFound): CriterionFound =>
  found.code === "phases.found_symmetry"
    ? { code: "phases.found_percent", pct: found.symmetry.lsiPct }
    : found;

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
          const where = MEASURED_ON[c.asks.code];
          const asked = sayPlainly(c.asks);
          return (
            <li key={asked}>
              <span aria-hidden className="font-bold text-accent">
                {CRITERION_MARKS[c.state]}
              </span>{" "}
              {asked}
              {c.found && <span className="quiet">: {sayPlainly(shortOf(c.found))}</span>}
              {where && (
                <>
                  {" "}
                  <Link href={`/clients/${clientId}/${where}`} className="text-primary underline">
                    measure
                    <span className="sr-only"> {asked}</span>
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
