"use client";
import {
  createColumnHelper,
  flexRender,
  getCoreRowModel,
  getFilteredRowModel,
  getSortedRowModel,
  useReactTable,
} from "@tanstack/react-table";
import { parseAsBoolean, parseAsString, parseAsStringLiteral, useQueryStates } from "nuqs";
import { useMemo } from "react";
import type { CaseloadRow } from "@/server/client/caseload";
import { relativeDay, shortDate } from "@/ui/dates";
import { Link } from "@/ui/Link";

const STATES = ["open", "closed", "all"] as const;
const COLUMNS = ["name", "condition", "beganOn", "lastOn", "next"] as const;
const column = createColumnHelper<CaseloadRow>();

/** The caseload; what is searched, sorted and filtered stands in the address. */
export function CaseloadTable({
  rows,
  today,
  locale,
}: {
  rows: CaseloadRow[];
  today: string;
  locale: string;
}) {
  const [view, setView] = useQueryStates({
    q: parseAsString.withDefault(""),
    show: parseAsStringLiteral(STATES).withDefault("open"),
    sort: parseAsStringLiteral(COLUMNS).withDefault("name"),
    down: parseAsBoolean.withDefault(false),
    hand: parseAsBoolean.withDefault(false),
  });
  const shown = useMemo(
    () =>
      rows.filter(
        (r) => (view.show === "all" || r.isOpen === (view.show === "open")) && (!view.hand || r.needsHand),
      ),
    [rows, view.show, view.hand],
  );
  const columns = useMemo(
    () => [
      column.accessor("name", {
        header: "name",
        cell: (c) => (
          <>
            <Link href={c.row.original.href} className="display text-[17px] hover:underline">
              {c.getValue()}
            </Link>
            <span className="small quiet block">{c.row.original.occupation}</span>
          </>
        ),
      }),
      column.accessor((r) => `${r.condition} ${r.where}`, {
        id: "condition",
        header: "what",
        cell: (c) => (
          <>
            {c.row.original.condition} <span className="small quiet block">{c.row.original.where}</span>
          </>
        ),
      }),
      column.accessor("beganOn", {
        header: "since",
        enableGlobalFilter: false,
        cell: (c) => shortDate(c.getValue(), locale),
      }),
      column.accessor("lastOn", {
        header: "last seen",
        sortUndefined: "last",
        enableGlobalFilter: false,
        cell: (c) => {
          const { lastOn, lastPain } = c.row.original;
          if (!lastOn) return <span className="quiet">never</span>;
          return (
            <>
              {relativeDay(lastOn, today)}
              {lastPain !== null && <span className="small quiet block">joint pain {lastPain}</span>}
            </>
          );
        },
      }),
      column.accessor("next", {
        header: "next",
        cell: (c) => (
          <span className={c.row.original.needsHand ? "font-bold" : "quiet"}>
            {c.row.original.needsHand && (
              <span aria-hidden className="text-mark">
                ◇{" "}
              </span>
            )}
            {c.getValue()}
          </span>
        ),
      }),
    ],
    [today, locale],
  );
  // one array as long as nothing changes: the table works anew for every new one
  const sorting = useMemo(() => [{ id: view.sort, desc: view.down }], [view.sort, view.down]);
  const table = useReactTable({
    data: shown,
    columns,
    state: { globalFilter: view.q, sorting },
    autoResetPageIndex: false,
    globalFilterFn: "includesString",
    getCoreRowModel: getCoreRowModel(),
    getFilteredRowModel: getFilteredRowModel(),
    getSortedRowModel: getSortedRowModel(),
  });
  const found = table.getRowModel().rows;
  return (
    <>
      <div className="mt-3 flex flex-wrap items-center gap-x-5 gap-y-2">
        <label className="flex min-w-0 flex-wrap items-center gap-2">
          search
          <input
            type="search"
            className="input input-sm w-64 max-w-full border-rule"
            value={view.q}
            onChange={(e) => setView({ q: e.target.value || null })}
          />
        </label>
        <fieldset className="flex flex-wrap items-center gap-3">
          <legend className="sr-only">Which episodes</legend>
          {STATES.map((s) => (
            <label key={s} className="flex items-center gap-1">
              <input
                type="radio"
                name="show"
                className="radio radio-primary radio-xs"
                checked={view.show === s}
                onChange={() => setView({ show: s })}
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
            onChange={(e) => setView({ hand: e.target.checked || null })}
          />
          needs a hand
        </label>
        <span className="small quiet ml-auto" aria-live="polite">
          {found.length} of {rows.length}
        </span>
      </div>
      <table className="lanes mt-3 w-full text-left">
        <thead>
          {table.getHeaderGroups().map((g) => (
            <tr key={g.id} className="small border-b border-rule">
              {g.headers.map((h) => {
                const isHere = view.sort === h.column.id;
                return (
                  <th
                    key={h.id}
                    aria-sort={isHere ? (view.down ? "descending" : "ascending") : undefined}
                    className="py-1 pr-4 font-normal"
                  >
                    <button
                      type="button"
                      className={`cursor-pointer ${isHere ? "font-bold text-primary" : "quiet"}`}
                      onClick={() =>
                        setView({
                          sort: COLUMNS.find((c) => c === h.column.id) ?? null,
                          down: isHere ? !view.down : false,
                        })
                      }
                    >
                      {flexRender(h.column.columnDef.header, h.getContext())}{" "}
                      <span aria-hidden>{isHere ? (view.down ? "↓" : "↑") : ""}</span>
                    </button>
                  </th>
                );
              })}
            </tr>
          ))}
        </thead>
        <tbody>
          {found.map((r) => (
            <tr key={r.original.clientId} className="border-b border-rule align-top">
              {r.getVisibleCells().map((c) => (
                <td key={c.id} className="py-2 pr-4">
                  {flexRender(c.column.columnDef.cell, c.getContext())}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      {found.length === 0 && (
        <p className="py-6">
          {rows.length === 0
            ? "Nobody yet: enter the first client above."
            : "Nobody fits this search. Clear it, or show closed episodes too."}
        </p>
      )}
    </>
  );
}
