"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { plainMeasurement } from "@/core/measure/measurementInput";
import { painfulArcsNow } from "@/core/measure/painfulArcs";
import { PAINFUL_ARC_DAYS, type PainfulMove, painfulMove } from "@/core/strength/painfulArc";
import type { Side } from "@/core/units/fields";
import { kgFromLb, type MassUnit } from "@/core/units/mass";
import { readNumber } from "@/core/units/readNumber";
import type { ClientEpisode } from "@/server/client/clients";
import type { StoredMeasurement } from "@/server/measure/otherMeasurements";
import { Choice } from "@/ui/form/Choice";
import { Field } from "@/ui/form/Field";
import { Pick } from "@/ui/form/Pick";
import { Problem } from "@/ui/form/Problem";
import { problemsByField } from "@/ui/form/problemsByField";
import { KeysHelp } from "@/ui/keys/KeysHelp";
import { PainfulBand } from "@/ui/rail/PainfulBand";
import { RowLabel } from "@/ui/rail/RowLabel";
import { Ruler } from "@/ui/rail/Ruler";
import { RAIL } from "@/ui/rail/scale";
import { useSendOnce } from "@/ui/useSendOnce";
import { MOVE_SHORT, MOVE_WORDS, painfulShort } from "@/words/en/plan/painfulArc";
import { MeasurementHistory } from "./MeasurementHistory";

const ROW = { top: 40, height: 40 } as const;

/** From where to where it hurts, by the way the knee is moved: windows of lines are then laid around it. Rule K27. */
export function PainfulArcs({
  client,
  measurements,
  today,
  locale,
  mayRecord,
  massUnit,
}: {
  client: ClientEpisode;
  measurements: StoredMeasurement[];
  today: string;
  locale: string;
  mayRecord: boolean;
  massUnit: MassUnit;
}) {
  const router = useRouter();
  const sendOnce = useSendOnce();
  const [moved, setMoved] = useState<PainfulMove>("extension");
  const [side, setSide] = useState<Side>(client.side);
  const [typed, setTyped] = useState({ from: "", to: "", load: "", pain: "" });
  const [problems, setProblems] = useState<Record<string, string>>({});
  const [saved, setSaved] = useState(false);
  const now = painfulArcsNow(measurements, client.side, today);
  const type = (part: Partial<typeof typed>) => {
    setSaved(false);
    setTyped((all) => ({ ...all, ...part }));
  };
  const numberOf = (text: string): number | null => (text.trim() === "" ? null : readNumber(text));
  const isNone = typed.pain.trim() === "0";
  const save = async () => {
    const load = numberOf(typed.load);
    const sent = await sendOnce(`/api/clients/${client.clientId}/measurements`, (id) => ({
      ...plainMeasurement(id, "painful_arc", side, readNumber(typed.pain)),
      moved,
      fromDeg: isNone ? null : numberOf(typed.from),
      toDeg: isNone ? null : numberOf(typed.to),
      loadKg: load === null || massUnit === "kg" ? load : kgFromLb(load),
    }));
    setProblems(sent.ok ? {} : problemsByField(sent.problems));
    setSaved(sent.ok);
    if (!sent.ok) return;
    setTyped({ from: "", to: "", load: "", pain: "" });
    router.refresh();
  };
  return (
    <>
      <h1 className="text-[19px]">
        Where in its way does it hurt?{" "}
        <span className="quiet text-[15px] font-normal">
          slowly, with as little load as brings it on; 0° is straight
        </span>
      </h1>
      <svg
        viewBox={`0 0 ${RAIL.width} ${ROW.top + painfulMove.options.length * ROW.height}`}
        className="mt-1 w-full"
      >
        <title>{`Where the ${client.side} knee hurts, newest of the last ${PAINFUL_ARC_DAYS} days`}</title>
        <Ruler />
        {painfulMove.options.map((m, i) => {
          const found = now.find((a) => a.moved === m);
          const y = ROW.top + i * ROW.height;
          return (
            <g key={m}>
              <RowLabel
                y={y + 16}
                name={MOVE_SHORT[m]}
                detail={found ? painfulShort(found) : "nothing known to hurt"}
              />
              <line
                x1={RAIL.left}
                x2={RAIL.right}
                y1={y + ROW.height - 6}
                y2={y + ROW.height - 6}
                className="stroke-rule"
              />
              {found && <PainfulBand {...found} y={y} height={ROW.height - 6} words={painfulShort(found)} />}
            </g>
          );
        })}
      </svg>
      {mayRecord && (
        <form
          className="mt-3 grid max-w-[560px] grid-cols-1 gap-x-8 gap-y-2 sm:grid-cols-2"
          onSubmit={(e) => {
            e.preventDefault();
            save();
          }}
        >
          <Pick
            label="how it is moved"
            name="moved"
            options={painfulMove.options.map((m): [string, string] => [m, MOVE_WORDS[m]])}
            value={moved}
            onChange={(e) => setMoved(e.target.value as PainfulMove)}
          />
          <Choice
            legend="leg"
            name="side"
            options={[
              ["left", "left"],
              ["right", "right"],
            ]}
            value={side}
            onChange={setSide}
          />
          <Field
            label="pain in it"
            name="pain"
            unit="of 10"
            inputMode="numeric"
            value={typed.pain}
            onChange={(e) => type({ pain: e.target.value })}
            problem={problems.value}
            hint="0: looked for, none found"
            isNeeded
          />
          <Field
            label="added load"
            name="loadKg"
            unit={massUnit}
            inputMode="decimal"
            value={typed.load}
            onChange={(e) => type({ load: e.target.value })}
            problem={problems.loadKg}
            hint="empty: nothing added"
          />
          <Field
            label="hurts from"
            name="fromDeg"
            unit="° bent"
            inputMode="numeric"
            disabled={isNone}
            value={typed.from}
            onChange={(e) => type({ from: e.target.value })}
            problem={problems.fromDeg}
          />
          <Field
            label="hurts until"
            name="toDeg"
            unit="° bent"
            inputMode="numeric"
            disabled={isNone}
            value={typed.to}
            onChange={(e) => type({ to: e.target.value })}
            problem={problems.toDeg}
          />
          <Problem sentence={problems.form ?? problems.moved ?? problems.side ?? null} />
          <p className="flex items-center gap-3 sm:col-span-2">
            <button type="submit" className="btn btn-primary btn-sm">
              Save <kbd>S</kbd>
            </button>
            <span className="small quiet" aria-live="polite">
              {saved && "Saved: Choose and Dose show it, and drafts go around it."}
            </span>
          </p>
        </form>
      )}
      <MeasurementHistory
        client={client}
        kinds={["painful_arc"]}
        measurements={measurements}
        locale={locale}
        mayVoid={mayRecord}
        today={today}
      />
      {mayRecord && <KeysHelp deeds={[{ key: "s", words: "save this arc", run: save }]} />}
    </>
  );
}
