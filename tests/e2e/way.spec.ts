import { expect, test } from "@playwright/test";
import { clientId, expectAccessible, expectFits, isAlive, openStep, signIn, workAs } from "./support/bexlo";
import { letANightPass, putTheDemoBack, signInOf } from "./support/stack";
import { wordsInSight } from "./support/words";

test.beforeAll(putTheDemoBack);

test("one menu everywhere, one search from anywhere, the next step at hand, past it all by one key", async ({
  page,
}) => {
  await workAs(page, "therapist");
  const id = await openStep(page, "Tove Aldermoor", "limits");
  const menu = page.getByRole("navigation", { name: "Screens" });
  await menu.getByRole("link", { name: "Gym" }).click();
  await expect(page.getByRole("heading", { name: "Gym" })).toBeVisible();
  await expect(menu.getByRole("link", { name: "Gym" })).toHaveAttribute("aria-current", "page");
  await isAlive(page);
  // by a few letters to a client's sheet
  await page.keyboard.press("/");
  await page.keyboard.type("ido");
  await page.keyboard.press("Enter");
  await expect(page).toHaveURL(/\/clients\/[0-9a-f-]{36}\//);
  await page.goto(`/clients/${id}/limits`);
  await isAlive(page);
  await page.keyboard.press("Control+k");
  await expect(page.getByRole("dialog", { name: /^Find a client/ })).toBeVisible();
  await expectAccessible(page);
  await page.keyboard.type("daily life");
  await page.keyboard.press("Enter");
  await expect(page).toHaveURL(/\/costs$/);
  // what comes next stands under the path, unless one is there
  await page.goto(`/clients/${id}/story`);
  await isAlive(page);
  await page.getByText("Next:").click();
  await expect(page).not.toHaveURL(/story/);
  await expect(page.getByText("Next:")).toHaveCount(0);
  // the first key that moves leads past menu and path
  await page.goto(`/clients/${id}/limits`);
  await isAlive(page);
  await page.keyboard.press("Tab");
  await expect(page.getByRole("button", { name: "Skip to the page" })).toBeFocused();
  await page.keyboard.press("Enter");
  await expect(page.locator("main")).toBeFocused();
});

test("? says what a screen is for, its words and its keys", async ({ page }) => {
  await workAs(page, "therapist");
  await openStep(page, "Tove Aldermoor", "choose");
  await page.keyboard.press("?");
  const help = page.getByRole("dialog", { name: "Help for this screen" });
  await expect(help).toContainText("chair rises");
  await expect(help).toContainText("everything under one ruler");
  await expectAccessible(page);
  await page.keyboard.press("Escape");
  await expect(help).toBeHidden();
});

test("a word of the field explains itself where it stands, by pointer and by keys", async ({ page }) => {
  await workAs(page, "therapist");
  await openStep(page, "Idony Greaves", "week");
  for (const [word, meaning] of [
    ["stirred up", /How little brings the pain on/],
    ["effective sets", /at half of the maximum/],
    ["seconds of a chair rise", /rising from a 46 cm chair/],
  ] as const) {
    const term = page.getByRole("button", { name: word, exact: true });
    await term.click();
    const note = page.getByRole("note").filter({ hasText: meaning });
    await expect(note).toBeInViewport({ ratio: 1 });
    await expectAccessible(page);
    await page.keyboard.press("Escape");
    await expect(note).toBeHidden();
    await expect(term).toBeFocused();
    await page.keyboard.press("Enter");
    await expect(note).toBeVisible();
    await page.keyboard.press("Escape");
  }
});

test("settings are a person's own: pounds, days, no single letters; saved as they are made", async ({
  page,
}) => {
  await workAs(page, "trainer");
  const id = await clientId(page, "Tove Aldermoor");
  await page.goto("/settings");
  await isAlive(page);
  await page.getByLabel("Loads").selectOption("lb");
  await expect(page.getByText("saved", { exact: true })).toBeVisible();
  await page.getByLabel("single letters do something").uncheck();
  await expect(page.getByText("saved", { exact: true })).toBeVisible();
  await expectAccessible(page);
  await expectFits(page);
  await page.goto(`/clients/${id}/dose`);
  await isAlive(page);
  await expect(page.locator("html")).toHaveAttribute("data-keys", "off");
  await expect(page.getByText("start with").first()).toContainText(/^start with [^%]*\d\skg \(\d+ lb\)/);
  await page.goto("/settings");
  await isAlive(page);
  await page.getByLabel("Loads").selectOption("kg");
  await expect(page.getByText("saved", { exact: true })).toBeVisible();
});

test("who wanted a page before signing in comes to it, and nowhere else", async ({ page }) => {
  const { email, password } = signInOf("therapist");
  const signInTo = async (address: string) => {
    await page.context().clearCookies();
    await page.goto(address);
    await expect(page).toHaveURL(/sign-in/);
    await isAlive(page);
    await page.getByLabel("E-mail address").fill(email);
    await page.getByLabel("Password").fill(password);
    await page.getByRole("button", { name: "Sign in" }).click();
    await expect(page).not.toHaveURL(/sign-in/);
  };
  await signInTo("/library?q=press");
  await expect(page).toHaveURL(/\/library\?q=press$/);
  await signInTo(`/sign-in?to=${encodeURIComponent("//elsewhere.example/x")}`);
  expect(new URL(page.url()).pathname).toBe("/");
});

test("Choose answers first: three unlike picks with picture and set-up, used by one key; all else by kind", async ({
  page,
}) => {
  await workAs(page, "therapist");
  await openStep(page, "Pell Amsworth", "choose");
  const picks = page.getByRole("list", { name: "First picks" }).getByRole("listitem");
  await expect(picks).toHaveCount(3);
  const height = await page.evaluate(() => document.documentElement.scrollHeight);
  expect(height).toBeLessThanOrEqual(1600);
  expect(await wordsInSight(page)).toBeLessThan(250);
  await expectFits(page);
  await expectAccessible(page);
  const name = (await picks.first().getByRole("button").first().textContent()) ?? "";
  await page.getByRole("button", { name: "why, one by one" }).click();
  await expect(page.getByText(/because:/).first()).toBeVisible();
  await page.keyboard.press("1");
  // what was taken along is taken out of the address again
  await expect(page).toHaveURL(/\/dose(\?|$)/);
  await expect(page.getByRole("main")).toContainText(name);
});

test("without a network the page says so until it is back; a machine's numbers that were not saved are brought back", async ({
  page,
}) => {
  await workAs(page, "therapist");
  await page.goto("/gym/new?kind=seated_press");
  await isAlive(page);
  const picture = page.getByRole("img", { name: /from the side/ });
  const level = await picture.innerHTML();
  await page.locator("input[name^='geometry.']").first().fill("20");
  await expect.poll(() => picture.innerHTML()).not.toBe(level);
  await page.context().setOffline(true);
  await expect(page.getByText("No network.")).toBeVisible();
  await page.getByRole("button", { name: "Enter the machine" }).click();
  await expect(page.getByText(/server does not answer. Nothing is lost here/)).toBeVisible();
  await page.context().setOffline(false);
  await expect(page.getByText("No network.")).toBeHidden();
  await page.reload();
  await isAlive(page);
  await page.getByRole("button", { name: "Take them up" }).click();
  await expect(page.locator("input[name^='geometry.']").first()).toHaveValue("20");
  await page.getByRole("button", { name: "Enter the machine" }).click();
  await expect(page).toHaveURL(/\/gym\/[0-9a-f-]{36}$/);
});

test("the focus is never lost: what goes away under it hands it on, and keys go on working", async ({
  page,
}) => {
  const hasFocus = () =>
    expect.poll(() => page.evaluate(() => document.activeElement?.tagName)).not.toBe("BODY");
  await signIn(page, "therapist");

  await test.step("a bar that is answered", async () => {
    await openStep(page, "Dorrit Fenwake", "story");
    await page.getByLabel("works as").fill("tide clerk");
    await page.reload();
    await isAlive(page);
    await page.getByRole("button", { name: "Drop them" }).press("Enter");
    await expect(page.getByRole("button", { name: "Drop them" })).toBeHidden();
    await hasFocus();
  });

  await test.step("a line that is taken out", async () => {
    await openStep(page, "Dorrit Fenwake", "dose");
    await page.getByRole("button", { name: /^Take out/ }).press("Enter");
    await hasFocus();
    await page.keyboard.press("z");
    await expect(page.getByRole("button", { name: /^Take out/ })).toBeVisible();
  });

  await test.step("a group of answers, and the answers when they are signed", async () => {
    await openStep(page, "Pell Amsworth", "screen");
    await page.getByRole("button", { name: "Ask again" }).press("Enter");
    await hasFocus();
  });

  await test.step("a day that is put away with Delete", async () => {
    await openStep(page, "Idony Greaves", "week");
    await page
      .getByRole("button", { name: /^Gym, / })
      .first()
      .focus();
    await page.keyboard.press("ArrowRight");
    await hasFocus();
  });

  await test.step("a field that is left by Escape stays left", async () => {
    await openStep(page, "Pell Amsworth", "dose");
    await page.locator("main input[name=restS]").focus();
    await page.keyboard.press("Escape");
    await page.keyboard.press("j");
    await expect(page.locator("main input:focus")).toHaveCount(0);
  });

  await test.step("decisions that are taken", async () => {
    await openStep(page, "Pell Amsworth", "decide");
    await page.getByRole("button", { name: /^Accept all as drafted/ }).press("Enter");
    await expect(page.getByRole("heading", { name: "Decided" })).toBeVisible();
    await hasFocus();
  });
});

test("an answer that takes longer than a moment is said to be under way, for a page and for a change", async ({
  page,
}) => {
  await workAs(page, "therapist");
  const id = await openStep(page, "Tove Aldermoor", "story");
  const said = page.getByText("One moment…");
  await page.route(/_rsc=|\/story$/, async (route) => {
    if (route.request().resourceType() === "document") return route.continue();
    await new Promise((done) => setTimeout(done, 1500));
    await route.continue();
  });
  await page.getByRole("button", { name: /Save the story/ }).click();
  await expect(said).toBeVisible();
  await expect(page.getByText("Saved.", { exact: true })).toBeVisible();
  await page
    .locator(`nav a[href="/clients/${id}/costs"], nav a[href="/clients/${id}/review"]`)
    .first()
    .click();
  await expect(said).toBeVisible();
  await expect(page).toHaveURL(/review|costs/);
  await expect(said).toBeHidden();
});

test("who reads pounds has them beside the machine's kilograms on the floor too", async ({ page }) => {
  await workAs(page, "trainer");
  const id = await clientId(page, "Idony Greaves");
  const read = async (unit: "lb" | "kg") => {
    await page.goto("/settings");
    await isAlive(page);
    await page.getByLabel("Loads").selectOption(unit);
    await expect(page.getByText("saved", { exact: true })).toBeVisible();
  };
  await read("lb");
  await letANightPass(id);
  await page.goto(`/clients/${id}/floor`);
  await page.getByRole("link", { name: /^Gym/ }).click();
  await isAlive(page);
  await page.getByRole("button", { name: /None of these/ }).click();
  const set = page.getByRole("region", { name: "What to set" });
  await expect(set.getByText(/\d\skg \(\d+ lb\)/).first()).toBeVisible();
  await read("kg");
  await page.goto(`/clients/${id}/floor`);
  await expect(set.getByText(/\d\skg/).first()).toBeVisible();
  await expect(set.getByText(/lb/)).toHaveCount(0);
});
