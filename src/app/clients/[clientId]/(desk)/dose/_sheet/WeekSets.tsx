import { type ByMuscle, balanceOf, MUSCLES } from "@/core/schedule/balance";
import { bandOf, type SetBand } from "@/core/sheet/effect/setBand";
import type { SetAim, WeekAround } from "@/server/week/weekSets";
import { Term } from "@/ui/help/Term";
import { MUSCLE_WORDS, STAGE_WORDS } from "@/words/en/plan/muscles";

const [W, H] = [100, 12];
const round = (n: number): number => Math.round(n * 2) / 2;

/** Effective sets of a week by muscle, this sheet on its days and the others on theirs, over the band of the phase. */
export function WeekSets({
  byMuscle,
  aim,
  around,
}: {
  /** of one run of this sheet */
  byMuscle: ByMuscle;
  aim: SetAim | null;
  around: WeekAround;
}) {
  const rows = MUSCLES.map((muscle) => {
    const own = (byMuscle[muscle] ?? 0) * around.times;
    const others = around.others[muscle] ?? 0;
    const band = aim && bandOf(aim.stage, muscle, aim.aimed);
    return { muscle, own, others, all: own + others, band, isAimed: aim?.aimed.includes(muscle) ?? false };
  }).filter((r) => r.isAimed || r.all > 0);
  const { hamsPerQuads } = balanceOf(Object.fromEntries(rows.map((r) => [r.muscle, r.all])));
  const most = Math.max(1, ...rows.flatMap((r) => [r.all, r.isAimed ? (r.band?.to ?? 0) : 0]));
  const x = (n: number) => (W * n) / most;
  return (
    <>
      <h2 className="text-[16px]">
        <Term id="effective">Effective sets</Term> a week
      </h2>
      <table className="w-full">
        <caption className="quiet text-left">
          {around.times} × this sheet
          {Object.keys(around.others).length > 0 && ", the others on their days (light)"}
          {aim && `; shaded: the band for ${STAGE_WORDS[aim.stage]}`}
        </caption>
        <tbody>
          {rows.map((r) => (
            <tr key={r.muscle}>
              <th scope="row" className={`w-[112px] text-left ${r.isAimed ? "" : "font-normal"}`}>
                {MUSCLE_WORDS[r.muscle]}
              </th>
              <td>
                <svg
                  aria-hidden="true"
                  viewBox={`0 0 ${W} ${H}`}
                  preserveAspectRatio="none"
                  className="h-[14px] w-full"
                >
                  {r.band && (
                    <rect
                      x={x(r.band.from)}
                      width={Math.max(0, Math.min(W, x(r.band.to)) - x(r.band.from))}
                      height={H}
                      className="fill-mark opacity-30"
                    />
                  )}
                  <rect y={3} width={x(r.own)} height={6} className="fill-primary" />
                  <rect
                    x={x(r.own)}
                    y={3}
                    width={x(r.others)}
                    height={6}
                    className="fill-primary opacity-40"
                  />
                </svg>
              </td>
              <td className="w-[92px] whitespace-nowrap pl-2 text-right">
                <b>{round(r.all)}</b> <span className="quiet">{r.band && `of ${bandWords(r.band)}`}</span>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {hamsPerQuads !== null && <p className="quiet">back to front of the thigh {hamsPerQuads.toFixed(1)}</p>}
    </>
  );
}

const bandWords = (b: SetBand): string => `${b.from}–${b.to}`;
