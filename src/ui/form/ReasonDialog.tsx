"use client";
import { useRouter } from "next/navigation";
import { type ReactNode, useRef, useState } from "react";
import { Dialog } from "@/ui/Dialog";
import { useSendOnce } from "../useSendOnce";
import { Problem } from "./Problem";
import { Words } from "./Words";

/** A deed that asks for words first: a small button, a dialog with one line, and nothing done when it is closed. */
export function ReasonDialog({
  trigger,
  triggerLabel,
  title,
  explanation,
  label,
  confirm,
  cancel,
  path,
  bodyOf,
  after,
}: {
  trigger: string;
  /** for who hears the button out of its row */
  triggerLabel?: string;
  title: string;
  explanation?: ReactNode;
  label: string;
  confirm: string;
  cancel: string;
  path: string;
  /** `id` for what is written as a record of its own */
  bodyOf: (words: string, id: string) => object;
  /** address to go to when it is done; the page is read anew otherwise */
  after?: string;
}) {
  const router = useRouter();
  const sendOnce = useSendOnce();
  const dialog = useRef<HTMLDialogElement>(null);
  const [words, setWords] = useState("");
  const [problem, setProblem] = useState<string | null>(null);
  const doIt = async () => {
    const sent = await sendOnce(path, (id) => bodyOf(words, id), "It is done, and stands in the record.");
    if (!sent.ok) return setProblem(sent.problems[0]?.sentence ?? null);
    dialog.current?.close();
    setWords("");
    setProblem(null);
    if (after) router.push(after);
    else router.refresh();
  };
  return (
    <>
      <button
        type="button"
        className="small cursor-pointer underline"
        aria-label={triggerLabel}
        onClick={() => dialog.current?.showModal()}
      >
        {trigger}
      </button>
      <Dialog ref={dialog} label={title}>
        <form
          onSubmit={(e) => {
            e.preventDefault();
            doIt();
          }}
        >
          <h2 className="text-lg">{title}</h2>
          {explanation && <p className="my-2">{explanation}</p>}
          <Words label={label} name="words" value={words} onChange={(e) => setWords(e.target.value)} />
          <Problem sentence={problem} />
          <p className="mt-4 flex gap-2">
            <button type="submit" className="btn btn-primary btn-sm">
              {confirm}
            </button>
            <button type="button" className="btn btn-sm" onClick={() => dialog.current?.close()}>
              {cancel}
            </button>
          </p>
        </form>
      </Dialog>
    </>
  );
}
