"use client";
import { ReasonDialog } from "@/ui/form/ReasonDialog";

/** Takes a measurement or a test back with a reason; it stays in the record. */
export function TakeBack({ path, what }: { path: string; what: string }) {
  return (
    <ReasonDialog
      trigger="take back"
      triggerLabel={`Take back ${what}`}
      title={`Take back ${what}?`}
      explanation="It stays in the record with your reason; nothing is computed from it any more."
      label="Reason"
      confirm="Take it back"
      cancel="Keep it"
      path={path}
      bodyOf={(reason) => ({ reason })}
    />
  );
}
