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

/** What is listened to now: the help lists it. */
const listening = new Set<{ current: readonly KeyDeed[] }>();

/** Keys of the screen that is shown, with what they do. */
export const keysOfScreen = (): (readonly [key: string, words: string])[] =>
  [...listening].flatMap((l) => l.current.map((d) => [d.label ?? d.key, d.words] as const));

/** Somebody may not want single letters to do anything: the page says so. Digits, arrows and space stay. */
const isSwitchedOff = (key: string): boolean =>
  document.documentElement.dataset.keys === "off" && /^[a-z]$/i.test(key);

/** Listens to single keys while nothing is typed into and no dialog is open. */
export function useKeys(deeds: readonly KeyDeed[]): void {
  const latest = useRef(deeds);
  latest.current = deeds;
  // before the paint: whoever sees the screen may already press its keys
  useLayoutEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey || event.repeat || isTyping(event.target)) return;
      if (document.querySelector("dialog[open]") || isSwitchedOff(event.key)) return;
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
    listening.add(latest);
    return () => {
      listening.delete(latest);
      window.removeEventListener("keydown", onKey);
    };
  }, []);
}
