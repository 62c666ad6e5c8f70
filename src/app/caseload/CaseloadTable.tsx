"use client";
import { debounce, useQueryStates } from "nuqs";
import { type ReactNode, useTransition } from "react";
import { CASELOAD_SHOWS, type CaseloadView } from "@/core/desk/caseloadView";
import type { CaseloadPage, CaseloadRow } from "@/server/day/caseload";
import { relativeDay, shortDate } from "@/ui/dates";
import { Link } from "@/ui/Link";
import { caseloadParsers } from "./view";

/** Letters typed one after the other are one question. */
const TYPED_MS = 250;

interface Column {
  id: CaseloadView["sort"];
  header: string;
  cell: (row: CaseloadRow) => ReactNode;
}

/** A page of the caseload; what is searched, sorted and filtered stands in the address, and the server answers it. */
export function CaseloadTable({
  data,
  today,
  locale,
}: {
  data: CaseloadPage;
  today: string;
  locale: string;
}) {
  const [isAsking, ask] = useTransition();
  const [view, setView] = useQueryStates(caseloadParsers, { shallow: false, startTransition: ask });
  const see = (next: Partial<{ [K in keyof CaseloadView]: CaseloadView[K] | null }>) =>
    setView({ page: null, ...next });
  const columns: Column[] = [
    {
      id: "name",
      header: "name",
      cell: (r) => (
        <>
          <Link href={r.href} className="display text-[17px] hover:underline">
            {r.name}
          </Link>
          <span className="small quiet block">{r.occupation}</span>
        </>
      ),
    },
    {
      id: "condition",
      header: "what",
      cell: (r) => (
        <>
          {r.condition} <span className="small quiet block">{r.where}</span>
        </>
      ),
    },
    { id: "beganOn", header: "since", cell: (r) => shortDate(r.beganOn, locale) },
    { id: "lastOn", header: "last seen", cell: (r) => <LastSeen row={r} today={today} /> },
    {
      id: "next",
      header: "next",
      cell: (r) => (
        <span className={r.needsHand ? "font-bold" : "quiet"}>
          {r.needsHand && (
            <span aria-hidden className="text-mark">
              ◇{" "}
            </span>
          )}
          {r.next}
        </span>
      ),
    },
  ];
  return (
    <>
      <div className="mt-3 flex flex-wrap items-center gap-x-5 gap-y-2">
        <label className="flex min-w-0 flex-wrap items-center gap-2">
          search
          <input
            type="search"
            className="input input-sm w-64 max-w-full border-rule"
            value={view.q}
            onChange={(e) =>
              setView({ page: null, q: e.target.value || null }, { limitUrlUpdates: debounce(TYPED_MS) })
            }
          />
        </label>
        <fieldset className="flex flex-wrap items-center gap-3">
          <legend className="sr-only">Which episodes</legend>
          {CASELOAD_SHOWS.map((s) => (
            <label key={s} className="flex items-center gap-1">
              <input
                type="radio"
                name="show"
                className="radio radio-primary radio-xs"
                checked={view.show === s}
                onChange={() => see({ show: s })}
              />
              {s === "open" ? "in care" : s}
            </label>
          ))}
        </fieldset>
        <label className="flex items-center gap-2">
          <input
            type="checkbox"
            className="checkbox checkbox-primary checkbox-sm"
            checked={view.hand}
            onChange={(e) => see({ hand: e.target.checked || null })}
          />
          needs a hand
        </label>
        <span className="small quiet ml-auto" aria-live="polite">
          {isAsking ? "looking" : data.found === 1 ? "1 client" : `${data.found} clients`}
        </span>
      </div>
      <table className="lanes mt-3 w-full text-left">
        <thead>
          <tr className="small border-b border-rule">
            {columns.map((c) => {
              const isHere = view.sort === c.id;
              return (
                <th
                  key={c.id}
                  aria-sort={isHere ? (view.down ? "descending" : "ascending") : undefined}
                  className="py-1 pr-4 font-normal"
                >
                  <button
                    type="button"
                    className={`cursor-pointer ${isHere ? "font-bold text-primary" : "quiet"}`}
                    onClick={() => see({ sort: c.id, down: isHere ? !view.down : false })}
                  >
                    {c.header} <span aria-hidden>{isHere ? (view.down ? "↓" : "↑") : ""}</span>
                  </button>
                </th>
              );
            })}
          </tr>
        </thead>
        <tbody>
          {data.rows.map((r) => (
            <tr key={r.clientId} className="border-b border-rule align-top">
              {columns.map((c) => (
                <td key={c.id} className="py-2 pr-4">
                  {c.cell(r)}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      {data.pages > 1 && (
        <nav aria-label="Pages" className="flex items-center gap-4 py-3">
          <button
            type="button"
            className="btn btn-sm"
            disabled={data.page <= 1}
            onClick={() => see({ page: data.page - 1 })}
          >
            page before
          </button>
          <span>
            page {data.page} of {data.pages}
          </span>
          <button
            type="button"
            className="btn btn-sm"
            disabled={data.page >= data.pages}
            onClick={() => see({ page: data.page + 1 })}
          >
            next page
          </button>
        </nav>
      )}
      {data.found === 0 && (
        <p className="py-6">
          {view.q === "" && !view.hand && view.show === "all"
            ? "Nobody yet: enter the first client above."
            : "Nobody fits this search. Clear it, or show closed episodes too."}
        </p>
      )}
    </>
  );
}

function LastSeen({ row: { isOpen, lastOn, lastPain }, today }: { row: CaseloadRow; today: string }) {
  if (!lastOn) return <span className="quiet">{isOpen ? "never" : "–"}</span>;
  return (
    <>
      {relativeDay(lastOn, today)}
      {lastPain !== null && <span className="small quiet block">joint pain {lastPain}</span>}
    </>
  );
}
