import type { ByMuscle } from "@/core/schedule/balance";
import { type PlannedDay, weeksOf } from "@/core/schedule/block/block";
import { bandOf } from "@/core/sheet/effect/setBand";
import { daysBetween } from "@/core/units/days";
import type { PlannableSheet } from "@/server/week/weekFacts";
import type { SetAim } from "@/server/week/weekSets";
import { Term } from "@/ui/help/Term";
import { MUSCLE_IDS, MUSCLE_WORDS, STAGE_WORDS } from "@/words/en/plan/muscles";

const [W, H] = [190, 30];
const round = (n: number): number => Math.round(n * 2) / 2;

/** Effective sets of each week by muscle group, done in a lighter tone, planned in the full one, over the band of the phase. */
export function SetWeeks({
  question,
  days,
  sheets,
  done,
  begun,
  aim,
}: {
  question: { startsOn: string; buildWeeks: number; keepWeeks: number };
  days: readonly PlannedDay[];
  sheets: readonly PlannableSheet[];
  /** weeks before the block, the oldest first */
  done: readonly ByMuscle[];
  /** what was done of its first week already */
  begun: ByMuscle;
  aim: SetAim | null;
}) {
  const planned = plannedByWeek(question, days, sheets, begun);
  const rows = MUSCLE_IDS.filter(
    (m) => aim?.aimed.includes(m) || [...done, ...planned].some((w) => (w[m] ?? 0) > 0),
  );
  const each = W / Math.max(1, done.length + planned.length);
  const bar = Math.max(2, Math.min(16, each - 2));
  return (
    <figure className="mt-3">
      <figcaption className="text-[15px] font-bold">
        Sets of each week{" "}
        <span className="small quiet font-normal">
          <Term id="effective">effective sets</Term>
          {aim && `; shaded: the band for ${STAGE_WORDS[aim.stage]}`}
        </span>
      </figcaption>
      <table className="small w-full">
        <caption className="sr-only">Effective sets by muscle group and week</caption>
        <tbody>
          {rows.map((m) => {
            const band = aim && bandOf(aim.stage, m, aim.aimed);
            const values = [...done, ...planned].map((w) => w[m] ?? 0);
            const most = Math.max(1, band?.to ?? 0, ...values);
            const y = (n: number) => (H * n) / most;
            return (
              <tr key={m}>
                <th
                  scope="row"
                  className={`w-[112px] text-left leading-tight ${aim?.aimed.includes(m) ? "" : "font-normal"}`}
                >
                  {MUSCLE_WORDS[m]}
                  <span className="quiet block font-normal">{band && `${band.from}–${band.to}`}</span>
                </th>
                <td>
                  <svg
                    viewBox={`0 0 ${W} ${H}`}
                    className="my-0.5 w-full"
                    role="img"
                    aria-label={planned.map((w, i) => `week ${i + 1}: ${round(w[m] ?? 0)}`).join("; ")}
                  >
                    {band && (
                      <rect
                        y={H - y(band.to)}
                        width={W}
                        height={y(band.to) - y(band.from)}
                        className="fill-mark opacity-30"
                      />
                    )}
                    {values.map((n, i) => (
                      <rect
                        // biome-ignore lint/suspicious/noArrayIndexKey: weeks in their order
                        key={i}
                        x={i * each}
                        y={H - y(n)}
                        width={bar}
                        height={y(n)}
                        className={i < done.length ? "fill-primary opacity-40" : "fill-primary"}
                      />
                    ))}
                    <line x2={W} y1={H} y2={H} className="stroke-rule" />
                  </svg>
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </figure>
  );
}

function plannedByWeek(
  q: { startsOn: string; buildWeeks: number; keepWeeks: number },
  days: readonly PlannedDay[],
  sheets: readonly PlannableSheet[],
  begun: ByMuscle,
): ByMuscle[] {
  const weeks = Array.from({ length: weeksOf(q) }, (_, i): ByMuscle => (i === 0 ? { ...begun } : {}));
  const byId = new Map(sheets.map((s) => [s.id, s.byMuscle]));
  for (const d of days) {
    const week = weeks[Math.floor(daysBetween(q.startsOn, d.on) / 7)];
    if (!week) continue;
    for (const m of MUSCLE_IDS) week[m] = (week[m] ?? 0) + (byId.get(d.sheetId)?.[m] ?? 0);
  }
  return weeks;
}
