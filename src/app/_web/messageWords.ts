import type { OutboxMessage } from "@/server/links/links";

/** The message around a link. Nobody's name and nothing of the body stands in it: it may be read over a shoulder. */
export const messageWords = (m: Pick<OutboxMessage, "purpose">, clinic: string): string =>
  m.purpose === "morning"
    ? `Good morning from ${clinic}. A few short questions about yesterday's exercises, half a minute:`
    : `From ${clinic}: your exercises for home. Open it once where there is a network; then it works without.`;
