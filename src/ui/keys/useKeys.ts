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

/** Screens on which a visit is run: there the space bar does what the screen says, and presses no button that has the focus. */
export const RUN = "main[data-theme=gym]";
const runsVisit = (event: KeyboardEvent): boolean =>
  event.key === " " && event.target instanceof HTMLElement && event.target.closest(RUN) !== null;

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
      const deed = latest.current.find((d) => d.key.toLowerCase() === event.key.toLowerCase());
      if (!deed) return;
      // but where a visit runs the space bar says on the screen what it does
      if (onControl && (event.key === "Enter" || (event.key === " " && !runsVisit(event)))) return;
      event.preventDefault();
      deed.run();
    };
    // a button is pressed when the space bar comes up again
    const onUp = (event: KeyboardEvent) => {
      const isButton = event.target instanceof HTMLElement && event.target.matches("button, summary");
      if (isButton && runsVisit(event) && !document.querySelector("dialog[open]")) {
        if (latest.current.some((d) => d.key === " ")) event.preventDefault();
      }
    };
    window.addEventListener("keydown", onKey);
    window.addEventListener("keyup", onUp);
    listening.add(latest);
    return () => {
      listening.delete(latest);
      window.removeEventListener("keydown", onKey);
      window.removeEventListener("keyup", onUp);
    };
  }, []);
}
