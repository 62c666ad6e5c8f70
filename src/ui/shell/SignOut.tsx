"use client";
import { useRef } from "react";
import { Dialog } from "../Dialog";
import { draftPlaces, dropAllDrafts } from "../form/draftStore";
import { send } from "../send";

/** Ends the session; what is unsaved on this device goes with it, and is asked about first. */
export function SignOut() {
  const dialog = useRef<HTMLDialogElement>(null);
  const leave = async () => {
    const sent = await send("/api/sign-out", {});
    if (sent.ok) dropAllDrafts();
    window.location.assign("/sign-in");
  };
  return (
    <>
      <button
        type="button"
        className="small quiet cursor-pointer"
        onClick={() => (draftPlaces().length > 0 ? dialog.current?.showModal() : leave())}
      >
        sign out
      </button>
      <Dialog ref={dialog} size="narrow" label="Sign out">
        <h2 className="text-lg">Something is not saved yet</h2>
        <p className="mt-1">
          Changes of yours still wait on this device. They go when you sign out, so that nobody after you
          reads them.
        </p>
        <p className="mt-3 flex flex-wrap gap-2">
          <button type="button" className="btn btn-sm btn-primary" onClick={() => dialog.current?.close()}>
            Stay signed in
          </button>
          <button type="button" className="btn btn-sm btn-line" onClick={leave}>
            Drop them and sign out
          </button>
        </p>
      </Dialog>
    </>
  );
}
