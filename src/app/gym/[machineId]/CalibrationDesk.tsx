"use client";
import { useRouter } from "next/navigation";
import { useMemo, useState } from "react";
import { type Calibration, type CalibrationReading, calibrate } from "@/core/equipment/calibrate";
import type { Machine } from "@/core/equipment/machine";
import { CURVE_ARCS, camFactor } from "@/core/mechanics/camCurve";
import { InputError } from "@/core/units/inputError";
import { kgWords } from "@/core/units/mass";
import { readNumber } from "@/core/units/readNumber";
import type { StoredCalibration } from "@/server/clinic/calibrations";
import { Problem } from "@/ui/form/Problem";
import { Term } from "@/ui/help/Term";
import { Said } from "@/ui/reader";
import { useLoadCell } from "@/ui/useLoadCell";
import { useSendOnce } from "@/ui/useSendOnce";
import { sayPlainly } from "@/words/say";
import { CalibrationChart } from "./CalibrationChart";

interface Row {
  key: string;
  deg: string;
  kg: string;
  newtons: string;
}

const LEVER_CM = "35";
/** On a rail force and load compare directly: an arm of one metre, at one place. */
const RAIL_ARM_CM = "100";
const RAIL_DEG = 60;
/** Angles and pins that tell ratio, start load and curve apart in eight readings. */
const SUGGESTED = [10, 35, 60, 90];

/** The load cell between lever and a fixed point, at several angles and pins: what the machine really does. */
export function CalibrationDesk({
  machineId,
  machine,
  isLever,
  calibrations,
  mayWrite,
  locale,
}: {
  machineId: string;
  machine: Machine;
  /** a lever with a curve; otherwise a stack on a rail, where the cell reads the plate's force */
  isLever: boolean;
  calibrations: StoredCalibration[];
  mayWrite: boolean;
  locale: string;
}) {
  const router = useRouter();
  const sendOnce = useSendOnce();
  const cell = useLoadCell();
  const [leverCm, setLever] = useState(isLever ? LEVER_CM : RAIL_ARM_CM);
  const [rows, setRows] = useState<Row[]>(() =>
    (isLever ? SUGGESTED : [RAIL_DEG]).flatMap((deg) =>
      pins(machine, isLever).map((kg) => ({
        key: `${deg} ${kg}`,
        deg: String(deg),
        kg: String(kg),
        newtons: "",
      })),
    ),
  );
  const [reading, setReading] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const readings = useMemo(() => readingsOf(rows, leverCm), [rows, leverCm]);
  const fit = useMemo(() => fitOf(readings), [readings]);
  const newest = calibrations[0];
  const change = (key: string, part: Partial<Row>) =>
    setRows((all) => all.map((r) => (r.key === key ? { ...r, ...part } : r)));
  const takeReading = (r: Row) => {
    setReading(r.key);
    cell.start({ machine: machineId, angle: r.deg, load: r.kg, lever: Number(leverCm) / 100 }, (trace) => {
      const held = trace.forceN.slice(Math.floor(trace.forceN.length / 2));
      const mean = held.reduce((sum, n) => sum + n, 0) / Math.max(1, held.length);
      change(r.key, { newtons: mean.toFixed(1) });
      setReading(null);
    });
  };
  const save = async () => {
    const sent = await sendOnce(`/api/machines/${machineId}/calibrations`, (id) => ({
      id,
      baseVersion: newest?.version ?? 0,
      readings,
    }));
    if (!sent.ok) return setProblem(sent.problems[0]?.sentence ?? null);
    setProblem(null);
    router.refresh();
  };
  const day = new Intl.DateTimeFormat(locale, { day: "numeric", month: "short", year: "numeric" });
  return (
    <section className="mt-8 border-t-2 border-primary pt-3">
      <h2 className="text-[18px]">
        <Term id="calibration">Calibration</Term>
      </h2>
      <p className="quiet">
        {newest
          ? `Version ${newest.version} of ${day.format(newest.at)} by ${newest.by}: ratio ${ratioWords(newest.ratioM, isLever)}, ${isLever ? "lever" : "plate"} as heavy as ${kgWords(newest.startLoadKg, 1)} of stack, off by ${newest.worstPct.toFixed(0)} % at worst.`
          : "Never calibrated: ratio and curve are usual ones, and torques may be off by a tenth or more. Many stacks are not what is printed."}
      </p>
      <div className="mt-2 grid grid-cols-1 lg:grid-cols-[430px_minmax(0,1fr)] gap-8">
        <div>
          <label className={isLever ? "flex items-baseline gap-2" : "hidden"}>
            <span>cell from the machine's axis</span>
            <input
              className="input input-sm w-20 text-right font-bold"
              name="leverCm"
              inputMode="decimal"
              value={leverCm}
              onChange={(e) => setLever(e.target.value)}
            />
            cm
          </label>
          <table className="mt-2 w-full text-left">
            <thead>
              <tr className="small quiet">
                <th scope="col" className="font-normal">
                  knee at
                </th>
                <th scope="col" className="font-normal">
                  stack
                </th>
                <th scope="col" className="font-normal">
                  force
                </th>
                <th scope="col" className="font-normal">
                  fit is off by
                </th>
                <th scope="col">
                  <span className="sr-only">Read</span>
                </th>
              </tr>
            </thead>
            <tbody>
              {rows.map((r) => (
                <tr key={r.key} className="border-t border-rule">
                  <td>
                    <Cell
                      label={`angle of reading ${r.key}`}
                      value={r.deg}
                      unit="°"
                      onChange={(deg) => change(r.key, { deg })}
                    />
                  </td>
                  <td>
                    <Cell
                      label={`stack of reading ${r.key}`}
                      value={r.kg}
                      unit="kg"
                      onChange={(kg) => change(r.key, { kg })}
                    />
                  </td>
                  <td>
                    <Cell
                      label={`force of reading ${r.key}`}
                      value={r.newtons}
                      unit="N"
                      onChange={(newtons) => change(r.key, { newtons })}
                    />
                  </td>
                  <td className="small">{residualWords(fit, readings, r, leverCm, isLever ? "N·m" : "N")}</td>
                  <td className="text-right">
                    {mayWrite && (
                      <button
                        type="button"
                        className="small cursor-pointer underline disabled:opacity-50"
                        disabled={reading !== null}
                        aria-label={`Read the load cell at ${r.deg} degrees and ${r.kg} kilograms`}
                        onClick={() => takeReading(r)}
                      >
                        {reading === r.key ? "reading" : "read cell"}
                      </button>
                    )}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          {cell.lost && <Problem sentence="The load cell does not answer. Read again, or type the force." />}
        </div>
        <div>
          {typeof fit === "string" ? (
            <p>{fit}</p>
          ) : (
            <>
              <p className="display text-[22px]">
                {ratioWords(fit.ratioM, isLever)} <span className="text-[15px]">ratio</span>{" "}
                <span className="quiet font-sans text-[15px] font-normal">
                  {changeWords(fit.ratioM, isLever ? machine.geometry.ratioM : machine.geometry.ratio)}
                </span>
              </p>
              <p>
                {isLever ? "lever" : "plate"} as heavy as{" "}
                <b>
                  <Said>{kgWords(fit.startLoadKg, 1)}</Said>
                </b>{" "}
                of stack · readings off by{" "}
                <b>
                  {fit.rmsNm.toFixed(1)} {isLever ? "N·m" : "N"}
                </b>{" "}
                on average, {fit.worstPct.toFixed(0)} % at worst
                {fit.worstPct > 8 && (
                  <span className="text-accent"> · look for a slipped strap or a wrong pin</span>
                )}
              </p>
              {isLever && (
                <CalibrationChart
                  fitted={fit.cam}
                  saved={(deg) =>
                    camFactor(
                      machine.cam,
                      deg,
                      CURVE_ARCS[machine.family === "seated_knee_extension" ? "extension" : "curl"],
                    )
                  }
                />
              )}
              {mayWrite && (
                <p className="mt-2">
                  <button type="button" className="btn btn-primary btn-sm" onClick={save}>
                    Save as version {(newest?.version ?? 0) + 1}
                  </button>{" "}
                  <span className="small quiet">
                    Doses and rows use it from then on; earlier versions stay.
                  </span>
                </p>
              )}
            </>
          )}
          <Problem sentence={problem} />
          {calibrations.length > 0 && (
            <ul className="small mt-3">
              {calibrations.map((c) => (
                <li key={c.id} className="border-t border-rule py-0.5">
                  version {c.version}, {day.format(c.at)}, {c.by}: {ratioWords(c.ratioM, isLever)},{" "}
                  {c.readings.length} readings, off by {c.rmsNm.toFixed(1)} N·m
                </li>
              ))}
            </ul>
          )}
        </div>
      </div>
    </section>
  );
}

/** Pins far apart that such a stack has: two at each angle of a lever, four on a rail. */
function pins(machine: Machine, isLever: boolean): number[] {
  const { steps } = machine;
  if (steps.kind !== "stack") return isLever ? [10, 40] : [10, 40, 70, 100];
  const at = (pin: number) => steps.first + steps.step * Math.min(pin, steps.plates - 1);
  return isLever ? [at(1), at(7)] : [at(1), at(3), at(6), at(9)];
}

function readingsOf(rows: readonly Row[], leverCm: string): CalibrationReading[] {
  const leverM = readNumber(leverCm) / 100;
  return rows.flatMap((r) => {
    const [deg, kg, newtons] = [readNumber(r.deg), readNumber(r.kg), readNumber(r.newtons)];
    if (Number.isNaN(deg + kg + newtons)) return [];
    return [{ kneeFlexionDeg: deg, loadKg: kg, forceN: newtons, leverM }];
  });
}

function fitOf(readings: CalibrationReading[]): Calibration | string {
  if (readings.length < 4)
    return `${readings.length} of at least four readings. Two angles and two pins each tell ratio, curve and the lever's own weight apart.`;
  try {
    return calibrate(readings);
  } catch (error) {
    if (error instanceof InputError) return sayPlainly(error.problems[0]?.sentence ?? error.message);
    throw error;
  }
}

function residualWords(
  fit: Calibration | string,
  readings: readonly CalibrationReading[],
  r: Row,
  leverCm: string,
  unit: string,
): string {
  if (typeof fit === "string" || r.newtons === "") return "";
  const i = readings.findIndex(
    (x) =>
      x.kneeFlexionDeg === readNumber(r.deg) &&
      x.loadKg === readNumber(r.kg) &&
      x.forceN === readNumber(r.newtons),
  );
  const off = fit.residualsNm[i];
  if (off === undefined) return "";
  const torqueNm = (readings[i]?.forceN ?? 1) * (readNumber(leverCm) / 100);
  return `${signed(off, 1)} ${unit} (${signed((off / torqueNm) * 100, 0)} %)`;
}

/** With its sign, and none where it rounds to nothing. */
const signed = (x: number, digits: number): string =>
  x.toLocaleString("en", {
    minimumFractionDigits: digits,
    maximumFractionDigits: digits,
    signDisplay: "exceptZero",
  });

/** A lever's ratio is a length, a rail's is newtons for newtons. */
const ratioWords = (ratio: number, isLever: boolean): string =>
  isLever ? `${(ratio * 100).toFixed(1)} cm` : `${ratio.toFixed(2)} N per N of stack`;

function changeWords(ratioM: number, savedM: number | undefined): string {
  if (!savedM) return "";
  const pct = (ratioM / savedM - 1) * 100;
  return Math.abs(pct) < 1
    ? "as saved"
    : `${Math.abs(pct).toFixed(0)} % ${pct > 0 ? "more" : "less"} than saved`;
}

function Cell({
  label,
  value,
  unit,
  onChange,
}: {
  label: string;
  value: string;
  unit: string;
  onChange: (text: string) => void;
}) {
  return (
    <label className="flex items-baseline gap-1">
      <span className="sr-only">{label}</span>
      <input
        className="w-14 border-b border-rule bg-transparent text-right font-bold"
        inputMode="decimal"
        value={value}
        onChange={(e) => onChange(e.target.value)}
      />
      <span className="small quiet">{unit}</span>
    </label>
  );
}
