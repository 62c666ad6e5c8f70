"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import type { StationLearnt, VisitOnStation } from "@/core/capacity/learn";
import { LOW_END_Z, type Shown } from "@/core/capacity/shows";
import { onceKg } from "@/core/capacity/station";
import { nextLine } from "@/core/decision/nextLine";
import type { Irritability, School } from "@/core/progression/painRule";
import { helped } from "@/core/sheet/judge/aidPlanned";
import type { JudgedLine, ScoreContext } from "@/core/sheet/judge/judgeScore";
import { stationOfLine } from "@/core/sheet/judge/stationOfLine";
import { type KeptStation, keptStationId } from "@/core/sheet/line/keptLine";
import { repsLadder } from "@/core/sheet/line/repsLadder";
import { formatMass, type MassUnit } from "@/core/units/mass";
import { shortDay } from "@/ui/dates";
import { Problem } from "@/ui/form/Problem";
import { useSendOnce } from "@/ui/useSendOnce";
import { changesWords } from "@/words/en/changes";
import { CoursePicture, type CoursePoint, setWords } from "./CoursePicture";

const SHOWN = 8;

/** What was learnt of the station that a line stands on; null where nothing is learnt there, or nothing was done yet. */
function learntOf(station: KeptStation, judged: JudgedLine, { sheet }: ScoreContext): StationLearnt | null {
  const id = keptStationId(judged.machineId, station);
  const known = station.direction ? sheet.strength[station.direction].stations : sheet.strength.quiet;
  return known[id] ?? null;
}

/** One line's way over the visits: what was set and done, what it could lift once by that, and what is next. */
export function LineCourse({
  judged,
  context,
  who,
  locale,
  massUnit,
  clientId,
}: {
  judged: JudgedLine;
  context: ScoreContext;
  who: { school: School; irritability: Irritability };
  locale: string;
  massUnit: MassUnit;
  /** null: who looks may not say that something odd was really so */
  clientId: string | null;
}) {
  const { line, load } = judged;
  const station = stationOfLine(judged, context);
  const setting = load?.setting ?? null;
  const { scheme } = line;
  if (!station || !setting || setting.loads.length === 0 || scheme.kind === "holds" || !("reps" in scheme))
    return null;
  const learnt = learntOf(station, judged, helped(context, line));
  const once = (s: Shown, z: number) => onceKg(station, Math.exp(s.mean + z * s.sd));
  const points = (learnt?.course ?? []).slice(-SHOWN).map(
    (visit): CoursePoint => ({
      visit,
      mean: once(visit.after, 0),
      low: once(visit.after, -LOW_END_Z),
      high: once(visit.after, LOW_END_Z),
    }),
  );
  const mass = (kg: number) => formatMass(kg, massUnit);
  const ladder = repsLadder(line);
  const reserve = "reserve" in scheme ? scheme.reserve : null;
  const top = ladder ? { ...line, scheme: { ...scheme, reps: Math.max(scheme.reps, ladder.most) } } : line;
  const then = nextLine(
    top as typeof line,
    "PROGRESS",
    { rules: ["P7"], change: {} },
    { ...who, context, usedKg: null, setKg: setting.load },
  );
  return (
    <section aria-label="The course of this line" className="mt-3">
      {points.length === 0 ? (
        <p className="quiet">
          Nothing was done {judged.machineId === null ? "so" : "on this machine"} with{" "}
          {station.legs === "two" ? "both legs" : "one leg"} yet: what is left after each set is asked on the
          floor, and the load follows it.
        </p>
      ) : (
        <CoursePicture
          points={points}
          planned={{ kg: setting.load, reps: scheme.reps }}
          isHelp={setting.isHelp}
          locale={locale}
          massUnit={massUnit}
        />
      )}
      <p className="small">
        <b>Then</b>,{" "}
        {ladder && scheme.reps < ladder.most
          ? `when all sets reach ${ladder.most}${reserve === null ? "" : ` with ${reserve} left`}: `
          : "when all sets are done as planned: "}
        {changesWords(then.changes)}
      </p>
      {points.length > 0 && (
        <details className="small mt-1">
          <summary className="cursor-pointer">
            learnt from {points.length} {points.length === 1 ? "visit" : "visits"} here
          </summary>
          <table className="mt-1 w-full max-w-[560px]">
            <tbody>
              {points.toReversed().map(({ visit }) => (
                <tr key={`${visit.id} ${visit.on}`} className="border-t border-rule align-top">
                  <td className="w-[70px] py-0.5">{shortDay(visit.on, locale)}</td>
                  <td className="py-0.5">{visit.sets.map((s) => setWords(s, mass)).join("; ")}</td>
                  <td className="w-[150px] py-0.5 text-right">
                    {movedWords(visit, once, mass)}
                    {visit.odd === "waits" && clientId && <WasSo clientId={clientId} visitId={visit.id} />}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </details>
      )}
    </section>
  );
}

/** One tap by somebody who knows: what was too odd to count was really so. Rule L7. */
function WasSo({ clientId, visitId }: { clientId: string; visitId: string }) {
  const router = useRouter();
  const sendOnce = useSendOnce();
  const [problem, setProblem] = useState<string | null>(null);
  const confirm = async () => {
    const sent = await sendOnce(
      `/api/clients/${clientId}/odd-sets`,
      (id) => ({ id, visitId }),
      "It counts from now on.",
    );
    if (!sent.ok) return setProblem(sent.problems[0]?.sentence ?? "Nothing was kept.");
    router.refresh();
  };
  return (
    <>
      <button
        type="button"
        className="block w-full cursor-pointer text-right font-bold underline"
        onClick={confirm}
      >
        it was really so
      </button>
      <Problem sentence={problem} />
    </>
  );
}

/** What a visit moved, in what could be lifted once. */
function movedWords(
  { before, after, odd }: VisitOnStation,
  once: (s: Shown, z: number) => number | null,
  mass: (kg: number) => string,
): string {
  if (odd === "waits") return "too far off: waits";
  const [from, to] = [once(before, 0), once(after, 0)];
  if (from === null || to === null)
    return `${signed(Math.round(100 * (Math.exp(after.mean - before.mean) - 1)))} %`;
  const by = to - from;
  return Math.abs(by) < 0.05 ? "nothing new" : `${by > 0 ? "+" : "−"}${mass(Math.abs(by))}`;
}
const signed = (n: number): string => `${n < 0 ? "−" : "+"}${Math.abs(n)}`;
