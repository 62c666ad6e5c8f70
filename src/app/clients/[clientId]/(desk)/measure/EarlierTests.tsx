"use client";
import { useRouter } from "next/navigation";
import { useRef, useState } from "react";
import { changeAgainstError } from "@/core/strength/measurementError";
import { isSameAngle } from "@/core/strength/sameAngle";
import type { Side } from "@/core/units/fields";
import type { StoredTest } from "@/server/measurements";
import { relativeDay, shortDay } from "@/ui/dates";
import { Problem } from "@/ui/form/Problem";
import { send } from "@/ui/send";

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
          {tests.slice(0, 8).map((t) => {
            const before = tests.find(
              (b) =>
                b.takenOn < t.takenOn && b.side === t.side && isSameAngle(b.kneeFlexionDeg, t.kneeFlexionDeg),
            );
            const change = before ? changeAgainstError(before.torqueNm, t.torqueNm) : null;
            return (
              <tr key={t.id} className="border-t border-rule align-top">
                <td className="py-1.5">
                  <b>{t.kneeFlexionDeg}°</b> {t.side}
                  {t.side !== ownSide && <span className="small quiet block">other leg</span>}
                </td>
                <td className="py-1.5 text-right">
                  <b>{t.torqueNm.toFixed(0)}</b> <span className="small">N·m</span>
                  {change && (
                    <span className="small quiet block">
                      {change.pct > 0 ? "+" : ""}
                      {change.pct.toFixed(0)} %, {change.verdict}
                    </span>
                  )}
                </td>
                <td className="small quiet py-1.5 pl-3">
                  {shortDay(t.takenOn, locale)}
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
                <td className="py-1.5 text-right">{mayVoid && <VoidTest clientId={clientId} test={t} />}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </section>
  );
}

function VoidTest({ clientId, test }: { clientId: string; test: StoredTest }) {
  const router = useRouter();
  const dialog = useRef<HTMLDialogElement>(null);
  const [reason, setReason] = useState("");
  const [problem, setProblem] = useState<string | null>(null);
  const takeBack = async () => {
    const sent = await send(`/api/clients/${clientId}/tests/${test.id}/void`, { reason });
    if (!sent.ok) return setProblem(sent.problems[0]?.sentence ?? null);
    dialog.current?.close();
    router.refresh();
  };
  const name = `test at ${test.kneeFlexionDeg}°, ${test.side}`;
  return (
    <>
      <button
        type="button"
        className="small cursor-pointer underline"
        aria-label={`Take back ${name}`}
        onClick={() => dialog.current?.showModal()}
      >
        take back
      </button>
      <dialog ref={dialog} className="modal text-left" aria-label={`Take back the ${name}`}>
        <div className="modal-box border border-rule bg-base-100">
          <h3 className="text-lg">Take back the {name}?</h3>
          <p className="mt-1">It stays in the record with your reason; curve and doses no longer use it.</p>
          <label className="mt-3 grid gap-1">
            Reason
            <input
              className="input w-full border-rule"
              value={reason}
              onChange={(e) => setReason(e.target.value)}
            />
          </label>
          <Problem sentence={problem} />
          <div className="mt-4 flex gap-2">
            <button type="button" className="btn btn-primary" onClick={takeBack}>
              Take it back
            </button>
            <button type="button" className="btn" onClick={() => dialog.current?.close()}>
              Keep it
            </button>
          </div>
        </div>
      </dialog>
    </>
  );
}
