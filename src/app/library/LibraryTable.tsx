"use client";
import { parseAsBoolean, parseAsString, useQueryStates } from "nuqs";
import type { ExerciseFacets } from "@/core/rules/exerciseFacets";
import type { Drawing } from "@/core/selection/pose/drawing";
import { Link } from "@/ui/Link";
import { StillDrawing } from "@/ui/pose/StillDrawing";
import { EXERCISE_ORIGINS, FACET_WORDS } from "@/words/en/facets";

export interface LibraryRow {
  id: string;
  name: string;
  group: string;
  equipment: string;
  backSupport: string;
  canBeHeld: boolean;
  isHome: boolean;
  /** from the side; null where there is no model of the knee */
  drawing: Drawing | null;
  facets: ExerciseFacets;
  origin: "catalogue" | "changed_here" | "own";
}

const FACETS = [
  ["muscles", "Muscle", "any muscle"],
  ["joints", "Joint", "any joint"],
  ["positions", "Position", "any position"],
  ["needs", "What it needs", "whatever it needs"],
  ["spares", "What it spares", "whatever it spares"],
] as const;

type Facet = (typeof FACETS)[number][0];
const facet = (r: LibraryRow, key: Facet): readonly string[] => r.facets[key];
const wordOf = (code: string): string => FACET_WORDS[code] ?? code;

/** What the rows have of a facet, in the order of its words. */
const offered = (rows: readonly LibraryRow[], key: Facet): string[] =>
  [...new Set(rows.flatMap((r) => facet(r, key)))].sort((a, b) => wordOf(a).localeCompare(wordOf(b)));

const FILTERS = [
  ["home", "works at home", (r: LibraryRow) => r.isHome],
  ["held", "can be held", (r: LibraryRow) => r.canBeHeld],
  ["supported", "back supported", (r: LibraryRow) => r.backSupport === "full"],
  ["ours", "changed or added here", (r: LibraryRow) => r.origin !== "catalogue"],
] as const;

/** All exercises, searched and filtered; the state stands in the address. */
export function LibraryTable({ rows }: { rows: LibraryRow[] }) {
  const [state, setState] = useQueryStates(
    {
      q: parseAsString.withDefault(""),
      home: parseAsBoolean.withDefault(false),
      held: parseAsBoolean.withDefault(false),
      supported: parseAsBoolean.withDefault(false),
      ours: parseAsBoolean.withDefault(false),
      muscles: parseAsString.withDefault(""),
      joints: parseAsString.withDefault(""),
      positions: parseAsString.withDefault(""),
      needs: parseAsString.withDefault(""),
      spares: parseAsString.withDefault(""),
    },
    { history: "replace" },
  );
  const words = state.q.toLowerCase().split(/\s+/).filter(Boolean);
  const shown = rows.filter((r) => {
    const text = `${r.name} ${r.group} ${r.equipment}`.toLowerCase();
    return (
      words.every((w) => text.includes(w)) &&
      FACETS.every(([key]) => !state[key] || facet(r, key).includes(state[key])) &&
      FILTERS.every(([key, , passes]) => !state[key] || passes(r))
    );
  });
  return (
    <>
      <div className="mt-3 flex flex-wrap items-baseline gap-x-5 gap-y-1">
        <label className="flex items-baseline gap-2">
          <span className="sr-only">Search exercises</span>
          <input
            type="search"
            className="input input-sm w-64"
            placeholder="search"
            value={state.q}
            onChange={(e) => setState({ q: e.target.value || null })}
          />
        </label>
        {FACETS.map(([key, name, any]) => (
          <select
            key={key}
            aria-label={name}
            className="select select-sm w-[172px]"
            value={state[key]}
            onChange={(e) => setState({ [key]: e.target.value || null })}
          >
            <option value="">{any}</option>
            {offered(rows, key).map((w) => (
              <option key={w} value={w}>
                {key === "spares" ? `spares ${wordOf(w)}` : wordOf(w)}
              </option>
            ))}
          </select>
        ))}
        {FILTERS.map(([key, label]) => (
          <label key={key} className="flex cursor-pointer items-center gap-1">
            <input
              type="checkbox"
              className="checkbox checkbox-xs"
              checked={state[key]}
              onChange={(e) => setState({ [key]: e.target.checked || null })}
            />
            {label}
          </label>
        ))}
        <span className="quiet" aria-live="polite">
          {shown.length} of {rows.length}
        </span>
      </div>
      {shown.length === 0 ? (
        <p className="mt-4">No exercise passes. Take a word or a filter away.</p>
      ) : (
        <table className="lanes mt-3 w-full text-left">
          <thead>
            <tr className="small quiet">
              <th scope="col" className="font-normal">
                <span className="sr-only">picture</span>
              </th>
              <th scope="col" className="font-normal">
                exercise
              </th>
              <th scope="col" className="font-normal">
                trains most
              </th>
              <th scope="col" className="font-normal">
                needs
              </th>
              <th scope="col" className="font-normal">
                spares
              </th>
              <th scope="col" className="font-normal">
                from
              </th>
            </tr>
          </thead>
          <tbody>
            {shown.map((r) => (
              <tr key={r.id} className="border-t border-rule">
                <td className="w-[84px] py-1 pr-3">
                  {r.drawing ? (
                    <StillDrawing
                      drawing={r.drawing}
                      label={`${r.name} from the side`}
                      className="h-[48px] w-[72px]"
                    />
                  ) : (
                    <span className="small quiet">no model</span>
                  )}
                </td>
                <td className="py-1 pr-3">
                  <Link href={`/library/${r.id}`} className="font-bold text-primary hover:underline">
                    {r.name}
                  </Link>
                </td>
                <td className="pr-3">{r.group}</td>
                <td className="pr-3">{r.equipment}</td>
                <td className="small pr-3">
                  {r.facets.spares.map(wordOf).join(", ") || <span className="quiet">–</span>}
                </td>
                <td>
                  {r.origin === "catalogue" ? (
                    <span className="quiet">catalogue</span>
                  ) : (
                    <b>{EXERCISE_ORIGINS[r.origin]}</b>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </>
  );
}
