"use client";

export function PrintButton() {
  return (
    <button type="button" className="cursor-pointer underline" onClick={() => window.print()}>
      Print
    </button>
  );
}
