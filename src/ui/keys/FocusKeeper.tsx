"use client";
import { useEffect } from "react";

/** Where focus may go by itself: never into a field, where the next single key would be typed. */
const CONTROLS = "button:not(:disabled), a[href], summary, [role=slider], [tabindex='0']";

/**
 * What had the focus may go away under it: a line is taken out, a bar is answered, a form is saved. The focus then stays
 * near: on the first control of what is left around it, else on the screen's heading. So keys go on from where one was.
 */
export function FocusKeeper() {
  useEffect(() => {
    let path: Element[] = [];
    const remember = (e: FocusEvent) => {
      path = [];
      for (let at = e.target as Element | null; at && at !== document.body; at = at.parentElement)
        path.push(at);
    };
    const isLost = () => document.activeElement === null || document.activeElement === document.body;
    const look = () => {
      const [own, ...around] = path;
      if (!own || !isLost()) return;
      if (own.isConnected) {
        // a button that works is disabled for a moment, and takes up its focus again
        if (own instanceof HTMLButtonElement && !own.disabled) own.focus({ preventScroll: true });
        return;
      }
      path = [];
      for (const left of around) {
        if (!left.isConnected || left.matches("main")) continue;
        const next = [...left.querySelectorAll<HTMLElement>(CONTROLS)].find((c) => c.checkVisibility());
        if (next) return next.focus({ preventScroll: true });
      }
      const heading = document.querySelector<HTMLElement>("main h1, main h2, main");
      if (!heading) return;
      heading.tabIndex = -1;
      heading.focus({ preventScroll: true });
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
