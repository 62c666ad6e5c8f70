import type { Muscle } from "@/core/schedule/balance";
import type { GuardedLoad } from "@/core/schedule/weekGuard";
import { type Fix, legsNote, type OrderNote, type ScoreTotals } from "@/core/sheet/order/sessionScore";
import { kneecapWeekComputed } from "@/core/sheet/order/weekWorking";
import type { RunStep } from "@/core/sheet/time/runThrough";
import { sharedSeconds } from "@/core/sheet/time/runThrough";
import { asKept, type Said as SaidOf } from "@/core/units/said";
import { upperFirst } from "@/core/units/upperFirst";
import { Term } from "@/ui/help/Term";
import { Said, useSay } from "@/ui/reader";
import { Opens } from "@/ui/working/Figure";

const FIX_WORDS: Record<Fix["kind"], string> = {
  warm_up: "put a light start first",
  ramp: "put ramp sets before it",
  move: "move it",
};
const MUSCLE_WORDS: Record<Muscle, string> = {
  quads: "front of the thigh",
  hams: "back of the thigh",
  glutes: "buttock",
  adductors: "inner thigh",
  abductors: "outer hip",
  calves: "calf",
};
const MUSCLES = Object.keys(MUSCLE_WORDS) as Muscle[];
const minutes = (s: number): number => Math.ceil(s / 60);

/** What there is to say about order, balance and the week, each with what to do; what the session gives, by muscle. */
export function SessionNotes({
  notes,
  totals,
  early,
  guards,
  notModelled,
  madeNotes,
  mayFix,
  onFix,
}: {
  notes: readonly OrderNote[];
  totals: ScoreTotals;
  /** sentences about sets that are predicted to end early */
  early: readonly string[];
  guards: { kneecap: GuardedLoad; hard: GuardedLoad };
  /** lines of the knee that the kneecap's sum does not know */
  notModelled: number;
  /** what a draft or a home version left out, asks and advises */
  madeNotes: readonly SaidOf[];
  mayFix: boolean;
  onFix: (fix: Fix) => void;
}) {
  const say = useSay();
  const legs = legsNote(totals.legs);
  const weeks = [
    guardWords("load of the kneecap joint", "s of a chair rise", guards.kneecap),
    guardWords("count of repetitions with four or fewer in reserve", "", guards.hard),
  ];
  const plain = [
    ...early,
    ...totals.balance.notes.map(
      (n) =>
        `${upperFirst(say(n))}, by repetitions with four or fewer in reserve in this one session: add a line of what is short, or let the week even it out.`,
    ),
    ...(legs ? [legs] : []),
    ...weeks.filter((w) => w !== null),
  ];
  return (
    <div className="mt-3 grid grid-cols-1 lg:grid-cols-[minmax(0,1fr)_270px] gap-6">
      <section aria-live="polite">
        <h2 className="text-[16px]">Order, balance, week</h2>
        {notes.length + plain.length === 0 ? (
          <p className="quiet">
            Nothing to say: light first, heavy while fresh, calves last; front and back in balance.
          </p>
        ) : (
          <ul className="ml-4 list-disc">
            {notes.map((n) => (
              <li key={n.itemId + asKept(n.said)}>
                <Said>{n.said}</Said>{" "}
                {n.fix && mayFix && (
                  <button
                    type="button"
                    className="cursor-pointer font-bold text-primary underline"
                    onClick={() => n.fix && onFix(n.fix)}
                  >
                    {FIX_WORDS[n.fix.kind]}
                  </button>
                )}
              </li>
            ))}
            {plain.map((n) => (
              <li key={asKept(n)}>
                <Said>{n}</Said>
              </li>
            ))}
          </ul>
        )}
        {madeNotes.length > 0 && (
          <>
            <h2 className="mt-3 text-[16px]">With this draft</h2>
            <ul className="ml-4 list-disc">
              {madeNotes.map((n) => (
                <li key={asKept(n)}>
                  <Said>{n}</Said>
                </li>
              ))}
            </ul>
          </>
        )}
      </section>
      <Gives totals={totals} kneecap={guards.kneecap} notModelled={notModelled} />
    </div>
  );
}

function guardWords(what: string, unit: string, g: GuardedLoad): string | null {
  if (!g.isOver || g.most === null) return null;
  const amount = (x: number) => `${x} ${unit}`.trim();
  const over = Math.ceil(g.thisWeek - g.most);
  return `This week's ${what} would be ${amount(Math.round(g.thisWeek))}; ${Math.floor(g.most)} is the most after the weeks before (last week ${Math.round(g.lastWeek ?? 0)}): take out sets worth ${over}, or move them to next week.`;
}

/** Hard repetitions by muscle, the kneecap's sum, left and right, and time beside other lanes. */
function Gives({
  totals,
  kneecap,
  notModelled,
}: {
  totals: ScoreTotals;
  kneecap: GuardedLoad;
  notModelled: number;
}) {
  const most = Math.max(1, ...Object.values(totals.balance.totals));
  const two = sharedSeconds(totals.steps, 2);
  const three = sharedSeconds(totals.steps, 3);
  const isSome = Object.values(totals.balance.totals).some((n) => n > 0);
  const ratio = totals.balance.hamsPerQuads;
  return (
    <section className="small">
      <h2 className="text-[16px]">What it gives</h2>
      <table className="w-full">
        <caption className="sr-only">Repetitions with four or fewer in reserve, by muscle</caption>
        <tbody>
          {MUSCLES.filter((m) => (totals.balance.totals[m] ?? 0) > 0).map((m) => {
            const hard = totals.balance.totals[m] ?? 0;
            return (
              <tr key={m}>
                <th scope="row" className="w-[112px] text-left font-normal">
                  {MUSCLE_WORDS[m]}
                </th>
                <td>
                  <svg
                    aria-hidden="true"
                    viewBox="0 0 100 9"
                    preserveAspectRatio="none"
                    className="h-[9px] w-full"
                  >
                    <rect width={(100 * hard) / most} height={9} className="fill-primary" />
                  </svg>
                </td>
                <td className="w-[34px] text-right">{Math.round(hard)}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
      <p className="quiet mt-1">
        {isSome && <Term id="hard">repetitions with four or fewer in reserve</Term>}
        {ratio === null ? (isSome ? ", " : "") : `; back to front ${ratio.toFixed(1)}; `}
        other leg {Math.round((100 * totals.legs.second) / Math.max(1, totals.legs.first))} % of this one
      </p>
      <div className="mt-1">
        Kneecap joint this week{" "}
        <Opens label="kneecap joint this week" computed={kneecapWeekComputed(kneecap)}>
          <b>{Math.round(kneecap.thisWeek)} s</b>
        </Opens>{" "}
        of a <Term id="kneecap">chair rise</Term>
        {kneecap.lastWeek === null ? ", no week before" : `, last week ${Math.round(kneecap.lastWeek)}`}
        {notModelled > 0 && (
          <span className="quiet">
            ; {notModelled} {notModelled === 1 ? "line has" : "lines have"} no model and{" "}
            {notModelled === 1 ? "is" : "are"} not in it
          </span>
        )}
      </div>
      <details className="quiet mt-1">
        <summary className="cursor-pointer">with more clients at once</summary>
        One more on the same machines: {minutes(two.least)} to {minutes(two.most)} min, two more up to{" "}
        {minutes(three.most)}.
      </details>
    </section>
  );
}

const STEP_WORDS: Record<RunStep["kind"], string> = {
  warm_up: "Warm-up: easy cycling or walking inside the open bend",
  changeover: "Changeover to the next exercise",
  set_up: "Set up",
  work: "Set",
  side_change: "Change of leg",
  move: "Go over",
  rest: "Rest",
  logging: "Joint pain, and what was done",
};

/** Every timer of the session in order, as the floor runs it. */
export function RunThrough({
  steps,
  nameOf,
}: {
  steps: readonly RunStep[];
  nameOf: (lineId: string) => string;
}) {
  let at = 0;
  return (
    <details className="mt-3">
      <summary className="cursor-pointer">
        Run-through: {steps.length} timers, {minutes(steps.reduce((sum, s) => sum + s.seconds, 0))} min
      </summary>
      <ol className="small mt-1 columns-2 gap-6">
        {steps.map((s, i) => {
          const from = at;
          at += s.seconds;
          const leg = s.leg === "second" ? ", other leg" : "";
          return (
            // biome-ignore lint/suspicious/noArrayIndexKey: a timer is its place in the order
            <li key={i} className={s.kind === "work" ? "" : "quiet"}>
              <span className="inline-block w-12 tabular-nums">
                {Math.floor(from / 60)}:{String(Math.round(from % 60)).padStart(2, "0")}
              </span>
              {STEP_WORDS[s.kind]}
              {s.kind === "work" && s.lineId ? ` ${(s.set ?? 0) + 1}, ${nameOf(s.lineId)}${leg}` : ""}{" "}
              {Math.round(s.seconds)} s
            </li>
          );
        })}
      </ol>
    </details>
  );
}
