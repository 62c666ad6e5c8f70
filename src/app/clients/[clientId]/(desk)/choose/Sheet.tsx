"use client";
import type { ReactNode } from "react";
import { Term } from "@/ui/help/Term";
import { AngleCursor } from "@/ui/rail/AngleCursor";
import { HatchDefs } from "@/ui/rail/Hatch";
import { Ruler } from "@/ui/rail/Ruler";
import { RAIL, xOf } from "@/ui/rail/scale";
import { GROUPS, TISSUES } from "@/words/en/plan/choose";
import { RowBand } from "./RowBand";
import { type Choose, fullHeight } from "./useChoose";

const RULER_HEIGHT = 66;

/** One ruler that stays, a band for each exercise under it, one apricot line through all. */
export function Sheet({ choose, head, panel }: { choose: Choose; head: ReactNode; panel: ReactNode }) {
  const { state, setState, rows, picked, tissue, input, alsoRows } = choose;
  const shown = picked && "barred" in picked ? picked.row : picked;
  const most = fullHeight(
    tissue,
    rows.flatMap((r) => (r.computed ? [r.computed.peak] : [])),
  );
  const bend = input.motion.bendDeg;
  return (
    <>
      <div className="sticky top-0 z-10 bg-base-200 pt-3">
        {head}
        <svg viewBox={`0 0 ${RAIL.width} ${RULER_HEIGHT}`} className="mt-1 w-full">
          <title>Knee flexion</title>
          <HatchDefs />
          <Ruler />
          {bend !== null && bend <= 130 && (
            <text x={Math.min(xOf(bend) + 4, RAIL.right - 60)} y={44} fontSize={12} className="fill-quiet">
              bends to {bend}°
            </text>
          )}
          <AngleCursor
            deg={state.angle}
            onChange={(angle) => setState({ angle })}
            min={0}
            max={130}
            stepDeg={5}
            top={30}
            bottom={46}
            label="Angle looked at, knee flexion"
          />
        </svg>
      </div>
      {panel}
      <div className="relative">
        <svg
          aria-hidden
          viewBox={`0 0 ${RAIL.width} 10`}
          preserveAspectRatio="none"
          className="pointer-events-none absolute inset-0 z-[1] h-full w-full"
        >
          <line
            x1={xOf(state.angle)}
            x2={xOf(state.angle)}
            y1={0}
            y2={10}
            strokeWidth={1.6}
            className="stroke-mark"
          />
          {bend !== null && bend <= 130 && (
            <line
              x1={xOf(bend)}
              x2={xOf(bend)}
              y1={0}
              y2={10}
              strokeWidth={1}
              strokeDasharray="4 3"
              vectorEffect="non-scaling-stroke"
              className="stroke-base-content"
            />
          )}
        </svg>
        {rows.map((r, i) => (
          <div key={r.e.id}>
            {r.group !== rows[i - 1]?.group && <h2 className="mt-2 text-[15px]">{GROUPS[r.group]}</h2>}
            <button
              type="button"
              id={`row-${r.e.id}`}
              aria-pressed={r.e.id === shown?.e.id}
              onClick={() => choose.pick(r.e.id)}
              className={`block w-full scroll-mt-44 cursor-pointer border-b border-rule text-left ${r.e.id === shown?.e.id ? "bg-base-100 shadow-[inset_4px_0_0_var(--color-primary)]" : ""}`}
            >
              <RowBand
                row={shown && r.e.id === shown.e.id ? shown : r}
                most={most}
                chairAt={tissue === "kneecap" ? 1 : null}
                tissue={tissue}
                also={alsoRows?.of.get(r.e.id)?.computed ?? null}
                alsoOf={alsoRows?.tissue ?? null}
                alsoMost={alsoRows?.most ?? 1}
                isCompared={state.compare.includes(r.e.id)}
              />
            </button>
          </div>
        ))}
        {rows.length === 0 && (
          <p className="py-6">
            No exercise passes these filters. Take one off; what is barred stands below with its reasons.
          </p>
        )}
      </div>
      <p className="small quiet mt-2">
        Height and tone of a ridge: {TISSUES[tissue].name}
        {alsoRows && `; dashed, on its own scale: ${TISSUES[alsoRows.tissue].name}`}
        {tissue === "kneecap" && (
          <>
            ; the dotted line is one <Term id="kneecap">chair rise</Term> of this client
          </>
        )}
        . Brackets: what limits and stops leave. Loads compare set-ups, they do not predict harm.
      </p>
    </>
  );
}
