"use client";
import { useRouter } from "next/navigation";
import { type RefObject, useState } from "react";
import type { ScoreLine } from "@/core/sheet/line/scoreInput";
import { Dialog } from "@/ui/Dialog";
import { Problem } from "@/ui/form/Problem";
import { send } from "@/ui/send";
import { useSendOnce } from "@/ui/useSendOnce";
import type { Start } from "./DraftBar";

/** Keeps the sheet under a name for other clients of the clinic, or puts a kept one away. */
export function KeepTemplate({
  ref,
  lines,
  templates,
}: {
  ref: RefObject<HTMLDialogElement | null>;
  lines: readonly ScoreLine[];
  templates: readonly Start[];
}) {
  const router = useRouter();
  const sendOnce = useSendOnce();
  const [name, setName] = useState("");
  const [problem, setProblem] = useState<string | null>(null);
  const after = async (sent: Awaited<ReturnType<typeof send>>) => {
    if (!sent.ok) return setProblem(sent.problems[0]?.sentence ?? "It was not kept. Try again.");
    setProblem(null);
    setName("");
    router.refresh();
    ref.current?.close();
  };
  const keep = async () =>
    after(await sendOnce("/api/sheet-templates", (id) => ({ id, name, items: lines })));
  return (
    <Dialog ref={ref} label="Keep as a template" size="narrow">
      <h2 className="text-lg">Keep as a template</h2>
      <p className="mt-1">
        The clinic can start other clients' sheets from it; each client's own limits judge every line again.
      </p>
      <form
        className="mt-3 flex gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          keep();
        }}
      >
        <input
          aria-label="Name of the template"
          className="input input-sm w-full"
          value={name}
          maxLength={60}
          placeholder="calm knee, 30 minutes"
          onChange={(e) => setName(e.target.value)}
        />
        <button type="submit" className="btn btn-primary btn-sm" disabled={lines.length === 0}>
          Keep
        </button>
      </form>
      {templates.some((t) => t.name.toLowerCase() === name.trim().toLowerCase()) && (
        <p className="small mt-1">A template has this name: keeping replaces it.</p>
      )}
      <Problem sentence={problem} />
      {templates.length > 0 && (
        <ul className="mt-3 border-t border-rule pt-2">
          {templates.map((t) => (
            <li key={t.id} className="flex items-center justify-between gap-3">
              {t.name}
              <button
                type="button"
                className="small cursor-pointer underline"
                aria-label={`put away ${t.name}`}
                onClick={async () => after(await send(`/api/sheet-templates/${t.id}/retire`, {}))}
              >
                put away
              </button>
            </li>
          ))}
        </ul>
      )}
      <button type="button" className="btn btn-line btn-sm mt-3" onClick={() => ref.current?.close()}>
        Close
      </button>
    </Dialog>
  );
}
