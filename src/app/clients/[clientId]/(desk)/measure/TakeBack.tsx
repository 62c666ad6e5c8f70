"use client";
import { useRouter } from "next/navigation";
import { useRef, useState } from "react";
import { Problem } from "@/ui/form/Problem";
import { Words } from "@/ui/form/Words";
import { send } from "@/ui/send";

/** Takes a measurement or a test back with a reason; it stays in the record. */
export function TakeBack({ path, what }: { path: string; what: string }) {
  const router = useRouter();
  const dialog = useRef<HTMLDialogElement>(null);
  const [reason, setReason] = useState("");
  const [problem, setProblem] = useState<string | null>(null);
  const takeBack = async () => {
    const sent = await send(path, { reason });
    if (!sent.ok) return setProblem(sent.problems[0]?.sentence ?? null);
    dialog.current?.close();
    router.refresh();
  };
  return (
    <>
      <button
        type="button"
        className="small cursor-pointer underline"
        aria-label={`Take back ${what}`}
        onClick={() => dialog.current?.showModal()}
      >
        take back
      </button>
      <dialog ref={dialog} className="modal text-left" aria-label={`Take back ${what}`}>
        <form
          className="modal-box border border-rule bg-base-100"
          onSubmit={(e) => {
            e.preventDefault();
            takeBack();
          }}
        >
          <h3 className="text-lg">Take back {what}?</h3>
          <p className="my-2">
            It stays in the record with your reason; nothing is computed from it any more.
          </p>
          <Words label="Reason" name="reason" value={reason} onChange={(e) => setReason(e.target.value)} />
          <Problem sentence={problem} />
          <p className="mt-4 flex gap-2">
            <button type="submit" className="btn btn-primary">
              Take it back
            </button>
            <button type="button" className="btn" onClick={() => dialog.current?.close()}>
              Keep it
            </button>
          </p>
        </form>
      </dialog>
    </>
  );
}
