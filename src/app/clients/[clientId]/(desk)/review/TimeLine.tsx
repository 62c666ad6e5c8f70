"use client";
import { memo, useRef, useState } from "react";
import type { ReviewFacts } from "@/core/review/facts";
import type { Row } from "@/core/review/row";
import type { Span } from "@/core/review/span";
import { shortDate } from "@/ui/dates";
import { Said } from "@/ui/reader";
import { BandRow } from "@/ui/time/BandRow";
import { RowChart } from "@/ui/time/RowChart";
import { SpanHandles } from "@/ui/time/SpanHandles";
import { TIME, timeScale, weekTicks } from "@/ui/time/scale";
import { RowTable } from "./RowTable";

const GRID = "grid grid-cols-1 sm:grid-cols-[158px_minmax(0,1fr)] gap-x-2";

/** Phases and limits on top, then a row a question, all over the same weeks. */
export function TimeLine({
  facts,
  rows,
  locale,
  span,
  onSpan,
  onSpanDone,
}: {
  facts: ReviewFacts;
  rows: Row[];
  locale: string;
  /** null: nothing is to be dragged */
  span?: Span;
  onSpan?: (span: Span) => void;
  onSpanDone?: (span: Span) => void;
}) {
  return (
    <div className="mt-2">
      <Head facts={facts} />
      <div className="relative">
        <Weeks from={facts.from} to={facts.to} />
        <Rows rows={rows} from={facts.from} to={facts.to} locale={locale} />
        {span && onSpan && onSpanDone && (
          <div className={`${GRID} pointer-events-none absolute inset-0`}>
            <div className="relative col-start-2">
              <SpanHandles
                from={facts.from}
                to={facts.to}
                span={span}
                onChange={onSpan}
                onDone={onSpanDone}
                words={(day) => shortDate(day, locale)}
              />
            </div>
          </div>
        )}
      </div>
    </div>
  );
}

const Head = memo(function Head({ facts }: { facts: ReviewFacts }) {
  const phases = facts.bands.filter((b) => b.kind === "phase");
  const limits = facts.bands.filter((b) => b.kind === "limit");
  return (
    <>
      {[
        { name: "phases", bands: phases },
        { name: "limits", bands: limits },
      ].map(({ name, bands }) =>
        bands.length === 0 ? null : (
          <div key={name} className={`${GRID} items-start`}>
            <p className="small quiet pt-0.5">{name}</p>
            <BandRow bands={bands} from={facts.from} to={facts.to} label={name} />
          </div>
        ),
      )}
    </>
  );
});

function Weeks({ from, to }: { from: string; to: string }) {
  const time = timeScale(from, to);
  return (
    <div className={`${GRID} items-end`}>
      <p className="small quiet text-right">week</p>
      <svg viewBox={`0 0 ${TIME.width} 26`} className="block w-full" aria-hidden>
        {weekTicks(from, to).map((t) => (
          <text key={t.words} x={time(t.on)} y={12} textAnchor="middle" className="fill-quiet text-[12px]">
            {t.words}
          </text>
        ))}
      </svg>
    </div>
  );
}

const Rows = memo(function Rows({
  rows,
  from,
  to,
  locale,
}: {
  rows: Row[];
  from: string;
  to: string;
  locale: string;
}) {
  return (
    <ol>
      {rows.map((row) => (
        <OneRow key={row.id} row={row} from={from} to={to} locale={locale} />
      ))}
    </ol>
  );
});

function OneRow({ row, from, to, locale }: { row: Row; from: string; to: string; locale: string }) {
  const [isOpen, setOpen] = useState(false);
  const here = useRef<HTMLLIElement>(null);
  return (
    <li ref={here} className="border-t border-rule">
      <div className={GRID}>
        <div className="py-1.5 leading-tight">
          <b>
            <Said>{row.name}</Said>
          </b>
          <p className="text-[12px] quiet">
            <Said>{row.under}</Said>
          </p>
          <button
            type="button"
            aria-expanded={isOpen}
            className="relative z-10 cursor-pointer text-[12px] underline print:hidden"
            onClick={() => setOpen(!isOpen)}
          >
            {isOpen ? "hide table" : "table"}
            <span className="sr-only">
              {" "}
              of <Said>{row.name}</Said>
            </span>
          </button>
        </div>
        <RowChart row={row} from={from} to={to} />
      </div>
      {isOpen && (
        <RowTable
          row={row}
          locale={locale}
          chart={() => here.current?.querySelector<SVGSVGElement>("svg[role=img]") ?? null}
        />
      )}
    </li>
  );
}
