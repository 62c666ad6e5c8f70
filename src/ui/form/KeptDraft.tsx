"use client";
import type { z } from "zod";
import { UnsavedBar } from "./UnsavedBar";
import { useUnsaved } from "./useUnsaved";

/** Keeps on the device what is typed on a screen and not saved, and offers it again; closing the page asks. */
export function KeptDraft<T>({
  place,
  shape,
  draft,
  isChanged,
  what,
  onTake,
}: {
  place: string;
  /** what no longer fits, for example another day's, is not offered */
  shape: z.ZodType<T>;
  draft: T;
  isChanged: boolean;
  what: string;
  onTake: (draft: T) => void;
}) {
  const left = useUnsaved({ place, shape, draft, isChanged });
  if (!left.found) return null;
  return (
    <UnsavedBar
      what={what}
      onTake={() => {
        if (left.found) onTake(left.found);
        left.settled();
      }}
      onDrop={left.drop}
    />
  );
}
