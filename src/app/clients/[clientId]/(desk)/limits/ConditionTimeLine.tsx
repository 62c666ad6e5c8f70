import { scaleLinear } from "d3";
import type { PhaseOpening } from "@/core/phases/phaseOpens";
import { lowerFirst } from "@/core/units/lowerFirst";

const WIDTH = 722;
const LEFT = 0;
const RIGHT = 716;

interface PhaseSpan {
  id: string;
  name: string;
  from: number;
  to: number | null;
}

/**
 * The phases of a condition over the weeks: the one that a therapist confirmed filled, today as the apricot line. When the weeks have
 * come but the phase is not confirmed, that is said: weeks alone open nothing.
 */
export function ConditionTimeLine({
  name,
  variant,
  phases,
  phaseId,
  isConfirmed,
  week,
  opens,
}: {
  name: string;
  variant: string;
  phases: PhaseSpan[];
  phaseId: string;
  /** nobody confirmed one yet: the first one's limits hold */
  isConfirmed: boolean;
  week: number;
  /** what the later phases change */
  opens: PhaseOpening[];
}) {
  const lastFrom = Math.max(...phases.map((p) => p.from));
  const endWeek = Math.max(lastFrom + 6, week + 2);
  const x = scaleLinear([0, endWeek], [LEFT, RIGHT]);
  const current = phases.find((p) => p.id === phaseId);
  const isBehind = current !== undefined && current.to !== null && week >= current.to;
  return (
    <section className="mt-3">
      <h2 className="text-[16px]">
        {name} <span className="quiet text-[15px] font-normal">{variant.toLowerCase()}</span>
      </h2>
      <svg
        viewBox={`0 0 ${WIDTH} 62`}
        className="mt-1 w-full"
        role="img"
        aria-label={`Phase: ${current?.name}, ${isConfirmed ? "confirmed" : "not confirmed"}, week ${week}`}
      >
        {phases.map((p) => {
          const isCurrent = p.id === phaseId;
          const x1 = x(p.from);
          const width = x(p.to ?? endWeek) - x1 - 3;
          return (
            <g key={p.id}>
              <rect
                x={x1}
                y={12}
                width={Math.max(4, width)}
                height={26}
                strokeWidth={1.2}
                className={
                  isCurrent && isConfirmed ? "fill-primary stroke-primary" : "fill-base-100 stroke-rule"
                }
              />
              {isCurrent && isConfirmed && (
                <path
                  d={`M ${x1 + Math.max(12, width) - 22} 25 l 4 5 l 8 -10`}
                  fill="none"
                  strokeWidth={2.4}
                  className="stroke-primary-content"
                />
              )}
              <text x={x1} y={54} fontSize={12} className="fill-quiet">
                {p.from}
              </text>
            </g>
          );
        })}
        <line x1={x(week)} x2={x(week)} y1={4} y2={44} strokeWidth={2} className="stroke-mark" />
        <text x={RIGHT} y={54} textAnchor="end" fontSize={12} className="fill-quiet">
          weeks
        </text>
      </svg>
      <p>
        {isConfirmed ? "Confirmed" : "Not confirmed yet; what holds is"}: <b>{current?.name}</b>
        {current && (
          <span className="quiet">
            {" "}
            (weeks {current.from} to {current.to ?? "on"})
          </span>
        )}
        .{" "}
        {!isConfirmed
          ? "A therapist confirms the phase at the right."
          : isBehind
            ? "The next phase's weeks have come; it opens when its criteria are met and a therapist confirms it."
            : nextWords(phases, phaseId, week)}
      </p>
      {opens[0] && opens[0].changes.length > 0 && (
        <details className="small mt-0.5">
          <summary className="cursor-pointer quiet">
            it would open: {opens[0].changes.slice(0, 3).join(" · ")}
            {opens[0].changes.length > 3 && " …"}
          </summary>
          {opens.map((o) => (
            <p key={o.id} className="mt-1">
              <b>
                {o.name}
                {o.fromWeek > week ? `, not before week ${o.fromWeek}` : ""}
              </b>{" "}
              {o.changes.join(" · ") || "changes nothing here"}
            </p>
          ))}
        </details>
      )}
    </section>
  );
}

function nextWords(phases: PhaseSpan[], phaseId: string, week: number): string {
  const next = phases[phases.findIndex((p) => p.id === phaseId) + 1];
  if (!next) return "This is the last phase.";
  return next.from > week
    ? `Next, not before week ${next.from}: ${lowerFirst(next.name)}.`
    : `Next: ${lowerFirst(next.name)}.`;
}
