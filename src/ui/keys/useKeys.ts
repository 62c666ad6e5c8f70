"use client";
import { useLayoutEffect, useRef } from "react";

/** One key of a screen: what it does, in the words of the `?` list. */
export interface KeyDeed {
  key: string;
  words: string;
  /** shown instead of `key`, e.g. "space" */
  label?: string;
  run: () => void;
}

const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  target.matches("input:not([type=checkbox]):not([type=radio]):not([type=range]), textarea, select");

/** Listens to single keys while nothing is typed into and no dialog is open. */
export function useKeys(deeds: readonly KeyDeed[]): void {
  const latest = useRef(deeds);
  latest.current = deeds;
  // before the paint: whoever sees the screen may already press its keys
  useLayoutEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey || event.repeat || isTyping(event.target)) return;
      if (document.querySelector("dialog[open]")) return;
      // space and enter on a focused button belong to the button
      const onControl =
        event.target instanceof HTMLElement && event.target.closest("button, a, summary, [role=slider]");
      if (onControl && (event.key === " " || event.key === "Enter")) return;
      const deed = latest.current.find((d) => d.key.toLowerCase() === event.key.toLowerCase());
      if (!deed) return;
      event.preventDefault();
      deed.run();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, []);
}
