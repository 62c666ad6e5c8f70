/**
 * Makes docs/screenshots/ anew from the demo data of a fresh private database (scripts/pictures.sh starts it): the
 * main views at 1280x800, the floor also at 1024x768.
 */
import { chromium, type Page } from "@playwright/test";
import { clientId, isAlive, signIn } from "../tests/e2e/support/bexlo";
import { startServer, stopServer } from "../tests/e2e/support/stack";

await startServer();
const browser = await chromium.launch({
  executablePath: process.env.CHROMIUM_PATH ?? "/usr/bin/chromium-headless-shell",
  args: ["--no-sandbox", "--disable-gpu", "--disable-dev-shm-usage"],
});
const context = await browser.newContext({
  viewport: { width: 1280, height: 800 },
  baseURL: `http://127.0.0.1:${process.env.E2E_PORT ?? 4310}`,
  locale: "en-GB",
});
const page = await context.newPage();
const shot = (name: string, of: Page = page) => of.screenshot({ path: `docs/screenshots/${name}.png` });
const go = async (path: string) => {
  await page.goto(path);
  await isAlive(page);
  await page.waitForTimeout(300);
};

await page.goto("/sign-in");
await signIn(page, "therapist");
await shot("today");
const [tove, pell, jorun, quill, idony] = [
  await clientId(page, "Tove Aldermoor"),
  await clientId(page, "Pell Amsworth"),
  await clientId(page, "Jorun Salthe"),
  await clientId(page, "Quill Bastow"),
  await clientId(page, "Idony Greaves"),
];

// what clients see, on a phone that nobody is signed in on
await context.grantPermissions(["clipboard-read", "clipboard-write"]);
const copied = async (label: string) => {
  await page.getByRole("button", { name: label }).click();
  await page.getByText("copied").first().waitFor();
  return page.evaluate(() => navigator.clipboard.readText());
};
const phone = await (
  await browser.newContext({ viewport: { width: 390, height: 844 }, locale: "en-GB", hasTouch: true })
).newPage();
await go("/outbox");
await phone.goto(await copied("Copy the link for Tove Aldermoor"));
await isAlive(phone);
await phone.getByRole("button", { name: "2 of 10" }).click();
await shot("phone-morning", phone);
await go(`/clients/${jorun}/dose`);
await page.getByRole("button", { name: "Make a link for the phone" }).click();
await phone.goto(await copied("Copy the link for home"));
await isAlive(phone);
for (const press of ["no, nothing", "Begin", "I am ready", "1 of 10", "Start"])
  await phone.getByRole("button", { name: press, exact: true }).first().click();
await phone.waitForTimeout(3000);
await shot("phone-home", phone);
await phone.close();

await go(`/clients/${pell}/story`);
await shot("story");
await go(`/clients/${quill}/screen`);
await shot("screen");
await go(`/clients/${pell}/limits`);
await shot("limits");
await go(`/clients/${pell}/choose`);
await shot("choose");
await go(`/clients/${idony}/dose`);
await page
  .getByRole("navigation", { name: "Sheets of this client" })
  .getByRole("link", { name: /^Gym/ })
  .click();
await page.locator("main ol button svg[role=img]").nth(3).waitFor();
await isAlive(page);
await page.keyboard.press("j");
await page.waitForTimeout(700);
await shot("sheet");
await go("/gym");
await page.getByRole("link", { name: "Bay extension" }).click();
await page
  .getByRole("button", { name: /^Read the load cell/ })
  .first()
  .waitFor();
await isAlive(page);
for (const button of await page.getByRole("button", { name: /^Read the load cell/ }).all()) {
  await button.click();
  await page.waitForTimeout(1800);
}
await page.evaluate(() => window.scrollTo(0, document.body.scrollHeight));
await page.waitForTimeout(300);
await shot("gym");

await go(`/clients/${jorun}/measure`);
for (const trial of ["first", "second", "third"]) {
  await page.keyboard.press("p");
  await page.getByRole("button", { name: trial, exact: true }).waitFor({ timeout: 20_000 });
}
await page.waitForTimeout(300);
await shot("measure");
await page.keyboard.press("s");
await page.getByText(/^Saved:/).waitFor();

await go(`/clients/${idony}/week`);
await page.getByText("Fits every rule").waitFor();
await shot("week");
await go(`/clients/${pell}/decide`);
await shot("decide");
await go(`/clients/${idony}/review`);
await shot("review");
await go(`/clients/${idony}/explain?ask=kneecap&deg=70`);
await shot("explain");

await go(`/clients/${tove}/morning`);
await page.keyboard.press("1");
await page.keyboard.press("s");
await page.getByRole("link", { name: /Saved. Decide/ }).click();
await page.getByTestId("draft").waitFor();
await page.keyboard.press("a");
await page.getByRole("heading", { name: "Decided" }).waitFor();
await go(`/clients/${tove}/dose`);
await shot("dose");
await context.addCookies([{ name: "theme", value: "gym", url: page.url() }]);
await go(`/clients/${tove}/dose`);
await shot("dose-dark");
await context.clearCookies({ name: "theme" });

await go(`/clients/${idony}/floor`);
await page.getByRole("link", { name: /^Gym/ }).click();
await page.getByText("Before the first set").waitFor();
await isAlive(page);
await page.keyboard.press("n");
await page.getByRole("checkbox", { name: /Safety pins/ }).check();
await page.waitForTimeout(300);
await shot("floor-set-up");

await go(`/clients/${tove}/floor`);
await page.getByRole("link", { name: /^Holds/ }).click();
await page.getByText("Before the first set").waitFor();
await isAlive(page);
await page.keyboard.press("n");
const band = (word: string) => page.getByTestId("band").filter({ hasText: word }).waitFor();
await band("SET UP");
await page.waitForTimeout(300);
await page.keyboard.press("1");
await band("GO");
await page.keyboard.press(" ");
await page.waitForTimeout(28_000);
await shot("floor");
await page.setViewportSize({ width: 1024, height: 768 });
await page.waitForTimeout(300);
await shot("floor-tablet");

await browser.close();
await stopServer();
