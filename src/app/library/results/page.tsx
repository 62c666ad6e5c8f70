import type { Metadata } from "next";
import { onPage } from "@/app/_web/actor";
import { ACROSS_ORDERS, type AcrossClients, LEAST_ACROSS, ranked } from "@/core/review/across/acrossClients";
import { exercisesOf } from "@/server/clinic/exercises";
import { exercisesAcross } from "@/server/review/acrossClients";
import { Link } from "@/ui/Link";
import { ShellHeader } from "@/ui/shell/ShellHeader";
import { ACROSS_WORDS, resultWords, visitsWords } from "@/words/en/numbers/across";

export const metadata: Metadata = { title: "Results here" };

/** What each exercise led to among this clinic's clients: counts and how sure they are, nobody named. */
export default async function ResultsPage({ searchParams }: { searchParams: Promise<{ by?: string }> }) {
  const { by: asked } = await searchParams;
  const by = ACROSS_ORDERS.find((o) => o === asked) ?? "sore";
  const { actor, data } = await onPage(async (ctx) => ({
    all: await exercisesAcross(ctx),
    names: new Map((await exercisesOf(ctx)).map((x) => [x.exercise.id, x.exercise.name])),
  }));
  const nameOf = (a: AcrossClients) => data.names.get(a.exerciseId) ?? a.exerciseId;
  const rows = ranked(data.all, by);
  const few = data.all
    .filter((a) => !a.results)
    .sort((a, b) => b.visits - a.visits || nameOf(a).localeCompare(nameOf(b)));
  return (
    <>
      <ShellHeader clinic={actor.clinicName} who={`${actor.name}, ${actor.role}`} />
      <main className="mx-auto max-w-[1180px] px-6 py-6">
        <p className="small">
          <Link href="/library" className="underline">
            Library
          </Link>
        </p>
        <h1 className="text-[22px]">What exercises led to here</h1>
        <p className="max-w-[80ch]">
          Visits of the last year, nobody named. Who is sore is given other exercises than who is not, so this
          says what followed, not why. Ranges hold four times in five.
        </p>
        {rows.length === 0 ? (
          <p className="mt-4 border-l-4 border-mark pl-3">
            Nothing to hold against each other yet: that takes {LEAST_ACROSS.visits} visits of{" "}
            {LEAST_ACROSS.clients} clients with the same exercise.
          </p>
        ) : (
          <div className="overflow-x-auto">
            <table className="mt-4 w-full min-w-[760px] text-left">
              <thead>
                <tr className="align-bottom">
                  <th scope="col" className="py-1 pr-4">
                    Exercise
                  </th>
                  {ACROSS_ORDERS.map((o) => (
                    <th
                      key={o}
                      scope="col"
                      aria-sort={o !== by ? "none" : o === "gain" ? "descending" : "ascending"}
                      className="py-1 pr-4"
                    >
                      <Link
                        href={`/library/results?by=${o}`}
                        className={o === by ? "font-bold" : "font-normal underline"}
                      >
                        {ACROSS_WORDS[o]}
                      </Link>
                      {o === by && <span className="small quiet block font-normal">the better first</span>}
                    </th>
                  ))}
                </tr>
              </thead>
              <tbody>
                {rows.map((a) => (
                  <tr key={a.exerciseId} className="border-t border-rule align-baseline">
                    <th scope="row" className="py-1.5 pr-4 font-normal">
                      <Link href={`/library/${a.exerciseId}`} className="underline">
                        {nameOf(a)}
                      </Link>
                      <span className="small quiet block">{visitsWords(a)}</span>
                    </th>
                    {ACROSS_ORDERS.map((o) => (
                      <td key={o} className="py-1.5 pr-4">
                        {a.results && resultWords(a.results, o)}
                      </td>
                    ))}
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
        )}
        {few.length > 0 && (
          <details className="mt-5 border-t border-rule pt-2">
            <summary className="cursor-pointer">
              {few.length} more, each done too seldom to be held against others
            </summary>
            <ul className="mt-2 columns-1 gap-x-8 md:columns-2">
              {few.map((a) => (
                <li key={a.exerciseId} className="break-inside-avoid py-0.5">
                  {nameOf(a)} <span className="small quiet">{visitsWords(a)}</span>
                </li>
              ))}
            </ul>
          </details>
        )}
      </main>
    </>
  );
}
