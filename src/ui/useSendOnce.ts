"use client";
import { useCallback, useRef } from "react";
import { type Sent, send } from "./send";

/** What was sent last under an id: what it said, and whether its reply was lost. */
interface Last {
  said: string;
  id: string;
  isLost: boolean;
}

const ARRIVED =
  "What you sent before had arrived after all, and stands. Reload the page to see it; what you changed since is still here and can be saved then.";
const NO_ANSWER = "The clinic's server does not answer. Nothing is lost here; try again.";

/** Whether anything stands at the clinic under an id; null where the clinic does not answer. */
async function stands(id: string): Promise<boolean | null> {
  try {
    const response = await fetch(`/api/written/${id}`);
    return response.ok ? (await response.json()).result.stands : null;
  } catch {
    return null;
  }
}

const notSent = (status: number, sentence: string): Sent<never> => ({
  ok: false,
  status,
  problems: [{ field: "", sentence }],
});

/**
 * Sends a new record under an id of its own. The same content keeps its id, so that a lost reply and a second press are
 * one record; what says something else gets a new one, and where the reply before it was lost the clinic is asked first
 * what stands. `bodyOf` makes the body from the id, `kept` is said once it is kept, `slot` tells apart what one screen
 * sends side by side. `firstId`: an id that outlived a reload together with what was typed.
 */
export function useSendOnce(firstId?: string) {
  const lasts = useRef(new Map<string, Last>());
  const first = useRef(firstId);
  first.current = firstId;
  const used = useRef(new Set<string>());
  return useCallback(
    async <T = null>(
      path: string,
      bodyOf: (id: string) => object,
      kept?: string,
      slot = "",
    ): Promise<Sent<T>> => {
      const said = `${path} ${JSON.stringify(bodyOf(""))}`;
      const before = lasts.current.get(slot);
      if (before?.isLost && before.said !== said) {
        const found = await stands(before.id);
        if (found === null) return notSent(0, NO_ANSWER);
        lasts.current.delete(slot);
        if (found) return notSent(409, ARRIVED);
      }
      const own = first.current && !used.current.has(first.current) ? first.current : null;
      const known = lasts.current.get(slot);
      const id = known?.said === said ? known.id : (own ?? crypto.randomUUID());
      used.current.add(id);
      const sent = await send<T>(path, bodyOf(id), kept);
      // what was kept, or is refused for what stands, is done with: the next press is a new record
      if (sent.ok || sent.status === 409) lasts.current.delete(slot);
      else lasts.current.set(slot, { said, id, isLost: sent.status === 0 || sent.status >= 500 });
      return sent;
    },
    [],
  );
}
