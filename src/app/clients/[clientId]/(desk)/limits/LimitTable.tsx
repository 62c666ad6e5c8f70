import type { LimitGroup, LimitRow } from "@/core/safety/limitRows";
import type { Limit } from "@/core/safety/limits";
import { shortDay } from "@/ui/dates";
import { LimitEditor, type WrittenView } from "./LimitEditor";

const LIFTED_BY: Record<Limit["origin"], string> = {
  surgeon: "the surgeon, in writing",
  therapist: "a therapist",
  condition: "the next phase, confirmed by a therapist",
  "warning sign": "clearing the sign",
  clinic: "the clinic's lead",
};

/** Every limit, not only the tightest: what it bounds, why, until when, who can lift it. What binds is bold. */
export function LimitTable({
  clientId,
  groups,
  free,
  written,
  locale,
  mayWrite,
}: {
  clientId: string;
  groups: LimitGroup[];
  free: string[];
  written: WrittenView[];
  locale: string;
  mayWrite: boolean;
}) {
  if (groups.length === 0)
    return <p className="mt-2">Nothing is bounded yet: neither a condition nor a person has set a limit.</p>;
  return (
    <>
      <table className="mt-1 w-full text-left text-[14px] leading-snug">
        <thead>
          <tr className="small quiet border-b border-rule">
            <th className="py-0.5 pr-3 font-normal">what</th>
            <th className="py-0.5 pr-3 font-normal">allowed</th>
            <th className="py-0.5 pr-3 font-normal">because</th>
            <th className="py-0.5 pr-3 font-normal">until</th>
            <th className="py-0.5 font-normal">lifted by</th>
          </tr>
        </thead>
        <tbody>
          {groups.map((g) =>
            g.rows.map((r, i) => (
              <tr
                key={r.limit.id}
                className={`align-top ${i === 0 ? "border-t border-rule" : ""} ${r.isOver ? "quiet line-through" : ""}`}
              >
                <td className="py-[3px] pr-3">
                  {i === 0 ? g.name : <span className="sr-only">{g.name}</span>}
                </td>
                <td className="py-[3px] pr-3">
                  <Allowed row={r} />
                </td>
                <td className="py-[3px] pr-3">
                  {r.limit.reason} <span className="small quiet">({r.limit.origin})</span>
                </td>
                <td className="whitespace-nowrap py-[3px] pr-3">
                  {r.limit.endsOn ? shortDay(r.limit.endsOn, locale) : "further notice"}
                </td>
                <td className="small py-[3px]">
                  {LIFTED_BY[r.limit.origin]}
                  {mayWrite && written.some((w) => w.id === r.limit.id) && (
                    <>
                      {" "}
                      <LimitEditor
                        clientId={clientId}
                        start={written.find((w) => w.id === r.limit.id) ?? null}
                      />
                    </>
                  )}
                </td>
              </tr>
            )),
          )}
        </tbody>
      </table>
      {free.length > 0 && <p className="small quiet mt-2">Nothing bounds: {free.join(", ")}.</p>}
    </>
  );
}

function Allowed({ row }: { row: LimitRow }) {
  return (
    <>
      {row.words.map((w, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: the words of one cell never change place
        <span key={i} className={w.binds ? "" : "quiet"}>
          {i > 0 && " "}
          {w.binds ? <b>{w.text}</b> : w.text}
        </span>
      ))}
    </>
  );
}
