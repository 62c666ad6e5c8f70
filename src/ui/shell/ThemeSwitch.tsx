"use client";

/** Light or dark, kept in a cookie so that the first paint is right. */
export function ThemeSwitch() {
  const flip = () => {
    const root = document.documentElement;
    const dark = root.dataset.theme
      ? root.dataset.theme === "gym"
      : window.matchMedia("(prefers-color-scheme: dark)").matches;
    root.dataset.theme = dark ? "paper" : "gym";
    // biome-ignore lint/suspicious/noDocumentCookie: the Cookie Store is not in every browser yet
    document.cookie = `theme=${root.dataset.theme}; path=/; max-age=31536000; samesite=strict`;
  };
  return (
    <button type="button" className="small quiet cursor-pointer" onClick={flip}>
      light or dark
    </button>
  );
}
