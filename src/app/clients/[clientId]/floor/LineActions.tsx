"use client";
import { useRef, useState } from "react";
import type { KeptLine } from "@/core/sheet/line/keptLine";
import type { VisitState } from "@/core/visit/run";
import type { Task } from "@/core/visit/tasks";
import type { VisitEvent } from "@/core/visit/visitEvent";
import { Dialog } from "@/ui/Dialog";

const KEY = "btn btn-lg border-rule bg-base-100 font-normal";

/** What can be done beside the plan, one tap each: undo, ease, one set more, leave out, swap, note. */
export function LineActions({
  action,
  line,
  task,
  state,
  beats,
  usesCell,
  usesSensor,
  canUndo,
  onSpace,
  onUndo,
  onSwap,
  onBeats,
  onCell,
  onSensor,
  happen,
}: {
  /** what the large key does now; null: nothing */
  action: string | null;
  line: KeptLine;
  task: Task;
  state: VisitState;
  beats: boolean;
  usesCell: boolean;
  usesSensor: boolean;
  canUndo: boolean;
  onSpace: () => void;
  onUndo: () => void;
  onSwap: () => void;
  onBeats: () => void;
  onCell: () => void;
  onSensor: () => void;
  happen: (event: VisitEvent) => void;
}) {
  const noteDialog = useRef<HTMLDialogElement>(null);
  const [note, setNote] = useState("");
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
  const planned = line.sets[Math.min(task.set, line.sets.length - 1)];
  const isEased =
    planned?.loadKg != null && task.loadKg !== null && Math.abs(planned.loadKg - task.loadKg) > 1e-6;
  return (
    <footer className="flex flex-wrap items-center gap-3 px-8 pb-2 text-[17px]">
      <button
        type="button"
        className="btn btn-primary btn-lg min-w-[200px]"
        onClick={onSpace}
        disabled={!action}
      >
        {action ?? "Answer the pain first"}{" "}
        {action && <kbd className="[@media(hover:none)]:hidden">space</kbd>}
      </button>
      <button type="button" className={KEY} onClick={onUndo} disabled={!canUndo}>
        undo
      </button>
      {isBetween && easier && (
        <button
          type="button"
          className={KEY}
          onClick={() => happen({ type: "load", lineId, loadKg: easier.loadKg, how: easier.how, at })}
        >
          ease: {easier.how}
        </button>
      )}
      {isBetween && isEased && planned?.how && planned.loadKg !== null && (
        <button
          type="button"
          className={KEY}
          onClick={() =>
            happen({ type: "load", lineId, loadKg: planned.loadKg as number, how: planned.how as string, at })
          }
        >
          as planned: {planned.how}
        </button>
      )}
      {isBetween && (
        <>
          <button
            type="button"
            className={KEY}
            onClick={() => happen({ type: "skip", lineId, what: "set", at })}
          >
            leave out this set
          </button>
          <button
            type="button"
            className={KEY}
            onClick={() => happen({ type: "skip", lineId, what: "line", at })}
          >
            leave out the line
          </button>
          <button type="button" className={KEY} onClick={() => happen({ type: "add-set", lineId, at })}>
            one set more
          </button>
          <button type="button" className={KEY} onClick={onSwap}>
            swap
          </button>
        </>
      )}
      <button type="button" className={KEY} onClick={() => noteDialog.current?.showModal()}>
        note
      </button>
      <button type="button" className={KEY} onClick={onBeats} aria-pressed={beats}>
        beats {beats ? "on" : "off"}
      </button>
      {task.holdS !== null && line.aimForceN !== null && (
        <button type="button" className={KEY} onClick={onCell} aria-pressed={usesCell}>
          load cell {usesCell ? "on" : "off"}
        </button>
      )}
      {task.holdS === null && line.toDeg !== null && line.fromDeg !== line.toDeg && (
        <button type="button" className={KEY} onClick={onSensor} aria-pressed={usesSensor}>
          angle sensor {usesSensor ? "on" : "off"}
        </button>
      )}
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
