"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import type { Criterion } from "@/core/phases/phaseCriteria";
import { lowerFirst } from "@/core/units/lowerFirst";
import type { Said as SaidOf } from "@/core/units/said";
import { Problem } from "@/ui/form/Problem";
import { problemsByField } from "@/ui/form/problemsByField";
import { Said } from "@/ui/reader";
import { send } from "@/ui/send";
import { sayPlainly } from "@/words/say";
import { CRITERION_MARKS } from "./OpensNext";

/** What opens the next phase: each criterion against what was measured; a therapist confirms, or goes back a phase. */
export function PhaseCard({
  clientId,
  rowId,
  version,
  criteria,
  next,
  previous,
  mayEnter,
  mayConfirm,
  isConfirmed,
}: {
  clientId: string;
  rowId: string;
  version: number;
  /** each with what to know about it, or null */
  criteria: (Criterion & { note: SaidOf | null })[];
  next: { id: string; name: string } | null;
  previous: { id: string; name: string } | null;
  mayEnter: boolean;
  mayConfirm: boolean;
  /** while nobody confirmed a phase, the entry is decided first */
  isConfirmed: boolean;
}) {
  const router = useRouter();
  const [reason, setReason] = useState("");
  const [problems, setProblems] = useState<Record<string, string>>({});
  const post = async (to: string, body: object) => {
    const sent = await send(
      `/api/clients/${clientId}/${to}`,
      { conditionRowId: rowId, version, ...body },
      to === "phases" ? "The phase is confirmed." : "The criterion is judged.",
    );
    setProblems(sent.ok ? {} : problemsByField(sent.problems));
    if (sent.ok) setReason("");
    // after a colleague's change the newest state is shown; what was typed stays
    if (sent.ok || sent.status === 409) router.refresh();
  };
  const tick = (asks: Criterion["asks"], isMet: boolean) =>
    asks.code === "phases.can" && post("ticks", { criterion: asks.id, isMet });
  const confirm = (phaseId: string) => post("phases", { phaseId, reason: reason.trim() || null });
  return (
    <div>
      {next && (
        <>
          <h2 className="text-[16px]">To open “{lowerFirst(next.name)}”</h2>
          <p className="small quiet">
            {mayEnter ? "everything is met" : "all of it must be met; weeks alone open nothing"}
          </p>
        </>
      )}
      <details>
        <summary className="cursor-pointer underline">
          {criteria.filter((c) => c.state === "met").length} of {criteria.length} met: each with what is known
        </summary>
        <ul className="text-[14px] leading-snug">
          {criteria.map((c) => (
            <li key={sayPlainly(c.asks)} className="flex gap-1.5 py-[1px]">
              <span
                aria-hidden
                className={`w-3 shrink-0 text-center font-bold ${c.state === "met" ? "text-primary" : "text-accent"}`}
              >
                {CRITERION_MARKS[c.state]}
              </span>
              {c.asks.code === "phases.can" && mayConfirm ? (
                <label className="flex items-baseline gap-1.5">
                  <input
                    type="checkbox"
                    className="checkbox checkbox-primary checkbox-xs relative top-0.5"
                    checked={c.state === "met"}
                    onChange={(e) => tick(c.asks, e.target.checked)}
                  />
                  <span>
                    {sayPlainly(c.asks)}
                    {c.note && (
                      <span className="small quiet block">
                        <Said>{c.note}</Said>
                      </span>
                    )}
                  </span>
                </label>
              ) : (
                <span>{sayPlainly({ ...c, code: "phases.criterion" })}</span>
              )}
            </li>
          ))}
        </ul>
      </details>
      {mayConfirm && isConfirmed && (
        <div className="mt-1.5 flex flex-wrap items-center gap-2">
          {next && !mayEnter && (
            <>
              <label className="small quiet w-full" htmlFor={`reason-${rowId}`}>
                open it all the same, because
              </label>
              <input
                id={`reason-${rowId}`}
                className="input input-sm w-full border-rule"
                value={reason}
                onChange={(e) => setReason(e.target.value)}
              />
            </>
          )}
          {next && (
            <button
              type="button"
              className={`btn btn-sm ${mayEnter ? "btn-primary" : "btn-line"}`}
              onClick={() => confirm(next.id)}
            >
              Confirm “{lowerFirst(next.name)}”
            </button>
          )}
          {previous && (
            <button
              type="button"
              className="small cursor-pointer underline"
              onClick={() => confirm(previous.id)}
            >
              back to “{lowerFirst(previous.name)}”
            </button>
          )}
          <Problem sentence={problems.reason ?? problems.phaseId ?? problems.form ?? null} />
        </div>
      )}
    </div>
  );
}
