"use client";
import { changeAgainstError } from "@/core/strength/measurementError";
import { MOVEMENTS } from "@/core/strength/movements";
import { isSameAngle } from "@/core/strength/sameAngle";
import type { Side } from "@/core/units/fields";
import type { StoredTest } from "@/server/measure/measurements";
import { relativeDay, shortDay } from "@/ui/dates";
import { VERDICTS } from "@/words/en/strength";
import { TakeBack } from "../TakeBack";

/** The worst joint pain in its pushes; null: nobody asked. */
const painOf = (t: StoredTest): number | null => {
  const asked = t.trials.flatMap((r) => r.pain ?? []);
  return asked.length > 0 ? Math.max(...asked) : null;
};

/** Tests on record, newest first, with the change against measurement error, traces to save, and a way to take one back. */
export function EarlierTests({
  clientId,
  tests,
  ownSide,
  today,
  locale,
  mayVoid,
}: {
  clientId: string;
  tests: StoredTest[];
  ownSide: Side;
  today: string;
  locale: string;
  mayVoid: boolean;
}) {
  const newest = tests[0];
  return (
    <section>
      <h2 className="text-[17px]">
        Tests on record{" "}
        {newest && (
          <span className="quiet text-[15px] font-normal">newest {relativeDay(newest.takenOn, today)}</span>
        )}
      </h2>
      {tests.length === 0 && (
        <p className="mt-1">None yet. Record two or three pushes at 60°; more angles make the curve surer.</p>
      )}
      <table className="mt-2 w-full text-left">
        <tbody>
          {tests.slice(0, 12).map((t) => {
            const before = tests.find(
              (b) =>
                b.takenOn < t.takenOn &&
                b.movement === t.movement &&
                b.side === t.side &&
                isSameAngle(b.kneeFlexionDeg, t.kneeFlexionDeg),
            );
            const change = before ? changeAgainstError(before.torqueNm, t.torqueNm) : null;
            return (
              <tr key={t.id} className="border-t border-rule align-top">
                <td className="py-1.5">
                  <b>{t.kneeFlexionDeg}°</b> {t.side}
                  {t.movement !== "knee_extension" && (
                    <span className="small block">{MOVEMENTS[t.movement].name}</span>
                  )}
                  {t.side !== ownSide && <span className="small quiet block">other leg</span>}
                </td>
                <td className="py-1.5 text-right">
                  <b>{t.torqueNm.toFixed(0)}</b> <span className="small">N·m</span>
                  {change && (
                    <span className="small quiet block">
                      {change.pct > 0 ? "+" : ""}
                      {change.pct.toFixed(0)} %, {VERDICTS[change.verdict]}
                    </span>
                  )}
                </td>
                <td className="small quiet py-1.5 pl-3">
                  {shortDay(t.takenOn, locale)}
                  {painOf(t) !== null && <span className="block">joint pain {painOf(t)} in it</span>}
                  {!t.isReliable && <span className="block text-accent">unreliable</span>}
                  <span className="block">
                    {t.trials
                      .filter((r) => r.hasTrace)
                      .map((r) => (
                        <a
                          key={r.id}
                          className="mr-1 underline"
                          href={`/api/clients/${clientId}/trials/${r.id}/trace`}
                          aria-label={`Save trace of trial ${r.no}`}
                        >
                          {r.no}
                        </a>
                      ))}
                    {t.trials.some((r) => r.hasTrace) && "csv"}
                  </span>
                </td>
                <td className="py-1.5 text-right">
                  {mayVoid && (
                    <TakeBack
                      path={`/api/clients/${clientId}/tests/${t.id}/void`}
                      what={`test at ${t.kneeFlexionDeg}°, ${t.side}`}
                    />
                  )}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </section>
  );
}
