import { Problem } from "@/ui/form/Problem";
import type { useScore } from "./useScore";

/** Saving, undo and redo; it stays in sight while the editor is scrolled. */
export function SaveBar({
  problem,
  words,
  score,
  mayWrite,
  maySave,
  mayRun,
  onFloor,
  onSave,
  onKeep,
}: {
  /** why nothing is or can be saved */
  problem: string | null;
  /** what is saved, in words */
  words: string;
  score: Pick<ReturnType<typeof useScore>, "undo" | "redo" | "canUndo" | "canRedo">;
  mayWrite: boolean;
  maySave: boolean;
  mayRun: boolean;
  onFloor: () => void;
  onSave: () => void;
  onKeep: () => void;
}) {
  return (
    <div className="bottom-0 mt-4 border-t border-rule bg-base-100 pb-1 pt-3 md:sticky">
      <Problem sentence={problem} />
      <p className="mt-2 flex flex-wrap gap-1.5">
        <button type="button" className="btn btn-primary btn-sm" onClick={onFloor} disabled={!mayRun}>
          Take to floor
        </button>
        {mayWrite && (
          <button type="button" className="btn btn-line btn-sm" onClick={onSave} disabled={!maySave}>
            Save sheet <kbd>S</kbd>
          </button>
        )}
      </p>
      {mayWrite && (
        <p className="mt-1.5 flex flex-wrap gap-1.5">
          <button
            type="button"
            className="btn btn-line btn-sm"
            onClick={score.undo}
            disabled={!score.canUndo}
          >
            Undo <kbd>Z</kbd>
          </button>
          <button
            type="button"
            className="btn btn-line btn-sm"
            onClick={score.redo}
            disabled={!score.canRedo}
          >
            Redo <kbd>Y</kbd>
          </button>
          <button type="button" className="btn btn-line btn-sm" onClick={onKeep}>
            Keep as a template
          </button>
        </p>
      )}
      <p className="small quiet mt-2" aria-live="polite">
        {words}
      </p>
    </div>
  );
}
