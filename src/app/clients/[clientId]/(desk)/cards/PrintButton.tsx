"use client";

export function PrintButton() {
  return (
    <button type="button" className="btn btn-line btn-sm" onClick={() => window.print()}>
      Print
    </button>
  );
}
