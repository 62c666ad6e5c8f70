"use client";
import { area, line as path, scaleLinear } from "d3";
import { useRouter } from "next/navigation";
import { useState } from "react";
import type { StationLearnt, VisitOnStation } from "@/core/capacity/learn";
import { LOW_END_Z, type Shown } from "@/core/capacity/shows";
import { onceKg } from "@/core/capacity/station";
import { nextLine } from "@/core/decision/nextLine";
import type { Irritability, School } from "@/core/progression/painRule";
import type { JudgedLine, ScoreContext } from "@/core/sheet/judge/judgeScore";
import { stationOfLine } from "@/core/sheet/judge/stationOfLine";
import { type KeptStation, keptStationId } from "@/core/sheet/line/keptLine";
import { repsLadder } from "@/core/sheet/line/repsLadder";
import { formatMass, lbFromKg, type MassUnit } from "@/core/units/mass";
import { shortDay } from "@/ui/dates";
import { Problem } from "@/ui/form/Problem";
import { RAIL } from "@/ui/rail/scale";
import { useSendOnce } from "@/ui/useSendOnce";
import { changesWords } from "@/words/en/changes";

const H = 190;
const [TOP, BOTTOM] = [14, 148];
const MARK = 11;
const SHOWN = 8;

/** What was learnt of the station that a line stands on; null where nothing is learnt there, or nothing was done yet. */
function learntOf(station: KeptStation, judged: JudgedLine, { sheet }: ScoreContext): StationLearnt | null {
  const id = keptStationId(judged.machineId, station);
  const known = station.direction ? sheet.strength[station.direction].stations : sheet.strength.quiet;
  return known[id] ?? null;
}

interface Point {
  visit: VisitOnStation;
  mean: number | null;
  low: number | null;
  high: number | null;
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
  const learnt = learntOf(station, judged, context);
  const once = (s: Shown, z: number) => onceKg(station, Math.exp(s.mean + z * s.sd));
  const points = (learnt?.course ?? []).slice(-SHOWN).map(
    (visit): Point => ({
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
        <Course
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

function setWords(s: VisitOnStation["sets"][number], mass: (kg: number) => string): string {
  const end =
    s.ended === "muscle"
      ? ", the muscle gave out"
      : s.ended === "other"
        ? ", ended early"
        : s.reserve === null
          ? ""
          : `, ${s.reserve} left`;
  return `${mass(s.loadKg)} × ${s.reps}${end}`;
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

function Course({
  points,
  planned,
  isHelp,
  locale,
  massUnit,
}: {
  points: readonly Point[];
  planned: { kg: number; reps: number };
  isHelp: boolean;
  locale: string;
  massUnit: MassUnit;
}) {
  const shown = (kg: number) => (massUnit === "kg" ? kg : lbFromKg(kg));
  const values = points.flatMap((p) => [
    ...p.visit.sets.map((s) => s.loadKg),
    ...(p.high === null ? [] : [p.high]),
  ]);
  const y = scaleLinear([0, shown(Math.max(planned.kg, ...values)) * 1.05], [BOTTOM, TOP]).nice(4);
  const yOf = (kg: number) => y(shown(kg));
  const each = (RAIL.right - RAIL.left - 60) / Math.max(1, points.length);
  const xOf = (i: number) => RAIL.left + 24 + i * each;
  const known = points.flatMap((p, i) =>
    p.mean === null || p.low === null || p.high === null
      ? []
      : [{ x: xOf(i), mean: p.mean, low: p.low, high: p.high }],
  );
  const band = area<(typeof known)[number]>()
    .x((p) => p.x)
    .y0((p) => yOf(p.low))
    .y1((p) => yOf(p.high));
  const middle = path<(typeof known)[number]>()
    .x((p) => p.x)
    .y((p) => yOf(p.mean));
  const last = known.at(-1);
  const words = points.map(
    (p) =>
      `${shortDay(p.visit.on, locale)}: ${p.visit.sets.map((s) => setWords(s, (kg) => formatMass(kg, massUnit))).join(", ")}`,
  );
  const nextX = xOf(points.length);
  return (
    <svg
      viewBox={`0 0 ${RAIL.width} ${H}`}
      className="w-full"
      role="img"
      aria-label={`${words.join("; ")}; next ${formatMass(planned.kg, massUnit)} × ${planned.reps}`}
    >
      <text x={0} y={TOP + 12} fontSize={13} fontWeight={650} className="fill-current">
        Set and done
      </text>
      <text x={0} y={TOP + 28} fontSize={12} className="fill-quiet">
        {isHelp ? "help, repetitions" : "squares, repetitions"}
      </text>
      {known.length > 0 && (
        <>
          <text x={0} y={TOP + 52} fontSize={13} fontWeight={650} className="fill-current">
            Could lift once
          </text>
          <text x={0} y={TOP + 68} fontSize={12} className="fill-quiet">
            line, eight in ten
          </text>
        </>
      )}
      {y.ticks(4).map((t) => (
        <g key={t}>
          <line x1={RAIL.left} x2={RAIL.right} y1={y(t)} y2={y(t)} className="stroke-rule" />
          <text x={RAIL.right + 6} y={y(t) + 4} fontSize={12} className="fill-quiet">
            {t} {massUnit}
          </text>
        </g>
      ))}
      {known.length > 1 && (
        <>
          <path d={band(known) ?? ""} className="fill-primary opacity-20" />
          <path d={middle(known) ?? ""} fill="none" strokeWidth={2} className="stroke-primary" />
        </>
      )}
      {known.length === 1 && last && (
        <>
          <line
            x1={last.x}
            x2={last.x}
            y1={yOf(last.low)}
            y2={yOf(last.high)}
            strokeWidth={9}
            className="stroke-primary opacity-20"
          />
          <circle cx={last.x} cy={yOf(last.mean)} r={3.5} className="fill-primary" />
        </>
      )}
      {points.map((p, i) => (
        <g key={`${p.visit.id} ${p.visit.on}`}>
          {marksOf(p.visit).map((s, k, all) => {
            const x = xOf(i) + (all.length > 1 ? (k === 0 ? -8 : 8) : 0);
            return (
              <g key={`${s.loadKg}`}>
                <rect
                  x={x - MARK / 2}
                  y={yOf(s.loadKg) - MARK / 2}
                  width={MARK}
                  height={MARK}
                  strokeWidth={2}
                  className={`fill-base-100 ${p.visit.odd ? "stroke-accent" : "stroke-base-content"}`}
                  strokeDasharray={p.visit.odd ? "2 2" : undefined}
                />
                <text x={x} y={yOf(s.loadKg) + 20} textAnchor="middle" fontSize={11.5} className="fill-quiet">
                  {s.reps}
                </text>
              </g>
            );
          })}
          <text x={xOf(i)} y={H - 22} textAnchor="middle" fontSize={12} className="fill-quiet">
            {shortDay(p.visit.on, locale)}
          </text>
        </g>
      ))}
      <rect
        x={nextX - MARK / 2 - 1}
        y={yOf(planned.kg) - MARK / 2 - 1}
        width={MARK + 2}
        height={MARK + 2}
        strokeWidth={2}
        strokeDasharray="3 2"
        className="fill-none stroke-accent"
      />
      <text
        x={nextX}
        y={yOf(planned.kg) - 12}
        textAnchor="middle"
        fontSize={12.5}
        fontWeight={650}
        className="fill-accent"
      >
        {formatMass(planned.kg, massUnit)} × {planned.reps}
      </text>
      <text x={nextX} y={H - 22} textAnchor="middle" fontSize={12} className="fill-accent">
        next
      </text>
    </svg>
  );
}

/** The first load of a visit and the last, where it was changed. */
function marksOf({ sets }: VisitOnStation): VisitOnStation["sets"][number][] {
  const [first, last] = [sets[0], sets.at(-1)];
  return [...(first ? [first] : []), ...(last && last.loadKg !== first?.loadKg ? [last] : [])];
}
