"use client";
import { useEffect, useRef } from "react";
import { Dialog } from "@/ui/Dialog";
import { type KeyDeed, useKeys } from "./useKeys";

/** The screen's help where there is one: it lists the keys too. */
const pageHelp = (): HTMLButtonElement | null => document.querySelector("[data-page-help]");

/** The screen's keys: they work, and `?` lists them, on the floor by themselves, at the desk within its help. */
export function KeysHelp({ deeds }: { deeds: readonly KeyDeed[] }) {
  const dialog = useRef<HTMLDialogElement>(null);
  useKeys(deeds);
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      const isTyping =
        e.target instanceof HTMLElement && e.target.matches("input:not([type=range]), textarea, select");
      if (e.key !== "?" || isTyping || pageHelp() || document.querySelector("dialog[open]")) return;
      e.preventDefault();
      dialog.current?.showModal();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, []);
  const show = () => {
    const help = pageHelp();
    if (help) help.click();
    else dialog.current?.showModal();
  };
  return (
    <>
      <button type="button" className="small quiet cursor-pointer" onClick={show}>
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
