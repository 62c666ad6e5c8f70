"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import {
  MEASUREMENT_KIND_IDS,
  type MeasurementGroup,
  type MeasurementKind,
  measurementKind,
} from "@/core/measure/measurementKinds";
import type { Side } from "@/core/units/fields";
import { kgFromLb } from "@/core/units/mass";
import { readNumber } from "@/core/units/readNumber";
import type { ClientEpisode } from "@/server/client/clients";
import type { StoredMeasurement } from "@/server/measure/otherMeasurements";
import { Choice } from "@/ui/form/Choice";
import { Problem } from "@/ui/form/Problem";
import { problemsByField } from "@/ui/form/problemsByField";
import { KeysHelp } from "@/ui/keys/KeysHelp";
import { useMassUnit } from "@/ui/reader";
import { useAngleSensor } from "@/ui/useAngleSensor";
import { useSendOnce } from "@/ui/useSendOnce";
import { BesideFields, besideSent, NOTHING_TYPED } from "./BesideFields";
import { MeasurementHistory } from "./MeasurementHistory";
import { MotionRail } from "./MotionRail";
import { ValueCell } from "./ValueCell";

/** What is entered in a table; the others have forms of their own. */
type TableGroup = Exclude<MeasurementGroup, "repetitions" | "painful_arc" | "free">;

const HEADS: Record<TableGroup, [string, string]> = {
  motion: ["How far does it move?", "goniometer or angle sensor; 0° is straight"],
  reach: ["How far does it reach?", "what seats, backs and heels are set by"],
  swelling: ["How swollen, how thick, how heavy?", "both sides, to compare"],
  function: ["What does the day ask?", "counted and timed"],
  counts: ["How often, how long, how far?", "both sides, to compare"],
};

type Cell = `${MeasurementKind}-${Side | "both"}`;

/** All kinds of a group in one table: what was last, what is now, both sides; one save for all that was typed. */
export function MeasurementTable({
  client,
  group,
  measurements,
  machines,
  today,
  locale,
  mayRecord,
}: {
  client: ClientEpisode;
  group: TableGroup;
  measurements: StoredMeasurement[];
  machines: readonly { id: string; name: string }[];
  today: string;
  locale: string;
  mayRecord: boolean;
}) {
  const router = useRouter();
  const sendOnce = useSendOnce();
  const massUnit = useMassUnit();
  const [typed, setTyped] = useState<Partial<Record<Cell, string>>>({});
  const [fromSensor, setFromSensor] = useState<Partial<Record<Cell, boolean>>>({});
  const [way, setWay] = useState<"passive" | "active">("passive");
  const [beside, setBeside] = useState(NOTHING_TYPED);
  const [problems, setProblems] = useState<Record<string, string>>({});
  const [saved, setSaved] = useState<string | null>(null);
  const sensor = useAngleSensor();
  const kinds = MEASUREMENT_KIND_IDS.filter((k) => measurementKind(k).group === group);
  const filled = Object.entries(typed).filter(([, text]) => text.trim() !== "");
  const isMotion = group === "motion";
  const bySide = kinds.some((k) => measurementKind(k).isSided);

  const type = (cell: Cell, text: string, isSensor = false) => {
    setSaved(null);
    setTyped((all) => ({ ...all, [cell]: text }));
    setFromSensor((all) => ({ ...all, [cell]: isSensor }));
  };
  const readSensor = (kind: MeasurementKind, side: Side) => {
    const cell: Cell = `${kind}-${side}`;
    setProblems({});
    sensor.read({ client: client.clientId, side, kind }, (deg, sentence) => {
      if (deg !== null) type(cell, deg.toFixed(0), true);
      else setProblems({ [cell]: sentence ?? "" });
    });
  };
  /** One after the other; what was saved leaves the table, what was refused stays with its sentence. */
  const save = async () => {
    if (filled.length === 0 || !mayRecord) return;
    const wrong: Record<string, string> = {};
    let done = 0;
    for (const [cell, text] of filled) {
      const [kind, side] = cell.split("-") as [MeasurementKind, Side | "both"];
      const sent = await sendOnce(
        `/api/clients/${client.clientId}/measurements`,
        (id) => ({
          id,
          kind,
          side: side === "both" ? null : side,
          value: kind === "body_mass" && massUnit === "lb" ? kgFromLb(readNumber(text)) : readNumber(text),
          way: measurementKind(kind).isAngle ? way : null,
          source: fromSensor[cell as Cell] ? "angle_sensor" : "typed",
          apparatus: null,
          reps: null,
          reserve: null,
          twoLegs: null,
          ...besideSent(measurementKind(kind).with, beside),
        }),
        undefined,
        cell,
      );
      if (sent.ok) {
        done += 1;
        setTyped((all) => ({ ...all, [cell]: "" }));
      } else {
        const found = problemsByField(sent.problems);
        wrong[cell] = found.value ?? Object.values(found)[0] ?? "Not saved.";
      }
    }
    setProblems(wrong);
    setSaved(done ? `${done} saved.` : null);
    router.refresh();
  };
  const [head, sub] = HEADS[group];
  return (
    <>
      <h1 className="text-[19px]">
        {head} <span className="quiet text-[15px] font-normal">{sub}</span>
      </h1>
      {isMotion && <MotionRail measurements={measurements} involved={client.side} />}
      {isMotion && mayRecord && (
        <div className="mt-2 flex items-center gap-8">
          <Choice
            legend="moved"
            name="way"
            options={[
              ["passive", "by the hand (passive)"],
              ["active", "by the client (active)"],
            ]}
            value={way}
            onChange={setWay}
          />
          <span className="small quiet" aria-live="polite">
            {sensor.isReading
              ? `simulated angle sensor: ${sensor.now?.toFixed(0) ?? "–"}°`
              : "simulated angle sensor"}
          </span>
        </div>
      )}
      <table className="mt-2 w-full text-left">
        <thead>
          <tr className="small quiet border-b border-rule">
            <th className="py-1 font-normal">what</th>
            {bySide ? (
              (["left", "right"] as const).map((s) => (
                <th key={s} className="w-[36%] py-1 pl-3 font-normal">
                  {s}
                  {s === client.side && ", involved"}
                </th>
              ))
            ) : (
              <th colSpan={2} className="py-1 pl-3 font-normal">
                today
              </th>
            )}
          </tr>
        </thead>
        <tbody>
          {kinds.map((kind) => {
            const spec = measurementKind(kind);
            const sides: (Side | "both")[] = spec.isSided ? ["left", "right"] : ["both"];
            return (
              <tr key={kind} className="border-b border-rule align-top">
                <td className="w-[230px] py-1.5 pr-3">
                  <b>{spec.name}</b>
                  <span className="small quiet block">{spec.how}</span>
                </td>
                {sides.map((side) => (
                  <td key={side} colSpan={side === "both" ? 2 : 1} className="py-1.5 pl-3">
                    <ValueCell
                      kind={kind}
                      side={side}
                      earlier={measurements.filter(
                        (m) => m.kind === kind && (side === "both" || m.side === side),
                      )}
                      value={typed[`${kind}-${side}`] ?? ""}
                      onType={(text) => type(`${kind}-${side}`, text)}
                      onSensor={
                        spec.isAngle && side !== "both" && !sensor.isReading
                          ? () => readSensor(kind, side)
                          : null
                      }
                      problem={problems[`${kind}-${side}`]}
                      today={today}
                      mayRecord={mayRecord}
                    />
                    {spec.with !== null && mayRecord && side === sides[0] && (
                      <div className="mt-1 flex items-center gap-5">
                        <BesideFields
                          of={spec.with}
                          machines={machines}
                          value={beside}
                          onChange={setBeside}
                        />
                      </div>
                    )}
                  </td>
                ))}
              </tr>
            );
          })}
        </tbody>
      </table>
      {mayRecord && (
        <div className="mt-3 flex items-center gap-4">
          <button
            type="button"
            className="btn btn-primary btn-sm"
            onClick={save}
            disabled={filled.length === 0}
          >
            Save what was measured <kbd>S</kbd>
          </button>
          <span className="small quiet" aria-live="polite">
            {saved}
          </span>
          <Problem sentence={problems.form ?? null} />
          <span className="ml-auto">
            <KeysHelp deeds={[{ key: "s", words: "save what was measured", run: save }]} />
          </span>
        </div>
      )}
      <MeasurementHistory
        client={client}
        kinds={kinds}
        measurements={measurements}
        machines={machines}
        locale={locale}
        mayVoid={mayRecord}
        today={today}
      />
    </>
  );
}
