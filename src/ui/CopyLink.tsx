"use client";
import { useState } from "react";

/** Copies the whole address of a link, with the app's own address before it. */
export function CopyLink({ path, label }: { path: string; label: string }) {
  const [said, setSaid] = useState("");
  const copy = async () => {
    const address = `${window.location.origin}${path}`;
    try {
      await navigator.clipboard.writeText(address);
      setSaid("copied");
    } catch {
      // without the right to the clipboard the address is shown to be copied by hand
      setSaid(address);
    }
  };
  return (
    <span className="inline-flex items-baseline gap-2">
      <button type="button" className="btn btn-sm btn-line" onClick={copy} aria-label={label}>
        Copy link
      </button>
      <span aria-live="polite" className="small max-w-[260px] select-all break-all">
        {said}
      </span>
    </span>
  );
}
