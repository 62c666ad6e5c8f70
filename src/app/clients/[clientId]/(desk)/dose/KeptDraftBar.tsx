"use client";
import type { KeptDraft } from "./useKeptDraft";

/** Changes that were left unsaved on this device: taken up again, or dropped. */
export function KeptDraftBar({
  kept,
  version,
  onTake,
  onDrop,
}: {
  kept: KeptDraft | null;
  /** the version that stands now */
  version: number;
  onTake: (kept: KeptDraft) => void;
  onDrop: () => void;
}) {
  if (!kept) return null;
  return (
    <p className="mt-2 border-l-4 border-mark pl-3" role="status">
      Changes to this sheet were left unsaved on this device
      {kept.baseVersion === version
        ? "."
        : `; they were made on version ${kept.baseVersion}, version ${version} stands now.`}{" "}
      <button type="button" className="btn btn-line btn-sm" onClick={() => onTake(kept)}>
        Take them up
      </button>{" "}
      <button type="button" className="btn btn-line btn-sm" onClick={onDrop}>
        Drop them
      </button>
    </p>
  );
}
