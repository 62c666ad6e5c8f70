import { expect, type Page } from "@playwright/test";
import { axeFinds, spillsOf } from "./looks";
import { type Role, sessionOf, signInOf } from "./stack";

/** Ids that earlier tests of this run have found: they are the same in every copy of the demo. */
const ids = new Map<string, string>();

/** Begins as somebody who signed in before; through the form where that session has ended. */
export async function signIn(page: Page, role: Role): Promise<void> {
  const session = sessionOf(role);
  if (session) await page.context().addCookies([session]);
  await page.goto("/");
  if (page.url().includes("sign-in")) await signInByForm(page, role);
  await expect(page.getByRole("heading", { name: /^Today/ })).toBeVisible();
  await isAlive(page);
}

/** Who works here from now on, without a look at Today; through the form where that session has ended. */
export async function workAs(page: Page, role: Role): Promise<void> {
  const session = sessionOf(role);
  if (session) await page.context().addCookies([session]);
  const asked = await page.request.get("/api/find?q=-");
  if (!session || asked.status() === 401) await signInByForm(page, role);
}

/** `other`: somebody who is not of the demo. */
export async function signInByForm(
  page: Page,
  role: Role,
  other?: { email: string; password: string },
): Promise<void> {
  const { email, password } = other ?? signInOf(role);
  await page.goto("/sign-in");
  await isAlive(page);
  await page.getByLabel("E-mail address").fill(email);
  await page.getByLabel("Password").fill(password);
  await page.getByRole("button", { name: "Sign in" }).click();
  await expect(page.getByRole("heading", { name: /^Today/ })).toBeVisible();
}

/** The client's id, read from Today. */
export async function clientId(page: Page, name: string): Promise<string> {
  const known = ids.get(name);
  if (known) return known;
  await page.goto("/");
  const href = await page.getByRole("link", { name, exact: true }).getAttribute("href");
  const id = href?.split("/")[2];
  if (!id) throw new Error(`${name} is not on Today.`);
  ids.set(name, id);
  return id;
}

export async function openStep(page: Page, name: string, step: string): Promise<string> {
  const id = await clientId(page, name);
  await page.goto(`/clients/${id}/${step}`);
  await isAlive(page);
  return id;
}

/** Waits until React has taken the whole page over, so that the first key or click is not lost. */
export async function isAlive(page: Page): Promise<void> {
  await page.waitForFunction(() => {
    const controls = [
      ...document.querySelectorAll("main button, main input, main [role=slider], main a, nav a"),
    ];
    return (
      controls.length > 0 &&
      controls.every((c) => Object.keys(c).some((key) => key.startsWith("__reactProps")))
    );
  });
  // effects, which listen to keys, run after the paint
  await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => setTimeout(done, 100))));
}

/** An input by the name of its field. */
export const field = (page: Page, name: string) => page.locator(`main input[name="${name}"]`);

interface Answer {
  status: number;
  problems: { field: string; sentence: string }[];
}

/** A POST from one of the app's own pages, past the interface. */
export async function post(page: Page, path: string, body: unknown): Promise<Answer> {
  // an empty page is of no origin
  if (page.url() === "about:blank") await page.goto("/api/health");
  return page.evaluate(
    async ([to, text]) => {
      const response = await fetch(to as string, {
        method: "POST",
        headers: { "content-type": "application/json" },
        body: text as string,
      });
      const json = await response.json();
      return { status: response.status, problems: json.problems ?? [] };
    },
    [path, typeof body === "string" ? body : JSON.stringify(body)],
  );
}

/** Nothing axe knows of is wrong with what is on screen. */
export const expectAccessible = async (page: Page): Promise<void> => expect(await axeFinds(page)).toEqual([]);

/** Nothing spills sideways, and nothing stands beyond the edge. */
export const expectFits = async (page: Page): Promise<void> => expect(await spillsOf(page)).toEqual([]);

/** A key answers a question only when it has stood there for a moment. */
const SETTLES_MS = 300;

/** Waits for words anywhere on the floor, and until a key answers them. */
export const floorSays = async (page: Page, words: string | RegExp) => {
  await expect(page.getByText(words).first()).toBeVisible();
  await page.waitForTimeout(SETTLES_MS);
};

/** Waits for the word of the band across the floor, and until a key answers it. */
export const bandSays = async (
  page: Page,
  word: "SET UP" | "PAIN?" | "GO" | "HOLD" | "MOVE" | "REST" | "DONE",
) => {
  await expect(page.getByTestId("band")).toContainText(word);
  await page.waitForTimeout(SETTLES_MS);
};

/** Lines of the sheet on Dose, and the editor beside them. */
export const sheetLines = (page: Page) => page.locator("main ol button svg[role=img]");
export const lineEditor = (page: Page) => page.getByRole("complementary", { name: "The picked line" });

/** Opens the list of exercises on Dose, narrows it by words and takes the first. */
export async function addExercise(page: Page, name: string): Promise<void> {
  await page.keyboard.press("a");
  const list = page.getByRole("dialog", { name: "Add an exercise that fits" });
  await list.getByRole("combobox").pressSequentially(name);
  await expect(list.getByRole("option", { selected: true })).toContainText(name);
  await page.keyboard.press("Enter");
  await expect(list).toBeHidden();
}
