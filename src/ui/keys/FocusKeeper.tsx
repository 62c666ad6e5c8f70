"use client";
import { useEffect } from "react";
import { RUN } from "./useKeys";

/**
 * What had the focus may go away under it: a line is taken out, a bar is answered, a form is saved. The focus then stays
 * near, on what is left around it, else on the screen's heading, so that Tab goes on from where one was. Never on a
 * control: the next space bar would press what nobody chose.
 */
export function FocusKeeper() {
  useEffect(() => {
    let path: Element[] = [];
    const keep = (own: Element | null) => {
      path = [];
      for (let at = own; at && at !== document.body; at = at.parentElement) path.push(at);
    };
    const remember = (e: FocusEvent) => keep(e.target as Element);
    // a page may be in use before anything here listens
    keep(document.activeElement);
    const isLost = () => document.activeElement === null || document.activeElement === document.body;
    const look = () => {
      const [own, ...around] = path;
      if (!own || !isLost()) return;
      if (own.isConnected) {
        // a button that works is disabled for a moment, and takes up its focus again; not where space runs the timer
        if (own instanceof HTMLButtonElement && !own.disabled && !own.closest(RUN))
          own.focus({ preventScroll: true });
        return;
      }
      path = [];
      const near = around.find((left) => left.isConnected && !left.matches("main, dialog"));
      const next = near ?? document.querySelector("main h1, main h2, main");
      if (!(next instanceof HTMLElement)) return;
      next.tabIndex = -1;
      next.focus({ preventScroll: true });
    };
    // a field that is left on purpose, by Escape or a press beside it, wants nothing
    const leave = (e: FocusEvent) => {
      const own = e.target as Element;
      // what is being taken out still hangs there while this is told
      setTimeout(() => {
        if (path[0] === own && isLost() && own.isConnected && !own.matches(":disabled")) path = [];
      });
    };
    const changed = new MutationObserver(() => {
      if (path.length > 0 && isLost()) setTimeout(look);
    });
    changed.observe(document.body, {
      childList: true,
      subtree: true,
      attributes: true,
      attributeFilter: ["disabled"],
    });
    document.addEventListener("focusin", remember);
    document.addEventListener("focusout", leave);
    return () => {
      changed.disconnect();
      document.removeEventListener("focusin", remember);
      document.removeEventListener("focusout", leave);
    };
  }, []);
  return null;
}
