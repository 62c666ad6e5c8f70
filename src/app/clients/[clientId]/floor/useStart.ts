"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import type { RecheckSign } from "@/core/visit/signs/recheckSigns";
import { send } from "@/ui/send";

/** Answers the warning signs and, if there is none, starts the visit at the clinic. */
export function useStart(clientId: string, versionId: string, onStarted: () => void) {
  const router = useRouter();
  const [problem, setProblem] = useState<string | null>(null);
  const [isBusy, setBusy] = useState(false);
  const answer = async (signs: RecheckSign[]) => {
    setBusy(true);
    setProblem(await start(signs));
    setBusy(false);
  };
  /** The sentence of what went wrong, null if nothing did. */
  const start = async (signs: RecheckSign[]): Promise<string | null> => {
    const recheckId = crypto.randomUUID();
    const asked = await send(`/api/clients/${clientId}/rechecks`, {
      id: recheckId,
      isClear: signs.length === 0,
      signs,
    });
    if (!asked.ok) return asked.problems[0]?.sentence ?? "The answer was not saved. Try again.";
    if (signs.length) {
      router.refresh();
      return null;
    }
    const id = crypto.randomUUID();
    const startedAt = new Date().toISOString();
    const started = await send(`/api/clients/${clientId}/visits`, { id, versionId, recheckId, startedAt });
    if (!started.ok) return started.problems[0]?.sentence ?? "The visit was not started. Try again.";
    onStarted();
    return null;
  };
  return { answer, problem, isBusy };
}
