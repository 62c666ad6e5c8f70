"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { Problem } from "@/ui/form/Problem";
import { useSendOnce } from "@/ui/useSendOnce";

/** What a therapist has not seen yet of visits and mornings, before anything else of the client. */
export function Concerns({
  clientId,
  concerns,
  maySee,
}: {
  clientId: string;
  concerns: readonly { visitId: string; responseId: string | null; sentence: string; on: string }[];
  maySee: boolean;
}) {
  const router = useRouter();
  const [problem, setProblem] = useState<string | null>(null);
  const sendOnce = useSendOnce();
  const see = async (c: (typeof concerns)[number]) => {
    const { visitId, responseId } = c;
    const sent = await sendOnce(
      `/api/clients/${clientId}/concerns`,
      (id) => ({ id, visitId, responseId }),
      "Seen, and kept.",
      `${visitId} ${responseId}`,
    );
    setProblem(sent.ok ? null : (sent.problems[0]?.sentence ?? "Nothing was kept. Try again."));
    if (sent.ok) router.refresh();
  };
  return (
    <section aria-label="To be seen by a therapist" className="border-b border-rule bg-base-100 px-5 py-2">
      <ul className="grid gap-1">
        {concerns.map((c) => (
          <li
            key={`${c.visitId} ${c.responseId}`}
            className="flex flex-wrap items-baseline gap-x-3 text-accent"
          >
            <svg width={14} height={14} viewBox="0 0 18 18" aria-hidden className="shrink-0">
              <rect x={2} y={2} width={14} height={14} className="fill-error" />
            </svg>
            <b>{c.sentence}</b> <span className="small">{c.on}</span>
            {maySee ? (
              <button type="button" className="btn btn-sm btn-line" onClick={() => see(c)}>
                I have seen it
              </button>
            ) : (
              <span className="small">a therapist has not seen it yet: tell one today</span>
            )}
          </li>
        ))}
      </ul>
      <Problem sentence={problem} />
    </section>
  );
}
