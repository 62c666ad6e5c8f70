"use client";
import Link from "next/link";
import type { Body } from "@/core/body/segments";
import { notchesOf, settingWords } from "@/core/equipment/machine";
import { atAngle } from "@/core/selection/compare";
import { exerciseUse } from "@/core/selection/exerciseUse";
import { machinesFor, realLoads } from "@/core/selection/machineFor";
import { quietNumbers } from "@/core/selection/quietNumbers";
import type { RangeRow } from "@/core/selection/rangeSheet";
import { type ComputedSetUp, directionOf } from "@/core/selection/row";
import type { ReferenceTask } from "@/core/selection/tissues";
import { tissuePhrase } from "@/core/selection/tissueWords";
import { type MassUnit, poundsBeside } from "@/core/units/mass";
import type { ChooseFacts } from "@/server/choose";
import { Pose } from "@/ui/pose/Pose";
import { Figure } from "@/ui/working/Figure";
import { hipMoment, kneecapLoad, kneeMoment, shareWords, shinPull } from "./figures";
import type { Choose } from "./useChoose";

/** The picked row: the pose, what is set, what it does at the angle looked at, why it stands where it stands. */
export function SetUpPane({
  clientId,
  choose,
  facts,
  chair,
  row,
  barred,
  massUnit,
  isCompared,
  cardVersion,
  mayWriteCard,
  onCompare,
  onFind,
  onCard,
}: {
  clientId: string;
  choose: Choose;
  facts: ChooseFacts;
  chair: ReferenceTask;
  row: RangeRow;
  /** what the turned settings bar, null when they fit */
  barred: string[] | null;
  massUnit: MassUnit;
  isCompared: boolean;
  cardVersion: number;
  mayWriteCard: boolean;
  onCompare: () => void;
  onFind: () => void;
  onCard: () => void;
}) {
  const setUp = row.computed;
  return (
    <section className="small">
      <h2 className="text-[18px]">
        {row.e.name}{" "}
        <span className="quiet font-sans text-[13px] font-normal">
          {setUp ? machineWords(setUp) : row.e.equipment}
        </span>
      </h2>
      {barred && (
        <p className="mt-1 text-accent" role="status">
          Set like this it is barred, because: {barred.join("; ")}. The picture shows the suggested settings;
          press <kbd>r</kbd> or turn a setting back.
        </p>
      )}
      {setUp ? (
        <Modelled {...{ choose, facts, chair, row, setUp, massUnit }} />
      ) : (
        <Quiet exerciseId={row.e.id} body={facts.body} />
      )}
      <div className="mt-2 flex flex-wrap gap-2">
        {setUp && mayWriteCard && (
          <button
            type="button"
            className="btn btn-primary btn-sm"
            onClick={onCard}
            disabled={barred !== null || setUp.tooHeavyBecause !== null}
          >
            {cardVersion ? "Change card" : "Save card"} <kbd className="text-primary-content">S</kbd>
          </button>
        )}
        {setUp && setUp.chosen.family.settings.length > 0 && (
          <button type="button" className="btn btn-line btn-sm" onClick={onFind}>
            Find set-up <kbd>F</kbd>
          </button>
        )}
        {setUp && (
          <button type="button" className="btn btn-line btn-sm" onClick={onCompare} aria-pressed={isCompared}>
            {isCompared ? "Compared" : "Compare"} <kbd>C</kbd>
          </button>
        )}
        <Link className="btn btn-line btn-sm" href={`/clients/${clientId}/swap?planned=${row.e.id}`}>
          Swap today
        </Link>
      </div>
      <p className="mt-2">
        <b>Where it stands.</b> {row.sentence}
      </p>
      <p className="mt-1">
        <b>
          May go from {Math.round(row.arc.fromDeg)}° to {Math.round(row.arc.toDeg)}°
        </b>
        {row.arc.cuts.length === 0
          ? ", its whole range."
          : `: ${row.arc.cuts.map((c) => `${c.end === "straight" ? "not straighter than" : "not deeper than"} ${Math.round(c.deg)}° because of ${c.because}`).join("; ")}.`}
      </p>
      {row.changes.length > 0 && (
        <p className="mt-1">
          <b>Set differently:</b> {row.changes.join("; ")}.
        </p>
      )}
      <p className="mt-1">
        <Link className="underline" href={`/library/${row.e.id}`}>
          cues, mistakes, easier and harder
        </Link>
        {cardVersion > 0 && (
          <>
            {" · "}
            <Link className="underline" href={`/clients/${clientId}/cards`}>
              set-up card, version {cardVersion}
            </Link>
          </>
        )}
      </p>
    </section>
  );
}

/** Work that leaves the knee quiet: the moments of its own joint where there is a model, and what is not known. */
function Quiet({ exerciseId, body }: { exerciseId: string; body: Body }) {
  const numbers = quietNumbers(exerciseId, body);
  return (
    <>
      <p className="mt-2">
        No load at the knee is computed for it, so it has no ridge and no pose. Limits and catalogue decide it
        all the same.
      </p>
      {numbers && (
        <>
          <p className="mt-2">
            <b>What it asks for</b>, {numbers.about}:
          </p>
          <table className="mt-1 w-full text-left">
            <thead>
              <tr className="quiet">
                <th scope="col" className="font-normal">
                  <span className="sr-only">where</span>
                </th>
                {numbers.columns.map((c) => (
                  <th key={c} scope="col" className="font-normal">
                    {c}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {numbers.rows.map((r) => (
                <tr key={r.where} className="border-t border-base-300">
                  <th scope="row" className="font-normal">
                    {r.where}
                  </th>
                  {r.values.map((v, i) => (
                    <td key={numbers.columns[i]}>
                      <b>{v}</b>
                    </td>
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
          <p className="quiet mt-1">
            Estimated, held still or moved slowly ({numbers.source}, unverified citation). It cannot tell how
            the trunk is held.
          </p>
        </>
      )}
    </>
  );
}

const machineWords = (s: ComputedSetUp): string =>
  s.chosen.id ? s.chosen.machine.name : `${s.chosen.machine.name}, a usual one`;

function Modelled({
  choose,
  facts,
  chair,
  row,
  setUp,
  massUnit,
}: {
  choose: Choose;
  facts: ChooseFacts;
  chair: ReferenceTask;
  row: RangeRow;
  setUp: ComputedSetUp;
  massUnit: MassUnit;
}) {
  const { state, setState } = choose;
  const here = atAngle(facts.body, setUp, chair, state.angle);
  const hip = here && hipMoment(setUp, here, facts.hipIsMeasured);
  return (
    <>
      <Pose
        body={facts.body}
        chosen={setUp.chosen}
        settings={setUp.settings}
        share={setUp.share}
        phase={setUp.phase}
        load={setUp.load}
        angle={state.angle}
        arc={setUp.arc}
        pelvicTuckDeg={here?.pelvicTuckDeg ?? 0}
        onSetting={choose.turn}
        onAngle={(angle) => setState({ angle })}
      />
      <MachineChoice choose={choose} facts={facts} row={row} setUp={setUp} />
      <Settings choose={choose} setUp={setUp} massUnit={massUnit} />
      {here ? (
        <div className="mt-2 grid grid-cols-2 gap-x-4 gap-y-1 border-t border-rule pt-2">
          <Figure
            label={`knee gives at ${here.deg}°`}
            computed={kneeMoment(setUp, here)}
            under={shareWords(facts, directionOf(row.e), here)}
          />
          <Figure
            label="kneecap joint"
            computed={kneecapLoad(setUp, here)}
            digits={1}
            under="one is a chair of 46 cm"
          />
          {hip ? (
            <Figure
              label="hip gives"
              computed={hip}
              under={`bent ${Math.round(here.hipFlexionDeg)}°, about ${Math.round(here.hipAvailableDeg)}° there${facts.hipIsMeasured ? "" : ", not measured"}`}
            />
          ) : (
            <p>
              <span className="quiet block">hip</span>
              rests on the seat: not computed
            </p>
          )}
          <Figure
            label="shin pulled"
            computed={shinPull(setUp, here)}
            under={
              here.pelvicTuckDeg >= 2.5
                ? tissuePhrase("back", here.pelvicTuckDeg)
                : "the low back stays, ±10 to 15°"
            }
          />
        </div>
      ) : (
        <p className="mt-2 border-t border-rule pt-2">
          The model of this set-up says nothing at {state.angle}°: it covers {setUp.chosen.family.range[0]}°
          to {setUp.chosen.family.range[1]}°, and nothing is extrapolated.
        </p>
      )}
      {here && (here.slides || here.heelLifts) && (
        <p className="mt-1 text-accent">
          {here.slides && "The feet would slide: they need more grip than a floor gives. Bring them nearer. "}
          {here.heelLifts &&
            "The heel would lift: more ankle bend than is usual. Feet higher, or less depth."}
        </p>
      )}
      {setUp.tooHeavyBecause && (
        <p className="mt-1 text-accent">
          Too heavy, because {setUp.tooHeavyBecause}. Choose a lighter step or means, or a smaller arc.
        </p>
      )}
    </>
  );
}

/** Which machine, where the gym has several that can do it. */
function MachineChoice({
  choose,
  facts,
  row,
  setUp,
}: {
  choose: Choose;
  facts: ChooseFacts;
  row: RangeRow;
  setUp: ComputedSetUp;
}) {
  const use = exerciseUse(row.e.id);
  const able = use ? machinesFor(use, facts.machines) : [];
  if (able.length < 2) return null;
  return (
    <label className="flex items-center justify-between gap-2 border-t border-rule py-1">
      on
      <select
        className="select select-sm w-[230px]"
        value={setUp.chosen.id ?? ""}
        onChange={(e) => choose.takeMachine(e.target.value)}
      >
        {able.map((m) => (
          <option key={m.id} value={m.id}>
            {m.name}
            {m.place && `, ${m.place}`}
          </option>
        ))}
      </select>
    </label>
  );
}

/** What is set, each at a notch of the machine, and the load at a real step. */
function Settings({ choose, setUp, massUnit }: { choose: Choose; setUp: ComputedSetUp; massUnit: MassUnit }) {
  const { chosen, settings } = setUp;
  const loads = realLoads(chosen.machine, chosen.family);
  const at = loads.findIndex((l) => Math.abs(l.load - setUp.load) < 1e-6);
  return (
    <div className="mt-1 border-t border-rule">
      {chosen.family.settings.map((spec) => {
        const notches = notchesOf(chosen.machine, spec);
        const value = settings[spec.key] ?? spec.usual;
        const i = notches.findIndex((n) => Math.abs(n.value - value) < 1e-6);
        const notch = notches[i];
        return (
          <Stepper
            key={spec.key}
            name={spec.name}
            title={spec.meaning}
            value={
              notch && notch.label !== settingWords(spec, value)
                ? `${notch.label}`
                : settingWords(spec, value)
            }
            after={notch && notch.label !== settingWords(spec, value) ? settingWords(spec, value) : ""}
            onLess={i > 0 ? () => choose.turn(spec.key, notches[i - 1]?.value ?? value) : undefined}
            onMore={
              i < notches.length - 1 ? () => choose.turn(spec.key, notches[i + 1]?.value ?? value) : undefined
            }
          />
        );
      })}
      {chosen.family.load && loads.length > 1 && (
        <Stepper
          name={chosen.family.load.name}
          title="A real step of this machine"
          value={setUp.how}
          after={`${Math.round(setUp.load * 10) / 10} kg${poundsBeside(setUp.load, massUnit)}`}
          onLess={at > 0 ? () => choose.load(loads[at - 1]?.load ?? 0) : undefined}
          onMore={at < loads.length - 1 ? () => choose.load(loads[at + 1]?.load ?? 0) : undefined}
        />
      )}
      {choose.isTurned && (
        <button type="button" className="mt-1 cursor-pointer underline" onClick={choose.reset}>
          back to the suggested settings
        </button>
      )}
    </div>
  );
}

function Stepper({
  name,
  title,
  value,
  after,
  onLess,
  onMore,
}: {
  name: string;
  title: string;
  value: string;
  after: string;
  onLess?: () => void;
  onMore?: () => void;
}) {
  const button =
    "h-6 w-6 cursor-pointer border border-rule bg-base-100 font-bold disabled:cursor-default disabled:opacity-35";
  return (
    <div className="grid grid-cols-[minmax(0,1fr)_auto_118px] items-center gap-2 py-[1px]" title={title}>
      <span>{name}</span>
      <span className="flex gap-1">
        <button
          type="button"
          className={button}
          aria-label={`${name}: less`}
          onClick={onLess}
          disabled={!onLess}
        >
          −
        </button>
        <button
          type="button"
          className={button}
          aria-label={`${name}: more`}
          onClick={onMore}
          disabled={!onMore}
        >
          +
        </button>
      </span>
      <span className="truncate">
        <b>{value}</b> <span className="quiet">{after}</span>
      </span>
    </div>
  );
}
