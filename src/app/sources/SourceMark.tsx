"use client";
import { useRouter } from "next/navigation";
import { useRef, useState } from "react";
import { Problem } from "@/ui/form/Problem";
import { Words } from "@/ui/form/Words";
import { send } from "@/ui/send";

/** Marks a source as checked, with what was found, or takes the mark back. */
export function SourceMark({ citation, isChecked }: { citation: string; isChecked: boolean }) {
  const router = useRouter();
  const dialog = useRef<HTMLDialogElement>(null);
  const [note, setNote] = useState("");
  const [problem, setProblem] = useState<string | null>(null);
  const mark = async () => {
    const sent = await send("/api/sources", {
      id: crypto.randomUUID(),
      citation,
      isChecked: !isChecked,
      note,
    });
    if (!sent.ok) return setProblem(sent.problems[0]?.sentence ?? null);
    dialog.current?.close();
    setNote("");
    router.refresh();
  };
  const words = isChecked ? "take the mark back" : "mark as checked";
  return (
    <>
      <button
        type="button"
        className="small cursor-pointer underline"
        aria-label={`${words}: ${citation}`}
        onClick={() => dialog.current?.showModal()}
      >
        {words}
      </button>
      <dialog ref={dialog} className="modal text-left" aria-label={citation}>
        <form
          className="modal-box border border-rule bg-base-100"
          onSubmit={(e) => {
            e.preventDefault();
            mark();
          }}
        >
          <h2 className="text-lg">{citation}</h2>
          <Words
            label="what was found in it, where"
            name="note"
            value={note}
            onChange={(e) => setNote(e.target.value)}
          />
          <Problem sentence={problem} />
          <p className="mt-3 flex gap-2">
            <button type="submit" className="btn btn-primary btn-sm">
              {isChecked ? "Take the mark back" : "Mark as checked"}
            </button>
            <button type="button" className="btn btn-sm" onClick={() => dialog.current?.close()}>
              Close
            </button>
          </p>
        </form>
      </dialog>
    </>
  );
}
