"use client";
import { useRouter } from "next/navigation";
import { useEffect, useRef, useState } from "react";
import { Dialog } from "@/ui/Dialog";
import { Problem } from "@/ui/form/Problem";
import { Words } from "@/ui/form/Words";
import { send } from "@/ui/send";
import { useSendOnce } from "@/ui/useSendOnce";

interface EditedStance {
  id: string;
  topic: string;
  changes: string;
  defaultReason: string;
  source: string;
  /** bounds of the condition, else drafts and their order */
  changesLimits: boolean;
  options: {
    id: string;
    label: string;
    speaksFor: string;
    speaksAgainst: string;
    effect: string | null;
    needsSurgeon: boolean;
  }[];
}

/** What a choice would change, as the server computed it without saving anything. */
export interface StancePreview {
  limits: string[];
  exercises: string[];
  draft: string[];
  practice: string[];
}

/** Chooses a stance: reasons for and against each answer, and what it changes, before anything is saved. */
export function StanceEditor({
  clientId,
  stance,
  chosen,
  replaces,
  hasOwn,
}: {
  clientId: string | null;
  stance: EditedStance;
  chosen: string;
  replaces: string | null;
  hasOwn: boolean;
}) {
  const router = useRouter();
  const sendOnce = useSendOnce();
  const dialog = useRef<HTMLDialogElement>(null);
  const [isOpen, setOpen] = useState(false);
  const [option, setOption] = useState(chosen);
  const [reason, setReason] = useState("");
  const [surgeonAgrees, setSurgeonAgrees] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const preview = usePreview(clientId, stance, option, isOpen && option !== chosen);
  const picked = stance.options.find((o) => o.id === option);

  const save = async (optionId: string | null) => {
    const to = clientId ? `/api/clients/${clientId}/stances` : "/api/stances";
    done(
      await sendOnce(
        to,
        (id) => ({ id, stanceId: stance.id, optionId, reason, replaces, surgeonAgrees }),
        "The stance stands.",
      ),
    );
  };
  const sayOtherwise = async () =>
    done(
      await sendOnce(
        `/api/clients/${clientId}/stance-views`,
        (id) => ({ id, stanceId: stance.id, optionId: option, reason }),
        "The other view is noted.",
      ),
    );
  const done = (sent: Awaited<ReturnType<typeof send>>) => {
    if (!sent.ok) {
      if (sent.status === 409) router.refresh();
      return setProblem(sent.problems[0]?.sentence ?? null);
    }
    setProblem(null);
    setReason("");
    dialog.current?.close();
    router.refresh();
  };
  return (
    <>
      <button
        type="button"
        className="small cursor-pointer underline"
        aria-label={`Compare and choose: ${stance.topic}`}
        onClick={() => {
          setOption(chosen);
          setOpen(true);
          dialog.current?.showModal();
        }}
      >
        compare
      </button>
      <Dialog ref={dialog} label={stance.topic} onClose={() => setOpen(false)} size="card">
        <h2 className="text-lg">{stance.topic}</h2>
        <fieldset className="mt-2">
          <legend className="sr-only">Answers</legend>
          {stance.options.map((o) => (
            <label key={o.id} className="flex gap-2 border-t border-rule py-1.5">
              <input
                type="radio"
                name={`stance-${stance.id}`}
                className="radio radio-primary radio-sm mt-0.5"
                checked={option === o.id}
                onChange={() => setOption(o.id)}
              />
              <span>
                <b>{o.label}</b> {o.id === chosen && <span className="small quiet">in force</span>}
                <span className="small block">+ {o.speaksFor}</span>
                {o.speaksAgainst && <span className="small block">− {o.speaksAgainst}</span>}
                {o.effect && <span className="small quiet block">Then {o.effect}.</span>}
              </span>
            </label>
          ))}
        </fieldset>
        <p className="small quiet mt-1">
          Default, because: {stance.defaultReason} Source: {stance.source}.
        </p>
        <div className="mt-2 min-h-12 border-l-4 border-primary pl-3" aria-live="polite">
          <PreviewWords
            stance={stance}
            isSame={option === chosen}
            preview={preview}
            clinic={clientId === null}
          />
        </div>
        {picked?.needsSurgeon && (
          <label className="mt-2 flex items-center gap-2">
            <input
              type="checkbox"
              className="checkbox checkbox-primary checkbox-sm"
              checked={surgeonAgrees}
              onChange={(e) => setSurgeonAgrees(e.target.checked)}
            />
            the surgeon's written agreement is on file
          </label>
        )}
        <div className="mt-2">
          <Words
            label="because"
            name={`because-${stance.id}`}
            value={reason}
            onChange={(e) => setReason(e.target.value)}
          />
        </div>
        <Problem sentence={problem} />
        <p className="mt-3 flex flex-wrap gap-2">
          <button
            type="button"
            className="btn btn-primary btn-sm"
            disabled={option === chosen}
            onClick={() => save(option)}
          >
            {clientId ? "Choose it for this client" : "Make it the clinic's default"}
          </button>
          {clientId && option !== chosen && (
            <button type="button" className="btn btn-sm btn-line" onClick={sayOtherwise}>
              Only note that I see it so
            </button>
          )}
          {hasOwn && (
            <button type="button" className="btn btn-sm btn-line" onClick={() => save(null)}>
              Back to the default
            </button>
          )}
          <button type="button" className="btn btn-sm" onClick={() => dialog.current?.close()}>
            Close
          </button>
        </p>
      </Dialog>
    </>
  );
}

/** Neither a limit nor a draft: what it changes is seen on its own page. */
const isElsewhere = (s: EditedStance): boolean =>
  !s.changesLimits && s.options.every((o) => o.effect === null);

function PreviewWords({
  stance,
  isSame,
  preview,
  clinic,
}: {
  stance: EditedStance;
  isSame: boolean;
  preview: StancePreview | null;
  clinic: boolean;
}) {
  if (isSame) return <p className="quiet">Choose another answer to see what it changes.</p>;
  if (isElsewhere(stance)) return <p>Changes {stance.changes}.</p>;
  if (clinic)
    return (
      <p>
        Changes {stance.changes}
        {stance.changesLimits ? " for every client who has it" : " for every client"} for whom nothing else is
        chosen.
      </p>
    );
  if (!preview) return <p className="quiet">Working out what it changes …</p>;
  const changed = [...preview.limits, ...preview.exercises, ...preview.draft, ...preview.practice];
  if (changed.length === 0)
    return (
      <p>Changes nothing for this client today: {stance.changes} may be other in a later phase or draft.</p>
    );
  return (
    <>
      <p className="font-bold">It would change</p>
      <ul className="small">
        {changed.map((w) => (
          <li key={w}>{w}</li>
        ))}
      </ul>
    </>
  );
}

/** Asks the server what a choice would change; nothing is saved by asking. */
function usePreview(
  clientId: string | null,
  stance: EditedStance,
  optionId: string,
  isAsked: boolean,
): StancePreview | null {
  const [preview, setPreview] = useState<StancePreview | null>(null);
  useEffect(() => {
    setPreview(null);
    if (!clientId || !isAsked || isElsewhere(stance)) return;
    let isCurrent = true;
    send<StancePreview>(`/api/clients/${clientId}/stances/preview`, { stanceId: stance.id, optionId }).then(
      (sent) => isCurrent && sent.ok && setPreview(sent.result),
    );
    return () => {
      isCurrent = false;
    };
  }, [clientId, stance, optionId, isAsked]);
  return preview;
}
