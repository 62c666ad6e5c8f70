"use client";
import { useRef, useState } from "react";
import type { KeptLine } from "@/core/sheet/line/keptLine";
import { type MassUnit, poundsBeside } from "@/core/units/mass";
import { plannedLoadKg } from "@/core/visit/between/eased";
import type { Offer } from "@/core/visit/between/offer";
import type { VisitState } from "@/core/visit/run";
import type { Task } from "@/core/visit/tasks";
import type { VisitEvent } from "@/core/visit/visitEvent";
import { Dialog } from "@/ui/Dialog";

const KEY = "btn btn-lg border-rule bg-base-100 font-normal";

/** A set in few words: what is set is named only where it changes. */
const setWords = (s: { how: string | null; reps: number | null }, isOtherLoad: boolean): string =>
  `${isOtherLoad && s.how ? `${s.how}, ` : ""}${s.reps} reps`;

/** What can be done beside the plan, one tap each: undo, ease, one set more, leave out, swap, note. */
export function LineActions({
  action,
  missing,
  line,
  massUnit,
  task,
  state,
  beats,
  usesCell,
  usesSensor,
  canUndo,
  offer,
  onTake,
  onSpace,
  onUndo,
  onSwap,
  onAsk,
  onBeats,
  onCell,
  onSensor,
  happen,
}: {
  /** what the large key does now; null: nothing */
  action: string | null;
  /** what the screen waits for instead */
  missing: string | null;
  line: KeptLine;
  massUnit: MassUnit;
  task: Task;
  state: VisitState;
  beats: boolean;
  usesCell: boolean;
  usesSensor: boolean;
  canUndo: boolean;
  /** the next set, by how the last one went; null: as planned */
  offer: Offer | null;
  onTake: () => void;
  onSpace: () => void;
  onUndo: () => void;
  onSwap: () => void;
  onAsk: () => void;
  onBeats: () => void;
  onCell: () => void;
  onSensor: () => void;
  happen: (event: VisitEvent) => void;
}) {
  const noteDialog = useRef<HTMLDialogElement>(null);
  const more = useRef<HTMLDetailsElement>(null);
  const [note, setNote] = useState("");
  const isOtherLoad = offer !== null && offer.loadKg !== task.loadKg;
  const isBetween = state.phase === "set-up" || state.phase === "pain-before" || state.phase === "ready";
  const at = Date.now();
  const { lineId } = line;
  const easier = line.lighter.find((l) =>
    task.loadKg === null
      ? false
      : line.isHelp
        ? l.loadKg > task.loadKg + 1e-6
        : l.loadKg < task.loadKg - 1e-6,
  );
  const asPlannedKg = plannedLoadKg(line);
  const isEased = task.plannedKg !== task.loadKg;
  // what is seldom wanted stands one tap away, so that the row never wraps at arm's length
  const set = isBetween
    ? [
        { words: "leave out this set", run: () => happen({ type: "skip", lineId, what: "set", at }) },
        { words: "swap", run: onSwap },
      ]
    : [];
  const rare: { words: string; run: () => void; isOn?: boolean; isNarrow?: boolean }[] = [
    // on a narrow screen the row has room for the large key, undo, and ease
    ...set.map((one) => ({ ...one, isNarrow: !offer })),
    ...(isBetween
      ? [
          { words: "one set more", run: () => happen({ type: "add-set", lineId, at }) },
          {
            words: "leave out the line",
            run: () => happen({ type: "skip", lineId, what: "line", at }),
          },
        ]
      : []),
    { words: "note", run: () => noteDialog.current?.showModal() },
    { words: "ask a therapist", run: onAsk },
    { words: `beats ${beats ? "on" : "off"}`, run: onBeats, isOn: beats },
    ...(task.holdS !== null && line.aimForceN !== null
      ? [{ words: `load cell ${usesCell ? "on" : "off"}`, run: onCell, isOn: usesCell }]
      : []),
    ...(task.holdS === null && line.toDeg !== null && line.fromDeg !== line.toDeg
      ? [{ words: `angle sensor ${usesSensor ? "on" : "off"}`, run: onSensor, isOn: usesSensor }]
      : []),
  ];
  return (
    <footer className="flex flex-wrap items-center gap-2 px-4 pb-2 lg:gap-3 lg:px-8 text-[17px]">
      <button
        type="button"
        className="btn btn-primary btn-lg min-w-[200px] max-sm:w-full"
        onClick={onSpace}
        disabled={!action}
      >
        {action ?? missing ?? "Nothing to do now"}{" "}
        {action && <kbd className="[@media(hover:none)]:hidden">space</kbd>}
      </button>
      {offer && (
        <>
          <button
            type="button"
            className="btn btn-lg border-2 border-primary bg-base-100 font-bold"
            onClick={onTake}
          >
            {offer.isMore ? "take" : "less"}: {setWords(offer, isOtherLoad)}{" "}
            <kbd className="[@media(hover:none)]:hidden">o</kbd>
          </button>
          <button
            type="button"
            className="btn btn-lg border-2 border-rule bg-base-100 font-bold"
            onClick={() => happen({ type: "stay", lineId, at: Date.now() })}
          >
            stay: {setWords(task, isOtherLoad)}
          </button>
        </>
      )}
      <button type="button" className={KEY} onClick={onUndo} disabled={!canUndo}>
        undo
      </button>
      {isBetween && easier && !offer && (
        <button
          type="button"
          className={KEY}
          onClick={() => happen({ type: "load", lineId, loadKg: easier.loadKg, at })}
        >
          ease: {easier.how}
          {easier.loadKg > 0 && poundsBeside(easier.loadKg, massUnit)}
        </button>
      )}
      {isBetween && isEased && asPlannedKg !== null && (
        <button
          type="button"
          className={KEY}
          onClick={() => happen({ type: "load", lineId, loadKg: asPlannedKg, at })}
        >
          as planned: {task.plannedHow}
        </button>
      )}
      {/* beside an offer there is room for nothing else */}
      {(offer ? [] : set).map((one) => (
        <button key={one.words} type="button" className={`${KEY} max-md:hidden`} onClick={one.run}>
          {one.words}
        </button>
      ))}
      <details className="dropdown dropdown-top dropdown-end" ref={more}>
        <summary className={KEY}>more</summary>
        <ul className="dropdown-content z-10 mb-2 grid w-64 gap-2 border border-rule bg-base-200 p-3">
          {rare.map((r) => (
            <li key={`${r.words} ${r.isNarrow ?? false}`} className={r.isNarrow ? "md:hidden" : undefined}>
              <button
                type="button"
                className={`${KEY} w-full`}
                aria-pressed={r.isOn}
                onClick={() => {
                  more.current?.removeAttribute("open");
                  r.run();
                }}
              >
                {r.words}
              </button>
            </li>
          ))}
        </ul>
      </details>
      <Dialog ref={noteDialog} label="Note">
        <form
          method="dialog"
          onSubmit={() => {
            if (note.trim()) happen({ type: "note", lineId, words: note.trim(), at: Date.now() });
            setNote("");
          }}
        >
          <label className="grid gap-1 text-lg">
            Note to {line.name}
            <textarea
              className="textarea w-full border-rule bg-base-200 text-lg"
              maxLength={300}
              value={note}
              onChange={(e) => setNote(e.target.value)}
            />
          </label>
          <button type="submit" className="btn btn-primary mt-3">
            Keep the note
          </button>
        </form>
      </Dialog>
    </footer>
  );
}
