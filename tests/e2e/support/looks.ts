import { AxeBuilder } from "@axe-core/playwright";
import { expect, type Page } from "@playwright/test";
import { wordsInSight } from "./words";

/** A first view holds fewer. */
const MOST_WORDS = 250;

export const DESK_STEPS = [
  ...["story", "screen", "limits", "measure", "choose", "dose", "week"],
  ...["morning", "decide", "ladder", "review", "costs", "papers"],
] as const;

/** Opens a page and waits until it has drawn itself. */
export async function openPage(page: Page, path: string): Promise<void> {
  await page.goto(path);
  await expect(page.locator("main")).toBeVisible();
  await expect(page.getByText("Drawing the time line…")).toHaveCount(0);
}

/** What axe finds; `colours`: contrast alone. It works out in full what is wrong, and nothing of what is right. */
export async function axeFinds(page: Page, colours?: "only"): Promise<string[]> {
  // a dialog that still fades in has the contrast of its half-way colours
  await page.evaluate(async () => {
    const fading = document.getAnimations().filter((a) => a.playState === "running");
    const still = Promise.allSettled(fading.map((a) => a.finished));
    await Promise.race([still, new Promise((done) => setTimeout(done, 1000))]);
  });
  const axe = new AxeBuilder({ page }).options({ resultTypes: ["violations"] }).setLegacyMode();
  if (colours === "only") axe.withRules(["color-contrast"]);
  const { violations } = await axe.analyze();
  return violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.html.slice(0, 160)).join(" | ")}`);
}

/** What spills sideways, or stands beyond the edge. */
export const spillsOf = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const found: string[] = [];
    const root = document.documentElement;
    if (root.scrollWidth > root.clientWidth)
      found.push(`page is ${root.scrollWidth} wide in ${root.clientWidth}`);
    for (const el of document.querySelectorAll<HTMLElement>("main *, header *, nav *")) {
      if (el.closest("[popover], dialog, .sr-only") || !el.getClientRects().length) continue;
      const box = el.getBoundingClientRect();
      if (box.right > root.clientWidth + 1 && box.width > 2)
        found.push(`${el.tagName} "${el.textContent?.slice(0, 30)}"`);
    }
    return found;
  });

/** Words that stand on other words. What sticks to an edge or is opened over the page may. */
const overlapsOf = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const floats = (of: Element) => {
      for (let e: Element | null = of; e && e !== document.body; e = e.parentElement)
        if (/sticky|fixed|absolute/.test(getComputedStyle(e).position)) return true;
      return false;
    };
    const lines: { node: Node; text: string; box: DOMRect }[] = [];
    const texts = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
    while (texts.nextNode()) {
      const of = texts.currentNode.parentElement;
      const text = texts.currentNode.textContent?.trim() ?? "";
      if (!text || !of || of.closest("option, svg, dialog, .sr-only")) continue;
      if (!of.checkVisibility({ contentVisibilityAuto: true }) || floats(of)) continue;
      if (of.matches("details:not([open])")) continue;
      const range = document.createRange();
      range.selectNodeContents(texts.currentNode);
      // what is cut off with dots ends where its box ends
      const end = getComputedStyle(of).overflowX === "hidden" ? of.getBoundingClientRect().right : 1e9;
      for (const b of range.getClientRects())
        lines.push({
          node: texts.currentNode,
          text: text.slice(0, 30),
          box: new DOMRect(b.x, b.y, Math.min(b.right, end) - b.x, b.height),
        });
    }
    const found = new Set<string>();
    for (const [i, a] of lines.entries())
      for (const b of lines.slice(i + 1)) {
        if (a.node === b.node) continue;
        const wide = Math.min(a.box.right, b.box.right) - Math.max(a.box.left, b.box.left);
        const high = Math.min(a.box.bottom, b.box.bottom) - Math.max(a.box.top, b.box.top);
        // letters have air above and below them
        if (wide > 4 && high > 0.45 * Math.min(a.box.height, b.box.height))
          found.add(`"${a.text}" on "${b.text}"`);
      }
    return [...found];
  });

/** Every longer word half as long again, as other languages have them. */
const lengthenWords = (page: Page): Promise<void> =>
  page.evaluate(() => {
    const texts = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
    while (texts.nextNode()) {
      const node = texts.currentNode;
      if (node.parentElement?.closest("script, style, svg, option")) continue;
      node.textContent = (node.textContent ?? "").replace(
        /\p{L}{6,}/gu,
        (word) => word + word.slice(0, Math.ceil(word.length / 2)).toLowerCase(),
      );
    }
  });

/** "words": fits a desk in few words; "sizes": axe and every size too; "dark": its contrast in the dark as well. */
export type Looked = "words" | "sizes" | "dark";

/**
 * One visit, looked at as people have it: a desk, a tablet lying and held upright in the dark, a small phone, and words
 * half as long again. Answers what is wrong, each with its size. axe looks once: it takes seconds a page. Pages made of the
 * same parts are not all looked at in the dark.
 */
export async function looksWrong(page: Page, path: string, how: Looked): Promise<string[]> {
  const wrong: string[] = [];
  const at = async (size: string, found: string[]) =>
    wrong.push(...found.map((what) => `${path} at ${size}: ${what}`));
  await page.setViewportSize({ width: 1280, height: 800 });
  await openPage(page, path);
  // a code that nobody said
  if (/\[object |{"code"/.test((await page.locator("main").textContent()) ?? ""))
    await at("1280", ["a code, not words"]);
  await at("1280", await spillsOf(page));
  // an answer that was asked for is not a first view
  const words = path.includes("ask=") ? 0 : await wordsInSight(page);
  if (words >= MOST_WORDS) await at("1280", [`${words} words in the first view`]);
  if (how === "words") return wrong;
  await at("1280", await axeFinds(page));
  // a desk's screen at 200 %
  await page.setViewportSize({ width: 640, height: 400 });
  await at("640", await spillsOf(page));
  await page.setViewportSize({ width: 1024, height: 768 });
  await at("1024", await spillsOf(page));
  await at("1024", await overlapsOf(page));
  await page.setViewportSize({ width: 768, height: 1024 });
  await at("768", await spillsOf(page));
  if (how === "dark") {
    await page.evaluate(() => document.documentElement.setAttribute("data-theme", "gym"));
    await at("768 dark", await axeFinds(page, "only"));
    await page.evaluate(() => document.documentElement.removeAttribute("data-theme"));
  }
  await page.setViewportSize({ width: 320, height: 640 });
  await at("320", await spillsOf(page));
  await at("320", await overlapsOf(page));
  for (const width of [320, 1280]) {
    await page.setViewportSize({ width, height: 800 });
    if (width === 320) await lengthenWords(page);
    await at(`${width} in long words`, (await spillsOf(page)).slice(0, 4));
    await at(`${width} in long words`, (await overlapsOf(page)).slice(0, 4));
  }
  return wrong;
}
