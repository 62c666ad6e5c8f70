"use client";
import { useRouter } from "next/navigation";
import { useRef, useState } from "react";
import { Problem } from "@/ui/form/Problem";
import { Words } from "@/ui/form/Words";
import { send } from "@/ui/send";

/** Closes the episode with a reason; it stays in the record and another can be begun. */
export function CloseEpisode({ clientId, version }: { clientId: string; version: number }) {
  const router = useRouter();
  const dialog = useRef<HTMLDialogElement>(null);
  const [because, setBecause] = useState("");
  const [problem, setProblem] = useState<string | null>(null);
  const close = async () => {
    const sent = await send(`/api/clients/${clientId}/close`, { version, because });
    if (!sent.ok) return setProblem(sent.problems[0]?.sentence ?? null);
    router.push(`/clients/${clientId}/episodes`);
  };
  return (
    <>
      <button
        type="button"
        className="small cursor-pointer underline"
        onClick={() => dialog.current?.showModal()}
      >
        close this episode
      </button>
      <dialog ref={dialog} className="modal" aria-label="Close this episode">
        <form
          className="modal-box border border-rule bg-base-100"
          onSubmit={(e) => {
            e.preventDefault();
            close();
          }}
        >
          <h2 className="text-lg">Close this episode?</h2>
          <p className="my-2">
            Nothing is deleted. The client leaves Today; a new episode can be begun from the caseload.
          </p>
          <Words
            label="because"
            name="because"
            value={because}
            onChange={(e) => setBecause(e.target.value)}
          />
          <Problem sentence={problem} />
          <p className="mt-4 flex gap-2">
            <button type="submit" className="btn btn-primary btn-sm">
              Close it
            </button>
            <button type="button" className="btn btn-sm" onClick={() => dialog.current?.close()}>
              Keep it open
            </button>
          </p>
        </form>
      </dialog>
    </>
  );
}
