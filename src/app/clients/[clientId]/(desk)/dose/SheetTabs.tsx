"use client";
import { Link } from "@/ui/Link";
import type { SavedSheet } from "./savedSheet";

export interface SheetTab {
  sheetId: string;
  name: string;
  place: SavedSheet["place"];
  lines: number;
}

export const PLACE_WORDS: Record<SavedSheet["place"], string> = {
  gym: "in the gym",
  home: "at home",
  bodyweight: "anywhere, no machine",
};

/** The client's sheets by name and place; the one that is open can be renamed. */
export function SheetTabs({
  clientId,
  sheets,
  current,
  name,
  place,
  mayWrite,
  onName,
  onPlace,
}: {
  clientId: string;
  sheets: readonly SheetTab[];
  /** null: a new sheet */
  current: string | null;
  name: string;
  place: SavedSheet["place"];
  mayWrite: boolean;
  onName: (name: string) => void;
  onPlace: (place: SavedSheet["place"]) => void;
}) {
  const others = sheets.filter((s) => s.sheetId !== current);
  return (
    <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
      <span className="flex items-baseline gap-2 border-b-2 border-primary pb-0.5">
        <input
          aria-label="Name of the sheet"
          className="display w-[110px] bg-transparent text-[19px]"
          value={name}
          maxLength={40}
          placeholder="name it"
          readOnly={!mayWrite}
          onChange={(e) => onName(e.target.value)}
        />
        <select
          aria-label="Where it is done"
          className="small quiet cursor-pointer bg-transparent"
          value={place}
          disabled={!mayWrite || current !== null}
          onChange={(e) => onPlace(e.target.value as SavedSheet["place"])}
        >
          {(Object.keys(PLACE_WORDS) as SavedSheet["place"][]).map((p) => (
            <option key={p} value={p}>
              {PLACE_WORDS[p]}
            </option>
          ))}
        </select>
      </span>
      <nav aria-label="Sheets of this client" className="flex flex-wrap items-baseline gap-x-4">
        {others.map((s) => (
          <Link
            key={s.sheetId}
            href={`/clients/${clientId}/dose?sheet=${s.sheetId}`}
            className="hover:underline"
          >
            {s.name}{" "}
            <span className="small quiet">
              {PLACE_WORDS[s.place]}, {s.lines} {s.lines === 1 ? "line" : "lines"}
            </span>
          </Link>
        ))}
        {mayWrite && current !== null && (
          <Link href={`/clients/${clientId}/dose?sheet=new`} className="small underline">
            new sheet
          </Link>
        )}
      </nav>
    </div>
  );
}
