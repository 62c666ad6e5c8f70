"use client";
import { useRouter } from "next/navigation";
import { useRef, useState } from "react";
import type { ClientEpisode } from "@/server/client/clients";
import { Problem } from "@/ui/form/Problem";
import { Link } from "@/ui/Link";
import { useSendOnce } from "@/ui/useSendOnce";
import { AskDialog } from "../_ask/AskDialog";
import { Asked } from "../_ask/Asked";

/** The floor is closed for this client: why, and who can open it how. */
export function FloorBarred({
  client,
  sentence,
  warning,
  mayClear,
}: {
  client: ClientEpisode;
  sentence: string;
  warning: string | null;
  mayClear: boolean;
}) {
  const router = useRouter();
  const sendOnce = useSendOnce();
  const [reason, setReason] = useState("");
  const [problem, setProblem] = useState<string | null>(null);
  const askDialog = useRef<HTMLDialogElement>(null);
  const [asked, setAsked] = useState(0);
  const clear = async () => {
    const sent = await sendOnce(`/api/clients/${client.clientId}/clearances`, (id) => ({
      id,
      clears: warning,
      reason,
    }));
    if (!sent.ok) return setProblem(sent.problems[0]?.sentence ?? null);
    router.refresh();
  };
  return (
    <main data-theme="gym" className="min-h-dvh bg-base-200 px-8 py-8 text-base-content">
      <p className="text-lg text-primary">Floor</p>
      <h1 className="mt-4 text-3xl">{client.name}</h1>
      <p className="mt-6 max-w-[52ch] border-l-4 border-mark pl-4 text-[22px] leading-snug">{sentence}</p>
      {warning && mayClear && (
        <form
          className="mt-6 grid max-w-[640px] gap-3 text-lg"
          onSubmit={(e) => {
            e.preventDefault();
            clear();
          }}
        >
          <label className="grid gap-1">
            Clear it, because
            <input
              className="input input-lg w-full border-rule bg-base-100"
              value={reason}
              onChange={(e) => setReason(e.target.value)}
            />
          </label>
          <Problem sentence={problem} />
          <button type="submit" className="btn btn-primary justify-self-start">
            Clear the warning sign
          </button>
        </form>
      )}
      <Asked clientId={client.clientId} turn={asked} className="mt-6 text-lg" />
      <p className="mt-8 flex flex-wrap gap-x-6 gap-y-2 text-lg">
        {!mayClear && (
          <button
            type="button"
            className="cursor-pointer underline"
            onClick={() => askDialog.current?.showModal()}
          >
            Ask a therapist
          </button>
        )}
        <Link href={`/clients/${client.clientId}`} className="underline">
          What comes next for {client.name}
        </Link>
        <Link href={`/clients/${client.clientId}/screen`} className="underline">
          Warning signs
        </Link>
        <Link href="/" className="underline">
          Today
        </Link>
      </p>
      <AskDialog
        ref={askDialog}
        clientId={client.clientId}
        about={{ sheetId: null, lineId: null, name: client.name }}
        onAsked={() => setAsked((n) => n + 1)}
      />
    </main>
  );
}
