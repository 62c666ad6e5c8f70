"use client";
import { ReasonDialog } from "@/ui/form/ReasonDialog";

/** Closes the episode with a reason; it stays in the record and another can be begun. */
export function CloseEpisode({ clientId, version }: { clientId: string; version: number }) {
  return (
    <ReasonDialog
      trigger="close this episode"
      title="Close this episode?"
      explanation="Nothing is deleted. The client leaves Today; a new episode can be begun from the caseload."
      label="because"
      confirm="Close it"
      cancel="Keep it open"
      path={`/api/clients/${clientId}/close`}
      bodyOf={(because) => ({ version, because })}
      after={`/clients/${clientId}/episodes`}
    />
  );
}
