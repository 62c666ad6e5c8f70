"use client";
import { type ReactNode, useState } from "react";
import { keptOutBy, picksOf } from "@/core/selection/rank/picks";
import type { RangeRow } from "@/core/selection/rank/rangeSheet";
import { setUpWords } from "@/core/selection/setUp/setUpWords";
import { type MassUnit, poundsBeside } from "@/core/units/mass";
import type { ChooseFacts } from "@/server/facts/choose";
import { useKeys } from "@/ui/keys/useKeys";
import { Pose } from "@/ui/pose/Pose";
import { Said, useSay } from "@/ui/reader";
import { GROUPS, TISSUES, tissueShort } from "@/words/en/plan/choose";
import { Barred } from "./Barred";
import { SmallRidge } from "./SmallRidge";
import { type Choose, fullHeight } from "./useChoose";

/** Answers first: three picks with figure, set-up, load and one reason; then everything else by kind, and what is kept out. */
export function Picks({
  choose,
  facts,
  massUnit,
  whyNot,
  onUse,
}: {
  choose: Choose;
  facts: ChooseFacts;
  massUnit: MassUnit;
  /** why this person cannot put it on a sheet; null: can */
  whyNot: string | null;
  onUse: (row: RangeRow) => void;
}) {
  const { rows, sheet, tissue, flat, setState } = choose;
  const { picks, also } = picksOf(rows, facts);
  const most = fullHeight(
    tissue,
    rows.map((r) => r.computed?.peak ?? 0),
  );
  useKeys([
    ...picks.map((p, i) => ({
      key: String(i + 1),
      words: `use ${p.e.name}`,
      run: () => {
        if (whyNot === null) onUse(p);
      },
    })),
    { key: "a", words: "everything under one ruler", run: () => void setState({ view: "sheet" }) },
  ]);
  return (
    <main className="px-5 py-3">
      <header className="flex flex-wrap items-baseline justify-between gap-x-5">
        <h1 className="text-[20px]">
          {facts.isOfTheBack ? "What fits today" : "What fits this knee"}{" "}
          <span className="quiet text-[15px] font-normal">
            in this gym, sparing the {TISSUES[tissue].name}
          </span>
        </h1>
        <button
          type="button"
          className="btn btn-sm btn-line"
          onClick={() => void setState({ view: "sheet" })}
        >
          Everything under one ruler <kbd>A</kbd>
        </button>
      </header>
      {flat.length > 0 && (
        <p className="mt-1">
          Nothing here loads the {flat.map((t) => TISSUES[t].name).join(" or the ")} to speak of
          {flat.includes(tissue) ? "." : `: shown is the ${TISSUES[tissue].name}.`}
        </p>
      )}
      {picks.length === 0 ? (
        <p className="mt-4">
          Nothing that this gym has fits inside the limits of today; the reasons stand below.
        </p>
      ) : (
        <ol aria-label="First picks">
          {picks.map((row, i) => (
            <Pick
              key={row.e.id}
              no={i + 1}
              row={row}
              most={most}
              facts={facts}
              choose={choose}
              massUnit={massUnit}
              whyNot={whyNot}
              onUse={() => onUse(row)}
            />
          ))}
        </ol>
      )}
      <AlsoFits choose={choose} also={also} most={most} />
      <KeptOut rows={sheet.barred} />
    </main>
  );
}

function Pick({
  no,
  row,
  most,
  facts,
  choose,
  massUnit,
  whyNot,
  onUse,
}: {
  no: number;
  row: RangeRow;
  most: number;
  facts: ChooseFacts;
  choose: Choose;
  massUnit: MassUnit;
  whyNot: string | null;
  onUse: () => void;
}) {
  const s = row.computed;
  const open = () => void choose.setState({ view: "sheet", row: row.e.id });
  const use = <UseIt no={no} name={row.e.name} whyNot={whyNot} onUse={onUse} />;
  if (!s) return <QuietPick row={row} onOpen={open} use={use} />;
  const set = setUpWords(s);
  const isNone = tissueShort(choose.tissue, s.peak) === "none";
  const [number, ...unit] = tissueShort(choose.tissue, s.peak).split(" ");
  return (
    <li className="grid grid-cols-1 lg:grid-cols-[190px_minmax(0,1fr)_300px] items-center gap-x-5 border-t border-rule py-2">
      <div className="[&_svg]:max-h-[132px]">
        <Pose
          body={facts.body}
          chosen={s.chosen}
          settings={s.settings}
          share={s.share}
          phase={s.phase}
          load={s.load}
          angle={Math.round((s.arc.fromDeg + s.arc.toDeg) / 2)}
          arc={s.arc}
          pelvicTuckDeg={0}
          onSetting={() => {}}
          onAngle={() => {}}
          isStill
        />
      </div>
      <div className="min-w-0">
        <p className="leading-tight">
          <button
            type="button"
            className="display cursor-pointer text-left text-[18px] hover:underline"
            onClick={open}
          >
            {row.e.name}
          </button>{" "}
          <span className="quiet">{s.chosen.id ? s.chosen.machine.name : "a usual one"}</span>
        </p>
        <p className="mb-1">
          <b className="display text-[18px]">{s.how}</b>
          {poundsBeside(s.load, massUnit)}
          <span>
            {" "}
            {set
              .slice(0, 3)
              .map((x) => `· ${x.name} ${x.value}`)
              .join(" ")}
          </span>
        </p>
        <SmallRidge
          row={row}
          most={most}
          chairAt={choose.tissue === "kneecap" ? 1 : null}
          id={`pick-${row.e.id}`}
        />
      </div>
      <div>
        <p>
          <span className="display text-[30px]">{number}</span>{" "}
          <span className="quiet">
            {isNone ? "" : unit.join(" ").replace(/^×/, "") || TISSUES[choose.tissue].unit} on the{" "}
            {TISSUES[choose.tissue].name}
          </span>
        </p>
        <p className="leading-snug">
          <Said>{row.said}</Said>
        </p>
        {use}
      </div>
    </li>
  );
}

function UseIt({
  no,
  name,
  whyNot,
  onUse,
}: {
  no: number;
  name: string;
  whyNot: string | null;
  onUse: () => void;
}) {
  if (whyNot !== null) return no === 1 ? <p className="small quiet mt-1">{whyNot}</p> : null;
  return (
    <button
      type="button"
      className={`btn btn-sm mt-1.5 ${no === 1 ? "btn-primary" : "btn-line"}`}
      onClick={onUse}
    >
      Use this <kbd className={no === 1 ? "text-primary-content" : ""}>{no}</kbd>
      <span className="sr-only">: {name}</span>
    </button>
  );
}

/** Of a muscle that the knee's model does not know: what it is for, and that nothing of the knee is computed. */
function QuietPick({ row, onOpen, use }: { row: RangeRow; onOpen: () => void; use: ReactNode }) {
  return (
    <li className="grid grid-cols-1 lg:grid-cols-[190px_minmax(0,1fr)_300px] items-center gap-x-5 border-t border-rule py-2">
      <p className="display quiet text-center text-[22px] leading-tight">{GROUPS[row.group]}</p>
      <div className="min-w-0">
        <p className="leading-tight">
          <button
            type="button"
            className="display cursor-pointer text-left text-[18px] hover:underline"
            onClick={onOpen}
          >
            {row.e.name}
          </button>
        </p>
        <p className="quiet">
          The knee stays quiet, or nobody has a model of it: limits and catalogue decide it; its load is found
          in Dose.
        </p>
      </div>
      <div>
        <p className="leading-snug">
          <Said>{row.said}</Said>
        </p>
        {use}
      </div>
    </li>
  );
}

const SHOWN = 6;

/** Every other kind in one row: its best, and how many are nearly alike. */
function AlsoFits({
  choose,
  also,
  most,
}: {
  choose: Choose;
  also: ReturnType<typeof picksOf>["also"];
  most: number;
}) {
  const [isAll, setAll] = useState(false);
  if (also.length === 0) return null;
  const count = also.reduce((sum, a) => sum + 1 + a.others.length, 0);
  const open = (r: RangeRow) => void choose.setState({ view: "sheet", row: r.e.id });
  return (
    <section aria-label="Also fits" className="mt-2">
      <h2 className="border-t border-rule pt-2 text-[17px]">
        Also fits <span className="small quiet font-normal">{count}, nearly alike ones in one row</span>
      </h2>
      <ol>
        {(isAll ? also : also.slice(0, SHOWN)).map(({ best, others }) => (
          <li
            key={best.e.id}
            className="grid grid-cols-1 lg:grid-cols-[minmax(0,1fr)_300px_90px] items-center gap-x-4 border-t border-base-300 py-1"
          >
            <p className="min-w-0">
              <button
                type="button"
                className="cursor-pointer text-left font-bold hover:underline"
                onClick={() => open(best)}
              >
                {best.e.name}
              </button>
              {others.length > 0 && (
                <>
                  {" "}
                  <label className="small quiet">
                    <span className="sr-only">{best.e.name}: nearly alike</span>
                    <select
                      className="max-w-[230px] cursor-pointer border-b border-rule bg-transparent"
                      value=""
                      onChange={(e) => {
                        const row = others.find((r) => r.e.id === e.target.value);
                        if (row) open(row);
                      }}
                    >
                      <option value="">{others.length} more alike</option>
                      {others.map((r) => (
                        <option key={r.e.id} value={r.e.id}>
                          {r.e.name}
                        </option>
                      ))}
                    </select>
                  </label>
                </>
              )}
            </p>
            <SmallRidge
              row={best}
              most={most}
              chairAt={choose.tissue === "kneecap" ? 1 : null}
              id={`also-${best.e.id}`}
              isLow
            />
            <p className="text-right">
              {best.computed ? tissueShort(choose.tissue, best.computed.peak) : "quiet"}
            </p>
          </li>
        ))}
      </ol>
      {also.length > SHOWN && (
        <button type="button" className="small mt-1 cursor-pointer underline" onClick={() => setAll(!isAll)}>
          {isAll ? "Fewer kinds" : `${also.length - SHOWN} more kinds`}
        </button>
      )}
    </section>
  );
}

/** What is kept out in one line of reasons with counts; one by one behind it. */
function KeptOut({ rows }: { rows: Parameters<typeof keptOutBy>[0] }) {
  const [isOpen, setOpen] = useState(false);
  const say = useSay();
  if (rows.length === 0) return null;
  const kinds = keptOutBy(rows);
  return (
    <section aria-label="Kept out today" className="mt-2 border-t border-rule pt-2">
      <p>
        <b className="text-accent">Kept out today, {rows.length}:</b>{" "}
        {kinds
          .slice(0, 4)
          .map((k) => `${say(k.because)} (${k.rows.length})`)
          .join(" · ")}
        {kinds.length > 4 ? ` · other reasons ${kinds.slice(4).reduce((n, k) => n + k.rows.length, 0)}` : ""}{" "}
        <button
          type="button"
          aria-expanded={isOpen}
          className="cursor-pointer underline"
          onClick={() => setOpen(!isOpen)}
        >
          {isOpen ? "fold" : "why, one by one"}
        </button>
      </p>
      {isOpen && <Barred rows={[...rows]} />}
    </section>
  );
}
