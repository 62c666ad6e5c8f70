"use client";
import { useRouter } from "next/navigation";
import { useMemo, useState } from "react";
import { EXERCISES, withOwn } from "@/core/rules/exercises";
import { carryOver, SWAP_REASON_IDS, type SwapReason, swapCandidates } from "@/core/selection/swap/swap";
import type { FieldProblem } from "@/core/units/inputError";
import type { ChooseFacts } from "@/server/facts/choose";
import { Problem } from "@/ui/form/Problem";
import { useSay } from "@/ui/reader";
import { useSendOnce } from "@/ui/useSendOnce";
import { CARRY_OVER, FIRST_QUESTIONS, SWAP_REASONS, swapBecause } from "@/words/en/plan/swap";

const SHOWN = 3;

/** What was planned, why not today, what instead: three candidates, or leaving it out. */
export function SwapDesk({
  clientId,
  facts,
  planned: firstPlanned,
  reason: firstReason,
  barredByRole,
}: {
  clientId: string;
  facts: ChooseFacts;
  planned: string;
  reason: SwapReason;
  barredByRole: string | null;
}) {
  const say = useSay();
  const router = useRouter();
  const sendOnce = useSendOnce();
  const exercises = useMemo(() => withOwn(facts.ownExercises), [facts.ownExercises]);
  const [plannedId, setPlanned] = useState(firstPlanned);
  const [reason, setReason] = useState<SwapReason>(firstReason);
  const [pain, setPain] = useState("");
  const [words, setWords] = useState("");
  const [all, setAll] = useState(false);
  const [problems, setProblems] = useState<FieldProblem[]>([]);
  const [taken, setTaken] = useState<string | null>(null);
  const planned = exercises.find((e) => e.id === plannedId) ?? EXERCISES[0];
  const families = useMemo(() => new Set(facts.machines.map((m) => m.family)), [facts.machines]);
  const candidates = useMemo(
    () =>
      planned
        ? swapCandidates({ planned, exercises, limits: facts.limits, reason, families, weight: facts.weight })
        : [],
    [planned, exercises, facts.limits, facts.weight, reason, families],
  );
  if (!planned) return null;
  const take = async (chosen: string | null, name: string) => {
    const sent = await sendOnce(`/api/clients/${clientId}/swaps`, (id) => ({
      id,
      planned: planned.id,
      chosen,
      reason,
      pain: pain.trim() === "" ? null : Number(pain),
      words,
    }));
    if (!sent.ok) return setProblems(sent.problems);
    setProblems([]);
    setTaken(name);
    router.refresh();
  };
  const listed = candidates.slice(0, all ? undefined : SHOWN);
  const doses = listed.map((c) => carryOver(planned, c.e, reason).map((x) => CARRY_OVER[x]));
  const sets = listed.map((c) => c.changes.map(say));
  // what holds for each of them is said once
  const setOfAll = (sets[0] ?? []).filter((w) => sets.every((d) => d.includes(w)));
  const ofAll = (doses[0] ?? []).filter((w) => doses.every((d) => d.includes(w)));
  return (
    <div className="grid grid-cols-1 lg:grid-cols-[330px_minmax(0,1fr)] gap-8">
      <form className="grid content-start gap-3" onSubmit={(e) => e.preventDefault()}>
        <label className="grid gap-1">
          <span className="small">planned</span>
          <select
            className="select select-sm w-full"
            value={planned.id}
            onChange={(e) => setPlanned(e.target.value)}
          >
            {exercises.map((e) => (
              <option key={e.id} value={e.id}>
                {e.name}
              </option>
            ))}
          </select>
        </label>
        <fieldset>
          <legend className="small">why not today</legend>
          {SWAP_REASON_IDS.map((id) => (
            <label key={id} className="flex cursor-pointer items-center gap-2 py-0.5">
              <input
                type="radio"
                name="reason"
                className="radio radio-xs"
                checked={reason === id}
                onChange={() => setReason(id)}
              />
              {SWAP_REASONS[id]}
            </label>
          ))}
        </fieldset>
        {(reason === "knee" || reason === "tendon") && (
          <label className="flex items-baseline gap-2">
            <span>pain now, 0 to 10</span>
            <input
              name="pain"
              inputMode="numeric"
              className="input input-sm w-16 text-right font-bold"
              value={pain}
              onChange={(e) => setPain(e.target.value)}
            />
          </label>
        )}
        <p className="border-l-4 border-mark pl-3">
          <b>First:</b> {FIRST_QUESTIONS[reason]}
        </p>
        <label className="grid gap-1">
          <span className="small">in own words, if it helps</span>
          <input
            name="words"
            className="input input-sm w-full"
            value={words}
            onChange={(e) => setWords(e.target.value)}
          />
        </label>
      </form>
      <section aria-live="polite">
        <h2 className="text-[16px]">
          Instead of {planned.name}{" "}
          <span className="quiet font-sans text-[14px] font-normal">
            {candidates.length === 0 ? "" : `${candidates.length} fit today's limits`}
          </span>
        </h2>
        {taken && (
          <p role="status" className="mt-1 font-bold text-primary">
            Recorded: {taken}.
          </p>
        )}
        {problems.map((p) => (
          <Problem key={`${p.field}${p.sentence}`} sentence={p.sentence} />
        ))}
        {candidates.length === 0 && (
          <p className="mt-2">
            Nothing that trains the same fits today. Leave it out, note it, and keep the rest of the session:
            that is a valid answer.
          </p>
        )}
        {setOfAll.length > 0 && (
          <p className="small">
            <b>Set each differently:</b> {setOfAll.join("; ")}
          </p>
        )}
        {ofAll.length > 0 && <p className="small quiet">Dose of each: {ofAll.join("; ")}.</p>}
        <ol>
          {listed.map((c, i) => (
            <li key={c.e.id} className="border-t border-rule py-2">
              <div className="flex items-baseline justify-between gap-4">
                <h3 className="text-[15px]">{c.e.name}</h3>
                {!barredByRole && (
                  <button
                    type="button"
                    className="btn btn-primary btn-sm"
                    aria-label={`Take ${c.e.name}`}
                    onClick={() => take(c.e.id, c.e.name)}
                  >
                    Take it
                  </button>
                )}
              </div>
              <p className="small">
                <span className="quiet">{c.e.equipment}</span> · {swapBecause(c.because)}
              </p>
              {c.changes.some((w) => !setOfAll.includes(say(w))) && (
                <p className="small">
                  <b>Set differently:</b>{" "}
                  {c.changes
                    .map(say)
                    .filter((w) => !setOfAll.includes(w))
                    .join("; ")}
                </p>
              )}
              {doses[i]?.some((w) => !ofAll.includes(w)) && (
                <p className="small quiet">Dose: {doses[i]?.filter((w) => !ofAll.includes(w)).join("; ")}.</p>
              )}
            </li>
          ))}
        </ol>
        <p className="mt-2 flex items-baseline gap-4 border-t border-rule pt-2">
          {candidates.length > SHOWN && (
            <button type="button" className="cursor-pointer underline" onClick={() => setAll(!all)}>
              {all ? "only the first three" : `all ${candidates.length}`}
            </button>
          )}
          {barredByRole ? (
            <span className="text-accent">{barredByRole}</span>
          ) : (
            <button
              type="button"
              className="btn btn-line btn-sm"
              onClick={() => take(null, `${planned.name} left out`)}
            >
              Leave it out today
            </button>
          )}
        </p>
      </section>
    </div>
  );
}
