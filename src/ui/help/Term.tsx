"use client";
import { type ReactNode, useId, useRef } from "react";
import { TERMS, type TermId } from "./terms";

const [WIDTH_PX, GAP_PX] = [300, 6];

/** A word that explains itself where it stands; what is seen are the sentence's own words. */
export function Term({ id, children }: { id: TermId; children?: ReactNode }) {
  const of = useId();
  const word = useRef<HTMLButtonElement>(null);
  const [name, meaning] = TERMS[id];
  return (
    <>
      <button ref={word} type="button" className="term" popoverTarget={of}>
        {children ?? name}
      </button>
      <span
        id={of}
        popover="auto"
        role="note"
        className="fixed m-0 w-[300px] max-w-[92vw] border border-rule bg-base-100 p-3 text-left text-[15px] font-normal text-base-content"
        onToggle={(e) => {
          const at = word.current?.getBoundingClientRect();
          if (e.newState !== "open" || !at) return;
          const own = e.currentTarget;
          const below = at.bottom + GAP_PX;
          const fits = below + own.offsetHeight < window.innerHeight;
          own.style.left = `${Math.max(GAP_PX, Math.min(at.left, window.innerWidth - WIDTH_PX - GAP_PX))}px`;
          own.style.top = `${fits ? below : at.top - own.offsetHeight - GAP_PX}px`;
        }}
      >
        <b>{name}</b>: {meaning}
      </span>
    </>
  );
}
