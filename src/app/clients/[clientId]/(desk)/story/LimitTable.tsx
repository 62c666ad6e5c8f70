import type { Limit } from "@/core/safety/limits";
import { shortDay } from "@/ui/dates";

const KIND: Record<Limit["kind"], string> = {
  knee_flexion_under_load: "bend under load",
  joint_pain: "joint pain",
  hold_effort: "effort of a hold",
};

const LIFTED_BY: Record<Limit["origin"], string> = {
  surgeon: "the surgeon, in writing",
  therapist: "a therapist",
  condition: "a therapist, by confirming the next phase",
  clinic: "the clinic's lead",
};

/** Every limit, not only the tightest: what it bounds, why, until when, who can lift it. The ones that bind are bold. */
export function LimitTable({ limits, today, locale }: { limits: Limit[]; today: string; locale: string }) {
  const isOver = (l: Limit) => l.endsOn !== null && today > l.endsOn;
  const inForce = limits.filter((l) => !isOver(l));
  if (limits.length === 0) return <p className="mt-5">No limits are written or computed for this episode.</p>;
  return (
    <section className="mt-5">
      <h2 className="text-[16px]">
        What bounds the work{" "}
        <span className="quiet text-[15px] font-normal">the tightest wins and is set in bold</span>
      </h2>
      <table className="mt-1 w-full text-left">
        <thead>
          <tr className="small quiet border-b border-rule">
            <th className="py-1 pr-3 font-normal">what</th>
            <th className="py-1 pr-3 font-normal">allowed</th>
            <th className="py-1 pr-3 font-normal">because</th>
            <th className="py-1 pr-3 font-normal">until</th>
            <th className="py-1 font-normal">lifted by</th>
          </tr>
        </thead>
        <tbody>
          {limits.map((l) => (
            <tr
              key={l.id}
              className={`border-b border-rule align-top ${isOver(l) ? "quiet line-through" : ""}`}
            >
              <td className="whitespace-nowrap py-1.5 pr-3">{KIND[l.kind]}</td>
              <td className="whitespace-nowrap py-1.5 pr-3">
                <Allowed limit={l} binds={bindingSides(l, inForce)} />
              </td>
              <td className="py-1.5 pr-3">
                {l.reason} <span className="small quiet">({l.origin})</span>
              </td>
              <td className="whitespace-nowrap py-1.5 pr-3">
                {l.endsOn ? shortDay(l.endsOn, locale) : "further notice"}
              </td>
              <td className="small py-1.5">{LIFTED_BY[l.origin]}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

/** Which sides of a limit are the tightest of its kind in force. */
function bindingSides(l: Limit, inForce: readonly Limit[]): { low: boolean; high: boolean } {
  const others = inForce.filter((o) => o.kind === l.kind);
  if (!others.includes(l)) return { low: false, high: false };
  return {
    low: l.low !== null && others.every((o) => o.low === null || o.low <= (l.low as number)),
    high: l.high !== null && others.every((o) => o.high === null || o.high >= (l.high as number)),
  };
}

const UNIT: Record<Limit["kind"], string> = {
  knee_flexion_under_load: "°",
  joint_pain: " of 10",
  hold_effort: " %",
};

/** A limit in words, the side that binds in bold. */
function Allowed({ limit: l, binds }: { limit: Limit; binds: { low: boolean; high: boolean } }) {
  if (l.low !== null && l.high !== null && l.low > l.high) return <b>none</b>;
  const side = (value: number, isBinding: boolean) =>
    isBinding ? (
      <b>
        {value}
        {UNIT[l.kind]}
      </b>
    ) : (
      <span className="quiet">
        {value}
        {UNIT[l.kind]}
      </span>
    );
  return (
    <>
      {l.low !== null && <>from {side(l.low, binds.low)} </>}
      {l.high !== null && (
        <>
          {l.low === null ? "at most" : "to"} {side(l.high, binds.high)}
        </>
      )}
    </>
  );
}
