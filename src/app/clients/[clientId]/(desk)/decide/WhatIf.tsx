"use client";
import { useState } from "react";
import { decide } from "@/core/progression/decide";
import type { VisitDraft } from "@/server/decide/decisionDrafts";
import { Link } from "@/ui/Link";
import { ACTION_WORDS } from "@/words/en/decide";
import { sayPlainly } from "@/words/say";

const SCORES = Array.from({ length: 11 }, (_, i) => i);

/** Another answer of the morning, tried: what each draft would say then. Nothing is kept by it. */
export function WhatIf({ draft, clientId }: { draft: VisitDraft; clientId: string }) {
  const answered = draft.visit.morning?.pain ?? null;
  const [pain, setPain] = useState<number | null>(null);
  const tried = pain === null || pain === answered ? null : pain;
  const others = tried === null ? [] : changed(draft, tried);
  return (
    <details className="small mt-2" onToggle={(e) => !e.currentTarget.open && setPain(null)}>
      <summary className="cursor-pointer quiet">
        {answered === null
          ? "What would a morning answer change?"
          : `The morning said ${answered}: what would another answer change?`}
      </summary>
      <fieldset className="mt-1 flex flex-wrap items-center gap-1">
        <legend className="sr-only">Joint pain this morning, tried</legend>
        {SCORES.map((n) => (
          <button
            key={n}
            type="button"
            className={`btn btn-sm min-w-9 ${n === (tried ?? answered) ? "btn-primary" : "btn-line"}`}
            aria-pressed={n === (tried ?? answered)}
            onClick={() => setPain(n)}
          >
            {n}
          </button>
        ))}
      </fieldset>
      {tried !== null && (
        <div role="status" className="mt-1">
          {others.length === 0 ? (
            <p>With {tried} every draft stays as it is.</p>
          ) : (
            <ul>
              {others.map((o) => (
                <li key={o.name}>
                  With {tried}, <b>{o.name}</b>: {o.words}.
                </li>
              ))}
            </ul>
          )}
          <p className="quiet">
            Nothing is kept by trying.{" "}
            <Link href={`/clients/${clientId}/morning`} className="underline">
              {answered === null ? "Enter the answer" : "Correct the answer"}
            </Link>{" "}
            where it was another one.
          </p>
        </div>
      )}
    </details>
  );
}

/** Lines whose draft would say something else, with what and why. */
function changed(draft: VisitDraft, painMorning: number): { name: string; words: string }[] {
  return draft.lines.flatMap((l) => {
    const then = decide({ ...l.input, painMorning });
    if (then.action === l.decision.action) return [];
    const why = then.reasons.map((r) => sayPlainly(r.why)).join("; ");
    return [{ name: l.kept.name, words: `${ACTION_WORDS[then.action].toLowerCase()}, because ${why}` }];
  });
}
