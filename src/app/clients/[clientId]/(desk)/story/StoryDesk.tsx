"use client";
import { useRouter } from "next/navigation";
import type { MassUnit } from "@/core/units/mass";
import { send } from "@/ui/send";
import type { StoryChoices } from "../../../_story/choices";
import { StoryForm } from "../../../_story/StoryForm";
import type { StoryDraft } from "../../../_story/storyDraft";

/** The story of a client in care, to read and to change. */
export function StoryDesk({
  clientId,
  version,
  start,
  choices,
  massUnit,
  mayWrite,
}: {
  clientId: string;
  version: number;
  start: StoryDraft;
  choices: StoryChoices;
  massUnit: MassUnit;
  mayWrite: boolean;
}) {
  const router = useRouter();
  return (
    <StoryForm
      place={`story ${clientId}`}
      version={version}
      start={start}
      choices={choices}
      massUnit={massUnit}
      mayWrite={mayWrite}
      saveWords="Save the story"
      savedWords="Saved."
      onSave={async (story, evenIfChanged) => {
        const sent = await send(`/api/clients/${clientId}/story`, { version, evenIfChanged, ...story });
        if (sent.ok) router.refresh();
        return sent;
      }}
    />
  );
}
