"use client";
import { type ReactNode, useId, useRef } from "react";

const [WIDTH_PX, GAP_PX] = [300, 6];

/** A small key that shows something about where it stands, beside it; Escape and a click elsewhere close it. */
export function Popover({
  trigger,
  label,
  className,
  children,
}: {
  trigger: ReactNode;
  /** where what is shown on the key says too little */
  label?: string;
  className: string;
  children: ReactNode;
}) {
  const of = useId();
  const key = useRef<HTMLButtonElement>(null);
  return (
    <>
      <button ref={key} type="button" className={className} popoverTarget={of} aria-label={label}>
        {trigger}
      </button>
      <span
        id={of}
        popover="auto"
        role="note"
        className="fixed m-0 w-[300px] max-w-[92vw] border border-rule bg-base-100 p-3 text-left text-[15px] font-normal text-base-content"
        onToggle={(e) => {
          const at = key.current?.getBoundingClientRect();
          if (e.newState !== "open" || !at) return;
          const own = e.currentTarget;
          const below = at.bottom + GAP_PX;
          const fits = below + own.offsetHeight < window.innerHeight;
          own.style.left = `${Math.max(GAP_PX, Math.min(at.left, window.innerWidth - WIDTH_PX - GAP_PX))}px`;
          own.style.top = `${fits ? below : at.top - own.offsetHeight - GAP_PX}px`;
        }}
      >
        {children}
      </span>
    </>
  );
}
