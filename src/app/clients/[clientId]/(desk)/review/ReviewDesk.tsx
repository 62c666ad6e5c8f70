"use client";
import { parseAsString, useQueryStates } from "nuqs";
import { useMemo, useRef, useState } from "react";
import type { ReviewFacts } from "@/core/review/facts";
import { isFirst, rowsOfReview } from "@/core/review/review";
import { type Span, spanOf } from "@/core/review/span";
import { daysAfter, daysBetween, laterOf } from "@/core/units/days";
import { shortDate, shortDay } from "@/ui/dates";
import { FileButton } from "@/ui/files/FileButton";
import { keepPng, keepSvg } from "@/ui/files/picture";
import { Link } from "@/ui/Link";
import { PlateauNote, type Plateaus } from "../PlateauNote";
import { SpanPanel } from "./SpanPanel";
import { TimeLine } from "./TimeLine";

interface Shown {
  id: string;
  facts: ReviewFacts;
}

export interface ReviewDeskProps {
  clientId: string;
  locale: string;
  mayTakeOut: boolean;
  episodes: { id: string; words: string; beganOn: string; isOpen: boolean }[];
  shown: Shown;
  other: (Shown & { words: string }) | null;
  /** of the open episode */
  plateaus: Plateaus;
}

/** How long the span is at first. */
const FIRST_SPAN_DAYS = 42;

const spanFrom = (facts: ReviewFacts, from: string | null, to: string | null): Span => {
  const isDay = (x: string | null): x is string =>
    x !== null && /^\d{4}-\d\d-\d\d$/.test(x) && x >= facts.from && x <= facts.to;
  const end = isDay(to) ? to : facts.to;
  const usual = daysAfter(end, -FIRST_SPAN_DAYS);
  const begin = isDay(from) && from <= end ? from : laterOf(usual, facts.from);
  return { from: begin, to: end };
};

/** The time line with its rows, and at the right a span in numbers, alone or beside another one. */
export function ReviewDesk({
  clientId,
  locale,
  episodes,
  shown,
  other,
  mayTakeOut,
  plateaus,
}: ReviewDeskProps) {
  const [view, setView] = useQueryStates({
    from: parseAsString,
    to: parseAsString,
    beside: parseAsString.withOptions({ shallow: false }),
  });
  const { facts } = shown;
  const [span, setSpan] = useState(() => spanFrom(facts, view.from, view.to));
  const [isAll, setAll] = useState(false);
  const all = useMemo(() => rowsOfReview(facts), [facts]);
  const rows = useMemo(() => (isAll ? all : all.filter(isFirst)), [all, isAll]);
  const picture = useRef<HTMLDivElement>(null);
  const beside = useMemo(() => besideOf(view.beside, facts, span, other), [view.beside, facts, span, other]);
  const charts = () =>
    [...(picture.current?.querySelectorAll<SVGSVGElement>("svg[role=img]") ?? [])].map((svg) => ({
      svg,
      title: svg.getAttribute("aria-label")?.split(":")[0] ?? "",
    }));
  if (facts.visits.length === 0 && all.length === 0)
    return (
      <main className="px-4 py-4">
        <h1 className="text-[19px]">Nothing to look back at yet</h1>
        <p className="mt-2 max-w-[60ch]">
          After the first test or visit its course stands here.{" "}
          <Link href={`/clients/${clientId}`} className="underline">
            What comes next
          </Link>
        </p>
      </main>
    );
  return (
    <main className="grid min-h-full grid-cols-1 lg:grid-cols-[minmax(0,1fr)_356px]">
      <div className="min-w-0 px-4 py-4">
        <header className="flex flex-wrap items-baseline justify-between gap-x-4">
          <h1 className="text-[19px]">
            What it led to{" "}
            <span className="quiet text-[15px] font-normal">
              weeks since {shortDate(facts.from, locale)}; a ring: less than planned
            </span>
          </h1>
          {episodes.length > 1 && (
            <p className="small flex flex-wrap gap-x-3">
              {episodes.map((e) => (
                <Link
                  key={e.id}
                  href={`/clients/${clientId}/review?episode=${e.id}`}
                  aria-current={e.id === shown.id ? "page" : undefined}
                  className={e.id === shown.id ? "font-bold text-primary" : "underline"}
                >
                  {e.words}, {shortDate(e.beganOn, locale)}
                </Link>
              ))}
            </p>
          )}
        </header>
        <PlateauNote plateaus={plateaus} />
        <div ref={picture}>
          <TimeLine
            facts={facts}
            rows={rows}
            locale={locale}
            span={span}
            onSpan={setSpan}
            onSpanDone={(s) => void setView({ from: s.from, to: s.to })}
          />
        </div>
        {all.some((r) => !isFirst(r)) && (
          <button
            type="button"
            className="small mt-2 cursor-pointer underline"
            onClick={() => setAll(!isAll)}
          >
            {isAll
              ? "Show less"
              : `Show ${all.filter((r) => !isFirst(r)).length} more rows: strength by angle, swelling, range, hard work`}
          </button>
        )}
        {other && (
          <section
            aria-label={`Beside it: ${other.words}`}
            className="mt-6 border-t-2 border-base-content pt-3"
          >
            <h2 className="text-[17px]">
              {other.words}{" "}
              <span className="quiet text-[15px] font-normal">
                since {shortDate(other.facts.from, locale)}
              </span>
            </h2>
            <TimeLine facts={other.facts} rows={rowsOfReview(other.facts)} locale={locale} />
          </section>
        )}
      </div>
      <aside className="border-l border-rule bg-base-100 px-4 py-4">
        <label className="small flex items-center justify-between gap-2">
          beside it
          <select
            className="select select-sm w-[210px]"
            value={view.beside ?? ""}
            onChange={(e) => void setView({ beside: e.target.value || null })}
          >
            <option value="">nothing</option>
            <option value="before">the time before it</option>
            <option value="leg">the other leg</option>
            {episodes
              .filter((e) => e.id !== shown.id)
              .map((e) => (
                <option key={e.id} value={e.id}>
                  {e.words}, {shortDate(e.beganOn, locale)}
                </option>
              ))}
          </select>
        </label>
        <SpanPanel
          title={`${shortDay(span.from, locale)} to ${shortDay(span.to, locale)}`}
          numbers={spanOf(facts, rows, span)}
          locale={locale}
        />
        {beside && <SpanPanel title={beside.title(locale)} numbers={beside.numbers} locale={locale} />}
        <h2 className="mt-4 text-[16px]">Take it along</h2>
        <p className="mt-2 flex flex-wrap gap-2">
          <Link href={`/clients/${clientId}/papers`} className="btn btn-sm btn-primary">
            Letter and papers
          </Link>
          <Link href={`/clients/${clientId}/costs`} className="btn btn-sm btn-line">
            Daily life
          </Link>
          <Link href={`/clients/${clientId}/explain`} className="btn btn-sm btn-line">
            Show the client
          </Link>
        </p>
        <p className="mt-2 flex flex-wrap gap-2">
          <button type="button" className="btn btn-sm btn-line" onClick={() => keepSvg("review", charts())}>
            Picture, SVG
          </button>
          <button
            type="button"
            className="btn btn-sm btn-line"
            onClick={() => void keepPng("review", charts())}
          >
            Picture, PNG
          </button>
        </p>
        {mayTakeOut && (
          <div className="mt-2 flex flex-col items-start gap-2">
            <FileButton path={`/api/clients/${clientId}/files?what=zip`}>All as files, zip</FileButton>
            <FileButton path={`/api/clients/${clientId}/files?what=json`}>Bexlo's JSON</FileButton>
            <FileButton path={`/api/clients/${clientId}/files?what=fhir`}>HL7 FHIR R4</FileButton>
            <FileButton path={`/api/clients/${clientId}/files?what=zip&names=no`}>
              Without names, zip
            </FileButton>
          </div>
        )}
      </aside>
    </main>
  );
}

/** What stands beside the span: the same number of days before it, the other leg, or another episode. */
function besideOf(
  beside: string | null,
  facts: ReviewFacts,
  span: Span,
  other: (Shown & { words: string }) | null,
) {
  if (beside === "before") {
    const days = daysBetween(span.from, span.to);
    const before = { from: daysAfter(span.from, -days - 1), to: daysAfter(span.from, -1) };
    return {
      title: (locale: string) => `before: ${shortDay(before.from, locale)} to ${shortDay(before.to, locale)}`,
      numbers: spanOf(facts, rowsOfReview(facts), before),
    };
  }
  if (beside === "leg") {
    const side = facts.side === "left" ? ("right" as const) : ("left" as const);
    const swapped = { ...facts, side };
    const ofLeg = rowsOfReview(swapped).filter((r) => /^(strength|symmetry|cost|measure)/.test(r.id));
    return {
      title: () => `the ${side} leg, the same days`,
      numbers: spanOf({ ...swapped, visits: [], planned: [], decisions: [] }, ofLeg, span),
    };
  }
  if (!other) return null;
  return {
    title: (locale: string) =>
      `${other.words}: ${shortDate(other.facts.from, locale)} to ${shortDate(other.facts.to, locale)}`,
    numbers: spanOf(other.facts, rowsOfReview(other.facts), { from: other.facts.from, to: other.facts.to }),
  };
}
