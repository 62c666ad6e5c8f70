import { expect, type Page, test } from "@playwright/test";
import { clientId, workAs } from "./support/bexlo";
import { putTheDemoBack } from "./support/stack";

test.beforeAll(putTheDemoBack);
// what is asked here stands in the page as it comes
test.use({ javaScriptEnabled: false });

/** After surgery, an arthritic knee, a low back; the rest of the demo where there is time. */
const CLIENTS = [
  ...["Pell Amsworth", "Tove Aldermoor", "Maren Ostrelle"],
  ...(process.env.WHOLE_SIMULATION
    ? ["Dorrit Fenwake", "Idony Greaves", "Jorun Salthe", "Quill Bastow"]
    : []),
];
const STEPS = ["story", "screen", "limits", "measure", "choose", "dose", "morning", "decide", "record"];

const textOf = async (page: Page): Promise<string> =>
  // biome-ignore lint/performance/useDomNodeTextContent: as people see it, with spaces between blocks
  (await page.locator("body").innerText()).replace(/\s+/g, " ");
const all = (text: string, of: RegExp): string[] => [
  ...new Set([...text.matchAll(of)].map((m) => m[1] ?? "")),
];

test("each bound and fact of a client has one value on Today and on every page", async ({ page }) => {
  await workAs(page, "therapist");
  for (const name of CLIENTS) {
    await page.goto("/");
    const row = page.getByRole("row", { name: new RegExp(name) });
    const rail = (await row.getByRole("img").first().getAttribute("aria-label")) ?? "";
    // biome-ignore lint/performance/useDomNodeTextContent: as people see it, with spaces between cells
    const onToday = (await row.innerText()).replace(/\s+/g, " ");
    const week = /week (\d+) (after surgery|since onset)/.exec(onToday)?.[1];
    expect(week, name).toBeDefined();
    let pain: string | undefined;
    for (const step of STEPS) {
      await page.goto(`/clients/${await clientId(page, name)}/${step}`);
      const text = await textOf(page);
      const where = `${name}, ${step}`;
      expect({ where, weeks: all(text, /week (\d+) (?:after surgery|since onset)/g) }).toEqual({
        where,
        weeks: [week],
      });
      const window = /bend under load (\d+)°.*? to (\d+)°/.exec(text);
      if (window)
        expect({ where, rail }).toEqual({
          where,
          rail: expect.stringContaining(`Allowed ${window[1]}° to ${window[2]}°`),
        });
      pain ??= /joint pain ≤ (\d+)/.exec(text)?.[1];
      expect({ where, pains: all(text, /joint pain ≤ (\d+)/g) }).toEqual({ where, pains: [pain] });
      for (const most of all(text, /above the most allowed in it, (\d+)/g))
        expect({ where, most }).toEqual({ where, most: pain });
      expect({ where, never: /pain in daily life never measured/.test(text) }).toEqual({
        where,
        never: false,
      });
      // no rule names, no holes
      expect({ where, codes: all(text, /\b((?:undefined|NaN|e1RM)\b|\([HPR]\d\))/g) }).toEqual({
        where,
        codes: [],
      });
      if (step === "measure") {
        const due = await page
          .locator("section", { has: page.getByRole("heading", { name: /^Due/ }) })
          .locator("li")
          .count();
        const said = /(\d+) are due/.exec(text)?.[1];
        if (said) expect({ where, due }).toEqual({ where, due: Number(said) });
      }
      if (step === "limits") {
        const confirms = all(text, /(Not confirmed yet|Confirmed:)/g);
        expect(confirms.length, where).toBe(1);
        expect({ where, ask: /confirm the phase/.test(text) }).toEqual({
          where,
          ask: confirms[0] === "Not confirmed yet",
        });
      }
    }
  }
});
