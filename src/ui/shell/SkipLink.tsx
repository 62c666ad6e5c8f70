"use client";

/** First thing the tab key reaches: past menu, header and path to what the page is about. */
export function SkipLink() {
  return (
    <button
      type="button"
      className="btn btn-primary absolute top-1 left-1 z-50 -translate-y-20 focus:translate-y-0 print:hidden"
      onClick={() => {
        const main = document.querySelector<HTMLElement>("main");
        if (!main) return;
        main.tabIndex = -1;
        main.focus();
      }}
    >
      Skip to the page
    </button>
  );
}
