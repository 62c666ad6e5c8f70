"use client";
import { useRouter } from "next/navigation";
import { useEffect, useRef, useState } from "react";
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
}: {
  clientId: string;
  version: number;
  start: StoryDraft;
  choices: StoryChoices;
  massUnit: MassUnit;
}) {
  const router = useRouter();
  // what is typed on: the version the page came with, or that of one's own save; a colleague's newer one is told by the route
  const [typedOn, setTypedOn] = useState(version);
  const isOwn = useRef(false);
  useEffect(() => {
    if (!isOwn.current) return;
    isOwn.current = false;
    setTypedOn(version);
  }, [version]);
  return (
    <StoryForm
      place={`story ${clientId}`}
      version={typedOn}
      start={start}
      choices={choices}
      massUnit={massUnit}
      saveWords="Save the story"
      savedWords="Saved."
      onSave={async (story, evenIfChanged) => {
        const sent = await send(`/api/clients/${clientId}/story`, {
          version: typedOn,
          evenIfChanged,
          ...story,
        });
        if (sent.ok) {
          isOwn.current = true;
          router.refresh();
        }
        return sent;
      }}
    />
  );
}
