import type { Page } from "@playwright/test";

/** Words of a screen's own part that are in sight without scrolling or opening anything; neither pictures nor bare numbers count. */
export const wordsInSight = (page: Page): Promise<number> =>
  page.locator("main").evaluate((main) => {
    let words = 0;
    const texts = document.createTreeWalker(main, NodeFilter.SHOW_TEXT);
    while (texts.nextNode()) {
      const node = texts.currentNode;
      const of = node.parentElement;
      if (!of || of.closest("option, .sr-only, dialog, svg") || !of.checkVisibility()) continue;
      let [from, to] = [0, window.innerHeight];
      for (let e: Element | null = of; e && e !== document.body; e = e.parentElement) {
        if (getComputedStyle(e).overflowY === "visible") continue;
        const frame = e.getBoundingClientRect();
        [from, to] = [Math.max(from, frame.top), Math.min(to, frame.bottom)];
      }
      const range = document.createRange();
      range.selectNodeContents(node);
      const lines = [...range.getClientRects()];
      if (lines.some((l) => l.width > 0 && Math.min(l.bottom, to) - Math.max(l.top, from) > 3))
        words += (node.textContent ?? "").split(/\s+/).filter((w) => /\p{L}/u.test(w)).length;
    }
    return words;
  });
