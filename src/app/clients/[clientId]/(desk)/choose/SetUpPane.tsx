"use client";
import type { RangeRow } from "@/core/selection/rank/rangeSheet";
import type { ComputedSetUp } from "@/core/selection/setUp/row";
import type { ReferenceTask } from "@/core/selection/tissue/tissues";
import type { MassUnit } from "@/core/units/mass";
import type { Said as SaidOf } from "@/core/units/said";
import type { ChooseFacts } from "@/server/facts/choose";
import { Link } from "@/ui/Link";
import { Said, SaidAll, useSay } from "@/ui/reader";
import { Modelled } from "./Modelled";
import { QuietNumbers } from "./QuietNumbers";
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
  onUse,
  onCard,
}: {
  clientId: string;
  choose: Choose;
  facts: ChooseFacts;
  chair: ReferenceTask;
  row: RangeRow;
  /** what the turned settings bar, null when they fit */
  barred: SaidOf[] | null;
  massUnit: MassUnit;
  isCompared: boolean;
  cardVersion: number;
  mayWriteCard: boolean;
  onCompare: () => void;
  onFind: () => void;
  /** null: it cannot be planned as it stands */
  onUse: (() => void) | null;
  onCard: () => void;
}) {
  const say = useSay();
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
          Set like this it is barred, because: <SaidAll of={barred} />. The picture shows the suggested
          settings; press <kbd>r</kbd> or turn a setting back.
        </p>
      )}
      {setUp ? (
        <Modelled {...{ choose, facts, chair, row, setUp, massUnit }} />
      ) : (
        <QuietNumbers e={row.e} body={facts.body} />
      )}
      <div className="mt-2 flex flex-wrap gap-2">
        <button type="button" className="btn btn-primary btn-sm" onClick={() => onUse?.()} disabled={!onUse}>
          Use this <kbd className="text-primary-content">U</kbd>
        </button>
        {setUp && mayWriteCard && (
          <button
            type="button"
            className="btn btn-line btn-sm"
            onClick={onCard}
            disabled={barred !== null || (setUp.tooHeavyBecause !== null && setUp.brokenCap !== "start")}
          >
            {cardVersion ? "Change card" : "Save card"} <kbd>S</kbd>
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
        <b>Where it stands.</b> <Said>{row.said}</Said>
      </p>
      <p className="mt-1">
        <b>
          May go from {Math.round(row.arc.fromDeg)}° to {Math.round(row.arc.toDeg)}°
        </b>
        {row.arc.cuts.length === 0
          ? ", its whole range."
          : `: ${row.arc.cuts.map((c) => `${c.end === "straight" ? "not straighter than" : "not deeper than"} ${Math.round(c.deg)}° because of ${say(c.because)}`).join("; ")}.`}
      </p>
      {row.changes.length > 0 && (
        <p className="mt-1">
          <b>Set differently:</b> <SaidAll of={row.changes} />.
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

const machineWords = (s: ComputedSetUp): string =>
  s.chosen.id ? s.chosen.machine.name : `${s.chosen.machine.name}, a usual one`;
