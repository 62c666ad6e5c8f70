"use client";

/** Changes that were left unsaved on this device: taken up again, or dropped. */
export function UnsavedBar({
  what,
  since,
  onTake,
  onDrop,
}: {
  /** of what, for example "this sheet" */
  what: string;
  /** where they were made on something older than what stands now: how that reads */
  since?: string;
  onTake: () => void;
  onDrop: () => void;
}) {
  return (
    <p className="mt-2 border-l-4 border-mark pl-3" role="status">
      Changes to {what} were left unsaved on this device{since ? `; ${since}` : "."}{" "}
      <button type="button" className="btn btn-line btn-sm" onClick={onTake}>
        Take them up
      </button>{" "}
      <button type="button" className="btn btn-line btn-sm" onClick={onDrop}>
        Drop them
      </button>
    </p>
  );
}
