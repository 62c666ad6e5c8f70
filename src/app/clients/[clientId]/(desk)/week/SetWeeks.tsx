import { type ByMuscle, MUSCLES, type Muscle } from "@/core/schedule/balance";
import type { WeekLoad } from "@/core/schedule/block/block";
import { overSets } from "@/core/schedule/block/setGuard";
import { bandOf } from "@/core/sheet/effect/setBand";
import type { SetAim } from "@/server/week/weekSets";
import { Term } from "@/ui/help/Term";
import { MUSCLE_WORDS, STAGE_WORDS } from "@/words/en/plan/muscles";

const [W, H] = [190, 30];
const round = (n: number): number => Math.round(n * 2) / 2;

/** Effective sets of each week by muscle group, done in a lighter tone, planned in the full one, over the band of the phase. */
export function SetWeeks({
  done,
  loads,
  aim,
}: {
  /** weeks before the block, the oldest first */
  done: readonly WeekLoad[];
  /** planned weeks, with the most that the weeks before each of them allow */
  loads: readonly { load: WeekLoad; most: ByMuscle }[];
  aim: SetAim | null;
}) {
  const all = [...done.map((w) => w.sets), ...loads.map((w) => w.load.sets)];
  const rows = MUSCLES.filter((m) => aim?.aimed.includes(m) || all.some((w) => (w[m] ?? 0) > 0));
  const each = W / Math.max(1, all.length);
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
            const values = all.map((w) => w[m] ?? 0);
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
                    aria-label={loads
                      .map(
                        (w, i) =>
                          `week ${i + 1}: ${round(w.load.sets[m] ?? 0)}${isOver(w, m) ? `, more than the ${round(w.most[m] ?? 0)} that the weeks before allow` : ""}`,
                      )
                      .join("; ")}
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
                        className={
                          i < done.length
                            ? "fill-primary opacity-40"
                            : isOver(loads[i - done.length], m)
                              ? "fill-mark"
                              : "fill-primary"
                        }
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

/** More than the weeks before allow. */
const isOver = (w: { load: WeekLoad; most: ByMuscle } | undefined, m: Muscle): boolean =>
  w !== undefined && overSets(w.load.sets, w.most).includes(m);
