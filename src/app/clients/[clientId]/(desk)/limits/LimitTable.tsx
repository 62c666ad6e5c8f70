import type { Limit } from "@/core/bounds/limit";
import type { LimitGroup, LimitRow, PhaseGroup } from "@/core/bounds/rows";
import { fromKept } from "@/core/units/said";
import { shortDay } from "@/ui/dates";
import { Said } from "@/ui/reader";
import { ORIGIN_WORDS } from "@/words/en/plan/bounds";
import { LimitEditor, type WrittenView } from "./LimitEditor";

const LIFTED_BY: Record<Limit["origin"], string> = {
  surgeon: "the surgeon, in writing",
  therapist: "a therapist",
  condition: "a therapist confirms the next phase",
  warning_sign: "clearing the sign",
  clinic: "the clinic's lead",
};

/** Every limit, not only the tightest: what it bounds, why, until when, who can lift it. What binds is bold. */
export function LimitTable({
  clientId,
  groups,
  phases,
  free,
  written,
  locale,
  mayWrite,
}: {
  clientId: string;
  groups: LimitGroup[];
  phases: PhaseGroup[];
  free: string[];
  written: WrittenView[];
  locale: string;
  mayWrite: boolean;
}) {
  if (groups.length + phases.length === 0)
    return <p className="mt-2">Nothing is bounded yet: neither a condition nor a person has set a limit.</p>;
  return (
    <>
      {groups.length > 0 && (
        <table className="lanes mt-1 w-full text-left text-[14px] leading-snug">
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
                    <Allowed words={r.words} />
                  </td>
                  <td className="py-[3px] pr-3">
                    <Said>{fromKept(r.limit.reason)}</Said>{" "}
                    <span className="small quiet">({ORIGIN_WORDS[r.limit.origin]})</span>
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
      )}
      {phases.map((p) => (
        <section key={p.because} className="mt-3">
          <h3 className="font-sans text-[14px] font-normal">
            <b>
              <Said>{fromKept(p.because)}</Said>
            </b>{" "}
            <span className="quiet">until</span> {LIFTED_BY.condition}
            <span className="quiet">:</span>
          </h3>
          <dl className="grid grid-cols-1 gap-x-8 border-t sm:grid-cols-2 border-rule text-[14px] leading-snug">
            {p.bounds.map((b) => (
              <div key={b.kind} className="flex justify-between gap-3 border-b border-rule/60 py-[3px]">
                <dt>
                  {b.name}
                  {b.detail && DETAILED.includes(b.kind) && (
                    <span className="small quiet block">
                      <Said>{fromKept(b.detail)}</Said>
                    </span>
                  )}
                </dt>
                <dd className="min-w-0 text-right">
                  <Allowed words={b.words} />
                </dd>
              </div>
            ))}
          </dl>
        </section>
      ))}
      {free.length > 0 && <p className="small quiet mt-2">Nothing bounds: {free.join(", ")}.</p>}
    </>
  );
}

/** Where the rule's own words say more than the number. */
const DETAILED: readonly string[] = [
  "open_chain_extension",
  "open_chain_load",
  "closed_chain_load",
  "resisted_knee_flexion",
  "hip_flexion",
];

function Allowed({ words }: { words: LimitRow["words"] }) {
  return (
    <>
      {words.map((w, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: the words of one cell never change place
        <span key={i} className={w.binds ? "" : "quiet"}>
          {i > 0 && " "}
          {w.binds ? (
            <b>
              <Said>{w.text}</Said>
            </b>
          ) : (
            <Said>{w.text}</Said>
          )}
        </span>
      ))}
    </>
  );
}
