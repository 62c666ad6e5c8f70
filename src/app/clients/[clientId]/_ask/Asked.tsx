"use client";
import { useEffect, useState } from "react";
import { z } from "zod";
import { REQUEST_KIND_IDS } from "@/core/requests/requestInput";
import { REQUEST_KINDS } from "@/words/en/requests";

const EVERY_MS = 15_000;
const answer = z.object({
  result: z.array(
    z.object({
      id: z.string(),
      kind: z.enum(REQUEST_KIND_IDS),
      words: z.string(),
      isAllowed: z.boolean().nullable(),
      answer: z.string().nullable(),
      answeredBy: z.string().nullable(),
      at: z.string(),
    }),
  ),
});
type Seen = z.infer<typeof answer>["result"][number];
const SHOWN_MS = 12 * 3_600_000;

/** What was asked today and what was said to it; looked for now and then, so that it is seen where one works. */
export function Asked({
  clientId,
  turn,
  className = "",
}: {
  clientId: string;
  turn: number;
  className?: string;
}) {
  const [seen, setSeen] = useState<readonly Seen[]>([]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: a new turn looks at once
  useEffect(() => {
    let isOver = false;
    const look = async () => {
      const response = await fetch(`/api/clients/${clientId}/requests`).catch(() => null);
      if (!response?.ok || isOver) return;
      const parsed = answer.safeParse(await response.json().catch(() => null));
      if (parsed.success && !isOver)
        setSeen(parsed.data.result.filter((r) => Date.now() - Date.parse(r.at) < SHOWN_MS).slice(0, 2));
    };
    void look();
    const timer = setInterval(look, EVERY_MS);
    return () => {
      isOver = true;
      clearInterval(timer);
    };
  }, [clientId, turn]);
  if (seen.length === 0) return null;
  return (
    <ul className={className} aria-live="polite" aria-label="Asked of a therapist">
      {seen.map((r) => (
        <li key={r.id}>
          Asked for {REQUEST_KINDS[r.kind]}:{" "}
          <b>
            {r.isAllowed === null
              ? "not answered yet"
              : r.isAllowed
                ? `allowed by ${r.answeredBy}`
                : `refused by ${r.answeredBy}`}
          </b>
          {r.answer ? `, ${r.answer}` : ""}
        </li>
      ))}
    </ul>
  );
}
