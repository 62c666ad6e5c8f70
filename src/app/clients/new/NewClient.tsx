"use client";
import { useRouter } from "next/navigation";
import { useRef } from "react";
import type { PersonInput } from "@/core/story/storyInput";
import type { MassUnit } from "@/core/units/mass";
import { useSendOnce } from "@/ui/useSendOnce";
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
  const sendOnce = useSendOnce();
  // the first episode of a new client has an id beside the client's
  const episodes = useRef(new Map<string, string>());
  const episodeOf = (clientId: string): string => {
    const of = episodes.current.get(clientId) ?? crypto.randomUUID();
    episodes.current.set(clientId, of);
    return of;
  };
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
        let clientId = known?.clientId ?? "";
        const sent = known
          ? await sendOnce(`/api/clients/${clientId}/episodes`, (episodeId) => ({ episodeId, ...story }))
          : await sendOnce("/api/clients", (id) => {
              clientId = id;
              return { clientId: id, episodeId: episodeOf(id), ...story };
            });
        if (sent.ok) {
          // what comes next is read from its top
          window.scrollTo(0, 0);
          router.push(`/clients/${clientId}/screen`);
        }
        return sent;
      }}
    />
  );
}
