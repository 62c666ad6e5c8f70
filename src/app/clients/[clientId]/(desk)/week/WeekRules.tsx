import type { PlannedDay } from "@/core/schedule/block/block";
import type { checkBlock } from "@/core/schedule/block/checkBlock";
import { daysBetween } from "@/core/units/days";
import type { PlannableSheet } from "@/server/week/weekFacts";
import { brokenWords, droppedWords } from "@/words/en/week";
import type { useBlock } from "./useBlock";

/** More reasons than these are no longer read. */
const MOST_DROPPED = 4;

/** The rules with a tick each, what breaks one, and what could not be had. */
export function WeekRules({
  broken,
  plan,
  sheets,
}: {
  broken: ReturnType<typeof checkBlock>;
  plan: ReturnType<typeof useBlock>;
  sheets: readonly PlannableSheet[];
}) {
  const nameOf = (id: string) => sheets.find((s) => s.id === id)?.name ?? "a sheet";
  const shortest = shortestGap(plan.days, sheets);
  const dropped = new Map<string, number[]>();
  for (const [w, week] of plan.weeks.entries())
    for (const d of week.dropped) {
      const words = droppedWords(nameOf(d.sheetId), d);
      dropped.set(words, [...(dropped.get(words) ?? []), w + 1]);
    }
  return (
    <section>
      <h2 className="text-[17px]">
        {broken.length === 0 ? "Fits every rule" : `${broken.length} broken`}{" "}
        {plan.tookMs !== null && (
          <span className="small quiet font-normal">found in {Math.max(1, Math.round(plan.tookMs))} ms</span>
        )}
      </h2>
      <ul className="mt-1" aria-live="polite">
        {broken.length === 0 ? (
          <>
            {shortest !== null && (
              <Rule isMet>{shortest} h between hard days of the same muscles, 48 asked</Rule>
            )}
            <Rule isMet>only free days, within their minutes</Rule>
            {sheets.some((s) => s.kind === "accumulated") && (
              <Rule isMet>accumulated set 7 days apart, 72 h after it</Rule>
            )}
            <Rule isMet>each week within what the weeks before allow</Rule>
          </>
        ) : (
          broken.slice(0, 5).map((b) => (
            <Rule key={`${b.rule} ${b.on} ${b.sheetId ?? ""}`} isMet={false}>
              {brokenWords(b)}
            </Rule>
          ))
        )}
      </ul>
      {dropped.size > 0 && (
        <details className="border-t border-rule py-1.5">
          <summary className="cursor-pointer">
            <span aria-hidden>◇</span> {plan.weeks.reduce((n, w) => n + w.dropped.length, 0)} wishes left out,
            and why
          </summary>
          <ul>
            {[...dropped].slice(0, MOST_DROPPED).map(([words, weeks]) => (
              <li key={words} className="flex gap-2 border-t border-rule py-1.5">
                <span aria-hidden>◇</span>
                <span>
                  <span className="quiet">
                    {weeks.length === 1 ? "week" : "weeks"} {weeks.join(", ")}:
                  </span>{" "}
                  {words}
                </span>
              </li>
            ))}
          </ul>
        </details>
      )}
    </section>
  );
}

/** Hours between two days that are hard for the same muscle group, the least of all; null: there are no two. */
function shortestGap(days: readonly PlannedDay[], sheets: readonly PlannableSheet[]): number | null {
  const byMuscle = new Map<string, string[]>();
  for (const d of [...days].sort((a, b) => a.on.localeCompare(b.on)))
    for (const m of sheets.find((s) => s.id === d.sheetId)?.hardFor ?? [])
      byMuscle.set(m, [...(byMuscle.get(m) ?? []), d.on]);
  const gaps = [...byMuscle.values()].flatMap((own) =>
    own.slice(1).map((on, i) => 24 * daysBetween(own[i] as string, on)),
  );
  return gaps.length > 0 ? Math.min(...gaps) : null;
}

function Rule({ isMet, children }: { isMet: boolean; children: React.ReactNode }) {
  return (
    <li className={`flex gap-2 border-t border-rule py-1.5 ${isMet ? "" : "text-error"}`}>
      <span aria-hidden>{isMet ? "✓" : "■"}</span>
      <span>{children}</span>
    </li>
  );
}
