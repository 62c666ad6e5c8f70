"use client";
import { ReasonDialog } from "@/ui/form/ReasonDialog";

/** Marks a source as checked, with what was found, or takes the mark back. */
export function SourceMark({ citation, isChecked }: { citation: string; isChecked: boolean }) {
  const words = isChecked ? "take the mark back" : "mark as checked";
  return (
    <ReasonDialog
      trigger={words}
      triggerLabel={`${words}: ${citation}`}
      title={citation}
      label="what was found in it, where"
      confirm={isChecked ? "Take the mark back" : "Mark as checked"}
      cancel="Close"
      path="/api/sources"
      bodyOf={(note, id) => ({ id, citation, isChecked: !isChecked, note })}
    />
  );
}
