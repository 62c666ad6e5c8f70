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
import { readNumber } from "@/core/units/readNumber";
import type { ClientEpisode } from "@/server/client/clients";
import type { StoredMeasurement } from "@/server/measure/otherMeasurements";
import { Choice } from "@/ui/form/Choice";
import { Field } from "@/ui/form/Field";
import { Problem } from "@/ui/form/Problem";
import { problemsByField } from "@/ui/form/problemsByField";
import { KeysHelp } from "@/ui/keys/KeysHelp";
import { useAngleSensor } from "@/ui/useAngleSensor";
import { useSendOnce } from "@/ui/useSendOnce";
import { MeasurementHistory } from "./MeasurementHistory";
import { MotionRail } from "./MotionRail";
import { ValueCell } from "./ValueCell";

/** What is entered in a table; the others have forms of their own. */
type TableGroup = Exclude<MeasurementGroup, "repetitions" | "painful_arc">;

const HEADS: Record<TableGroup, [string, string]> = {
  motion: ["How far does it move?", "goniometer or angle sensor; 0° is straight"],
  swelling: ["How swollen, how thick?", "both sides, to compare"],
  function: ["What can it do?", "counted and timed"],
};

type Cell = `${MeasurementKind}-${Side | "both"}`;

/** All kinds of a group in one table: what was last, what is now, both sides; one save for all that was typed. */
export function MeasurementTable({
  client,
  group,
  measurements,
  today,
  locale,
  mayRecord,
}: {
  client: ClientEpisode;
  group: TableGroup;
  measurements: StoredMeasurement[];
  today: string;
  locale: string;
  mayRecord: boolean;
}) {
  const router = useRouter();
  const sendOnce = useSendOnce();
  const [typed, setTyped] = useState<Partial<Record<Cell, string>>>({});
  const [fromSensor, setFromSensor] = useState<Partial<Record<Cell, boolean>>>({});
  const [way, setWay] = useState<"passive" | "active">("passive");
  const [chairCm, setChairCm] = useState("43");
  const [armsUsed, setArmsUsed] = useState(false);
  const [problems, setProblems] = useState<Record<string, string>>({});
  const [saved, setSaved] = useState<string | null>(null);
  const sensor = useAngleSensor();
  const kinds = MEASUREMENT_KIND_IDS.filter((k) => measurementKind(k).group === group);
  const filled = Object.entries(typed).filter(([, text]) => text.trim() !== "");
  const isMotion = group === "motion";

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
      const isChair = kind === "sit_to_stand_30s";
      const sent = await sendOnce(
        `/api/clients/${client.clientId}/measurements`,
        (id) => ({
          id,
          kind,
          side: side === "both" ? null : side,
          value: readNumber(text),
          way: measurementKind(kind).isAngle ? way : null,
          source: fromSensor[cell as Cell] ? "angle_sensor" : "typed",
          apparatus: null,
          reps: null,
          reserve: null,
          twoLegs: null,
          chairM: isChair ? readNumber(chairCm) / 100 : null,
          armsUsed: isChair ? armsUsed : null,
        }),
        undefined,
        cell,
      );
      if (sent.ok) {
        done += 1;
        setTyped((all) => ({ ...all, [cell]: "" }));
      } else {
        const found = problemsByField(sent.problems);
        wrong[cell] = found.value ?? found.chairM ?? found.side ?? found.way ?? found.form ?? "Not saved.";
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
            {(["left", "right"] as const).map((s) => (
              <th key={s} className="py-1 pl-3 font-normal">
                {s}
                {s === client.side && ", involved"}
              </th>
            ))}
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
                    {kind === "sit_to_stand_30s" && mayRecord && (
                      <div className="mt-1 flex items-center gap-5">
                        <Field
                          label="chair"
                          name="chairM"
                          unit="cm high"
                          inputMode="decimal"
                          className="!w-16"
                          value={chairCm}
                          onChange={(e) => setChairCm(e.target.value)}
                        />
                        <label className="flex items-center gap-2">
                          <input
                            type="checkbox"
                            className="checkbox checkbox-primary checkbox-sm"
                            checked={armsUsed}
                            onChange={(e) => setArmsUsed(e.target.checked)}
                          />
                          arms were used
                        </label>
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
        locale={locale}
        mayVoid={mayRecord}
        today={today}
      />
    </>
  );
}
