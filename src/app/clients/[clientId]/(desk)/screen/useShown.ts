"use client";
import { useEffect, useState } from "react";

/** So long a question has to stand whole on the screen to count as shown [own]. */
const SHOWN_MS = 700;
/** The bar at the foot of the page. */
const BAR_PX = 64;

/** Which questions were on the screen long enough to be read out, by their ids. */
export function useShown(isAsking: boolean, ids: readonly string[]): ReadonlySet<string> {
  const [shown, setShown] = useState<ReadonlySet<string>>(new Set());
  const key = ids.join(" ");
  useEffect(() => {
    if (!isAsking) return;
    const timers = new Map<Element, ReturnType<typeof setTimeout>>();
    const observer = new IntersectionObserver(
      (entries) => {
        for (const { target, isIntersecting } of entries) {
          const id = (target as HTMLElement).dataset.question ?? "";
          clearTimeout(timers.get(target));
          if (isIntersecting)
            timers.set(
              target,
              setTimeout(() => setShown((all) => new Set([...all, id])), SHOWN_MS),
            );
        }
      },
      // under the bar that signs nobody reads
      { threshold: 1, rootMargin: `0px 0px -${BAR_PX}px 0px` },
    );
    for (const id of key.split(" ")) {
      const row = document.querySelector(`[data-question="${id}"]`);
      if (row) observer.observe(row);
    }
    return () => {
      observer.disconnect();
      for (const t of timers.values()) clearTimeout(t);
    };
  }, [isAsking, key]);
  return shown;
}
