import type { WeekOfKneecap } from "@/core/schedule/kneecapWeek";
import { legsNote, type OrderSchool, type ScoreTotals } from "@/core/sheet/order/sessionScore";
import { kneecapWeekComputed } from "@/core/sheet/order/weekWorking";
import { sharedSeconds } from "@/core/sheet/time/runThrough";
import { asKept, type Said as SaidOf } from "@/core/units/said";
import type { SetAim, WeekAround } from "@/server/week/weekSets";
import { Term } from "@/ui/help/Term";
import { Said } from "@/ui/reader";
import { Opens } from "@/ui/working/Figure";
import { NoteMark } from "./NoteMark";
import { WeekSets } from "./WeekSets";

const minutes = (s: number): number => Math.ceil(s / 60);

/** What a draft asks and left out, and what the sheet gives: each thing there is to say stands as a mark at what it speaks of. */
export function SheetGives({
  totals,
  kneecap,
  notModelled,
  madeNotes,
  aim,
  around,
  holds,
}: {
  totals: ScoreTotals;
  kneecap: WeekOfKneecap;
  /** lines of the knee that the kneecap's sum does not know */
  notModelled: number;
  /** what a draft or a home version left out, asks and advises */
  madeNotes: readonly SaidOf[];
  aim: SetAim | null;
  around: WeekAround;
  /** where holds belong by what they did to the marked movements */
  holds: OrderSchool["holds"];
}) {
  const legs = legsNote(totals.legs);
  return (
    <div className="mt-3">
      <section aria-live="polite">
        {madeNotes.length > 0 && (
          <>
            <h2 className="text-[16px]">With this draft</h2>
            <ul className="mb-3 ml-4 list-disc">
              {madeNotes.map((n) => (
                <li key={asKept(n)}>
                  <Said>{n}</Said>
                </li>
              ))}
            </ul>
          </>
        )}
      </section>
      <section className="small grid grid-cols-1 gap-x-8 gap-y-2 lg:grid-cols-[minmax(0,1fr)_270px]">
        <div>
          <WeekSets byMuscle={totals.byMuscle} aim={aim} around={around} />
        </div>
        <ul className="grid content-start gap-1 lg:pt-[26px]">
          <li>
            <b>{Math.round(totals.hard)}</b> <Term id="hard">hard repetitions</Term> in this run
          </li>
          <li>
            Kneecap joint this week{" "}
            <Opens label="kneecap joint this week" computed={kneecapWeekComputed(kneecap)}>
              <b>{Math.round(kneecap.thisWeek)} s</b>
            </Opens>{" "}
            of a <Term id="kneecap">chair rise</Term>
            {kneecap.lastWeek === null ? ", no week before" : `, last week ${Math.round(kneecap.lastWeek)}`}{" "}
            {notModelled > 0 && (
              <span className="quiet">
                ; {notModelled} {notModelled === 1 ? "line has" : "lines have"} no model and{" "}
                {notModelled === 1 ? "is" : "are"} not in it
              </span>
            )}
          </li>
          <li>
            Other leg {Math.round((100 * totals.legs.second) / Math.max(1, totals.legs.first))} % of this one{" "}
            <NoteMark notes={legs ? [{ said: legs, fix: null }] : []} of="the other leg" />
          </li>
          {holds && (
            <li>
              {holds === "front"
                ? "Holds eased the marked movement twice: they stay in front"
                : "Holds did not ease the marked movement in four visits: moving work goes first"}
            </li>
          )}
          <li>
            <MoreClients totals={totals} />
          </li>
        </ul>
      </section>
    </div>
  );
}

/** Time beside other lanes on the same machines. */
function MoreClients({ totals }: { totals: ScoreTotals }) {
  const two = sharedSeconds(totals.steps, 2);
  const three = sharedSeconds(totals.steps, 3);
  return (
    <details className="quiet">
      <summary className="cursor-pointer">with more clients at once</summary>
      One more on the same machines: {minutes(two.least)} to {minutes(two.most)} min, two more up to{" "}
      {minutes(three.most)}.
    </details>
  );
}
