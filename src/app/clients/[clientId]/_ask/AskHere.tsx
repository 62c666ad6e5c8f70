"use client";
import { useRef, useState } from "react";
import { AskDialog } from "./AskDialog";
import { Asked } from "./Asked";

/** On a page of the desk: what was asked, and, for who may not change it, the way to ask. */
export function AskHere({
  clientId,
  sheetId,
  name,
  mayAsk,
}: {
  clientId: string;
  sheetId: string | null;
  name: string | null;
  mayAsk: boolean;
}) {
  const dialog = useRef<HTMLDialogElement>(null);
  const [turn, setTurn] = useState(0);
  return (
    <div className="flex flex-wrap items-baseline gap-4">
      {mayAsk && (
        <>
          <button type="button" className="btn btn-sm btn-line" onClick={() => dialog.current?.showModal()}>
            Ask a therapist
          </button>
          <AskDialog
            ref={dialog}
            clientId={clientId}
            about={{ sheetId, lineId: null, name }}
            onAsked={() => setTurn((n) => n + 1)}
          />
        </>
      )}
      <Asked clientId={clientId} turn={turn} className="small" />
    </div>
  );
}
