"use client";
import { useRef } from "react";
import { Dialog } from "@/ui/Dialog";
import { type KeyDeed, useKeys } from "./useKeys";

/** The screen's keys: they work, and `?` lists them. */
export function KeysHelp({ deeds }: { deeds: readonly KeyDeed[] }) {
  const dialog = useRef<HTMLDialogElement>(null);
  useKeys([...deeds, { key: "?", words: "this list", run: () => dialog.current?.showModal() }]);
  return (
    <>
      <button
        type="button"
        className="small quiet cursor-pointer"
        onClick={() => dialog.current?.showModal()}
      >
        keys <kbd>?</kbd>
      </button>
      <Dialog ref={dialog} label="Keys of this screen" size="narrow">
        <h2 className="mb-3 text-lg">Keys of this screen</h2>
        <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-2">
          {deeds.map((d) => (
            <div key={d.key} className="contents">
              <dt>
                <kbd>{d.label ?? d.key}</kbd>
              </dt>
              <dd>{d.words}</dd>
            </div>
          ))}
          <dt>
            <kbd>?</kbd>
          </dt>
          <dd>this list</dd>
        </dl>
        <form method="dialog" className="mt-4">
          <button type="submit" className="btn btn-primary">
            Close
          </button>
        </form>
      </Dialog>
    </>
  );
}
