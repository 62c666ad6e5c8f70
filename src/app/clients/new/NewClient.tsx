"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import type { PersonInput } from "@/core/story/storyInput";
import type { MassUnit } from "@/core/units/mass";
import { send } from "@/ui/send";
import type { StoryChoices } from "../_story/choices";
import { StoryForm } from "../_story/StoryForm";
import { EMPTY_STORY, lengthText, massText } from "../_story/storyDraft";

/** Enters a story and goes on to the warning signs. */
export function NewClient({
  choices,
  massUnit,
  known,
}: {
  choices: StoryChoices;
  massUnit: MassUnit;
  known: { clientId: string; person: PersonInput } | null;
}) {
  const router = useRouter();
  // made once: sending twice makes one client
  const [ids] = useState(() => ({
    clientId: known?.clientId ?? crypto.randomUUID(),
    episodeId: crypto.randomUUID(),
  }));
  const start = known
    ? {
        ...EMPTY_STORY,
        name: known.person.name,
        occupation: known.person.occupation,
        birthYear: String(known.person.birthYear),
        heightM: String(known.person.heightM),
        bodyMass: massText(known.person.bodyMassKg, massUnit),
        shankCm: lengthText(known.person.shankLengthM),
        normSex: known.person.normSex ?? ("none" as const),
      }
    : EMPTY_STORY;
  return (
    <StoryForm
      version={0}
      place={`story new ${known?.clientId ?? ""}`}
      start={start}
      choices={choices}
      massUnit={massUnit}
      saveWords="Save and go to the warning signs"
      savedWords="Saved."
      onSave={async (story) => {
        const sent = known
          ? await send(`/api/clients/${ids.clientId}/episodes`, {
              episodeId: ids.episodeId,
              ...story,
            })
          : await send("/api/clients", { ...ids, ...story });
        if (sent.ok) router.push(`/clients/${ids.clientId}/screen`);
        return sent;
      }}
    />
  );
}
