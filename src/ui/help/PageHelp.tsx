"use client";
import { usePathname } from "next/navigation";
import { useCallback, useEffect, useRef, useState } from "react";
import { flushSync } from "react-dom";
import { Dialog } from "@/ui/Dialog";
import { keysOfScreen } from "@/ui/keys/useKeys";
import { pageWords } from "./pages";

const ALWAYS = [
  ["/", "find anything"],
  ["?", "this help"],
  ["esc", "close what is open"],
] as const;

/** `?` says what this screen is for, its words and its keys. */
export function PageHelp() {
  const page = pageWords(usePathname());
  const dialog = useRef<HTMLDialogElement>(null);
  /** null: closed; its words are not on the screen before they are asked for */
  const [keys, setKeys] = useState<readonly (readonly [string, string])[] | null>(null);
  const open = useCallback(() => {
    // the words must stand before it opens, so that the focus finds its place
    flushSync(() => setKeys(keysOfScreen()));
    dialog.current?.showModal();
  }, []);
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      const isTyping =
        e.target instanceof HTMLElement && e.target.matches("input:not([type=range]), textarea, select");
      if (e.key !== "?" || isTyping || document.querySelector("dialog[open]")) return;
      e.preventDefault();
      open();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [open]);
  return (
    <>
      <button type="button" data-page-help className="cursor-pointer" onClick={open}>
        help <kbd>?</kbd>
      </button>
      <Dialog ref={dialog} label="Help for this screen" onClose={() => setKeys(null)}>
        {keys && (
          <>
            <h2 className="text-lg">{page?.name ?? "Help"}</h2>
            {page && <p className="mt-1 max-w-[60ch]">{page.about}</p>}
            {page && page.words.length > 0 && (
              <>
                <h3 className="mt-3 text-[15px]">Words</h3>
                <dl>
                  {page.words.map(([term, meaning]) => (
                    <div key={term} className="border-t border-base-300 py-1">
                      <dt className="inline font-bold">{term}: </dt>
                      <dd className="inline">{meaning}</dd>
                    </div>
                  ))}
                </dl>
              </>
            )}
            <h3 className="mt-3 text-[15px]">Keys of this screen</h3>
            <dl className="mt-1 grid grid-cols-[auto_1fr] gap-x-4 gap-y-1">
              {[...keys, ...ALWAYS].map(([key, words]) => (
                <div key={`${key} ${words}`} className="contents">
                  <dt>
                    <kbd>{key}</kbd>
                  </dt>
                  <dd>{words}</dd>
                </div>
              ))}
            </dl>
            <form method="dialog" className="mt-4">
              <button type="submit" className="btn btn-primary">
                Close
              </button>
            </form>
          </>
        )}
      </Dialog>
    </>
  );
}
