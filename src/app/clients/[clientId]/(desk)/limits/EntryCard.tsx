"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { lowerFirst } from "@/core/units/lowerFirst";
import { Problem } from "@/ui/form/Problem";
import { problemsByField } from "@/ui/form/problemsByField";
import { send } from "@/ui/send";

interface PhaseName {
  id: string;
  name: string;
}

/** In which phase a client begins here: proposed from weeks and findings, confirmed by a therapist in one step. */
export function EntryCard({
  clientId,
  rowId,
  version,
  weeks,
  current,
  proposed,
  toConfirm,
  unmeasured,
  missing,
  mayConfirm,
}: {
  clientId: string;
  rowId: string;
  version: number;
  weeks: number;
  current: PhaseName;
  proposed: PhaseName;
  /** what only a therapist can tell of the phases before */
  toConfirm: readonly string[];
  /** what nobody measured of the phases before */
  unmeasured: readonly string[];
  /** what keeps a later one shut */
  missing: readonly string[];
  mayConfirm: boolean;
}) {
  const router = useRouter();
  const [reason, setReason] = useState("");
  const [problems, setProblems] = useState<Record<string, string>>({});
  const isLater = proposed.id !== current.id;
  const confirm = async (phaseId: string) => {
    const sent = await send(
      `/api/clients/${clientId}/phases`,
      {
        conditionRowId: rowId,
        version,
        phaseId,
        reason: reason.trim() || null,
      },
      "The phase is confirmed.",
    );
    setProblems(sent.ok ? {} : problemsByField(sent.problems));
    if (sent.ok || sent.status === 409) router.refresh();
  };
  return (
    <div className="mb-3 border-l-4 border-mark pl-3">
      <h2 className="text-[16px]">Which phase does this client begin in?</h2>
      <p>{entryWords(weeks, lowerFirst(proposed.name), isLater, unmeasured)}</p>
      {toConfirm.length > 0 && (
        <p className="small mt-1">Say in the reason that this was seen: {toConfirm.join("; ")}.</p>
      )}
      {missing.length > 0 && (
        <p className="small quiet mt-1">Missing for a later one: {missing.join("; ")}.</p>
      )}
      {mayConfirm && (
        <div className="mt-1.5 flex flex-wrap items-center gap-2">
          {isLater && (
            <>
              <label className="small quiet w-full" htmlFor={`entry-${rowId}`}>
                it begins there because
              </label>
              <input
                id={`entry-${rowId}`}
                className="input input-sm w-full border-rule"
                value={reason}
                aria-invalid={problems.reason ? true : undefined}
                onChange={(e) => setReason(e.target.value)}
              />
            </>
          )}
          <button type="button" className="btn btn-primary btn-sm" onClick={() => confirm(proposed.id)}>
            Confirm “{lowerFirst(proposed.name)}”
          </button>
          {isLater && (
            <button
              type="button"
              className="small cursor-pointer underline"
              onClick={() => confirm(current.id)}
            >
              begin with “{lowerFirst(current.name)}”
            </button>
          )}
          <Problem sentence={problems.reason ?? problems.phaseId ?? problems.form ?? null} />
        </div>
      )}
    </div>
  );
}

/** What speaks for the phase: weeks and findings, weeks alone, or neither for a later one. */
function entryWords(weeks: number, name: string, isLater: boolean, unmeasured: readonly string[]): string {
  if (unmeasured.length > 0)
    return `Week ${weeks} allows “${name}”, one before the last that its weeks would open. Nobody measured: ${unmeasured.join("; ")}.`;
  return isLater
    ? `Week ${weeks} and what was found support “${name}”.`
    : `It begins with “${name}”: a later phase needs more than week ${weeks}.`;
}
