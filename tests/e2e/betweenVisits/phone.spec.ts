import { type Browser, expect, type Page, test } from "@playwright/test";
import { clientId, expectAccessible, expectFits, isAlive, openStep, workAs } from "../support/bexlo";
import { runPhone } from "../support/run";
import { letANightPass, letTheMorningBeNow, putTheDemoBack } from "../support/stack";

test.beforeAll(putTheDemoBack);

/** A phone that nobody is signed in on. */
async function phone(browser: Browser, width = 390): Promise<Page> {
  const context = await browser.newContext({
    viewport: { width, height: 844 },
    hasTouch: true,
    locale: "en-GB",
    timezoneId: "Europe/Amsterdam",
  });
  return context.newPage();
}

/** The address behind a copy key. */
async function copied(page: Page, label: RegExp | string): Promise<string> {
  await page.context().grantPermissions(["clipboard-read", "clipboard-write"]);
  await page.getByRole("button", { name: label }).click();
  await expect(page.getByText("copied").first()).toBeVisible();
  return page.evaluate(() => navigator.clipboard.readText());
}

const key = (page: Page, name: string) => page.getByRole("button", { name, exact: true });

test("the morning by a link: no account and no name, three taps, changed once; a warning stops the floor at once", async ({
  page,
  browser,
}) => {
  await workAs(page, "therapist");
  const id = await clientId(page, "Tove Aldermoor");
  await letTheMorningBeNow(id);
  await page.goto("/outbox");
  await isAlive(page);
  await expectFits(page);
  await expectAccessible(page);
  const link = await copied(page, "Copy the link for Tove Aldermoor");
  expect(link).not.toMatch(/tove|aldermoor/i);
  const their = await phone(browser);
  const response = await their.goto(link);
  expect(response?.headers()["cache-control"]).toContain("no-store");
  await expect(their.getByRole("heading", { name: "How is the knee this morning?" })).toBeVisible();
  expect(await their.title()).toBe("This morning");
  expect(await their.content()).not.toMatch(/Aldermoor|Tove/);
  await expectFits(their);
  await expectAccessible(their);
  await isAlive(their);

  await test.step("in another language, kept for the next page and for papers, and back", async () => {
    const kept = their.waitForResponse((r) => r.url().endsWith("/language") && r.ok());
    await key(their, "Deutsch").click();
    await kept;
    await expect(their.getByRole("heading", { name: "Wie geht es dem Knie heute Morgen?" })).toBeVisible();
    await their.reload();
    await isAlive(their);
    await key(their, "Senden").click();
    await expect(their.getByRole("alert").first()).toHaveText(/wie sehr das Gelenk schmerzt/);
    await expectFits(their);
    await expectAccessible(their);
    await key(their, "English").click();
    await expect(their.getByRole("heading", { name: "How is the knee this morning?" })).toBeVisible();
  });
  await test.step("an answer that lacks something says what", async () => {
    await key(their, "Send").click();
    await expect(their.getByRole("alert").first()).toHaveText(/how much the joint hurts/);
  });
  await key(their, "2 of 10").click();
  await key(their, "under 10").click();
  await key(their, "no").click();
  await key(their, "Send").click();
  await expect(their.getByRole("heading", { name: "Thank you" })).toBeVisible();
  await expectAccessible(their);

  await test.step("at 200 % nothing spills and everything is still within reach", async () => {
    const large = await phone(browser, 195);
    await large.goto(link);
    await expectFits(large);
    await large.context().close();
  });

  await test.step("the clinic sees it, and whose answer it is", async () => {
    await openStep(page, "Tove Aldermoor", "morning");
    await expect(page.getByText("The client's own answer.")).toBeVisible();
    await expect(page.getByText(/^Answered by the client/)).toBeVisible();
  });

  await test.step("a warning: the client hears what to do, Today says it first, the floor is closed", async () => {
    await their.reload();
    await isAlive(their);
    const answers = await key(their, "2 of 10").count();
    if (answers > 0) {
      await key(their, "3 of 10").click();
    }
    await key(their, "yes, tell the clinic").click();
    await their.getByLabel(/The calf hurts/).check();
    await their.getByRole("button", { name: /^Send/ }).click();
    await expect(their.getByRole("heading", { name: "The clinic sees this first" })).toBeVisible();
    await expect(their.getByText(/call the emergency number now/)).toBeVisible();
    await page.goto("/");
    const stopped = page.getByRole("region", { name: "Stopped: clear it or refer" });
    await expect(stopped).toContainText("Tove Aldermoor");
    await page.goto(`/clients/${id}/floor`);
    await expect(page.getByText(/A warning sign stands since the client noted it: calf pain/)).toBeVisible();
  });

  await test.step("a link that was touched opens nothing and tells nothing", async () => {
    const wrong = await their.goto(`${link.slice(0, -3)}abc`);
    await expect(their.getByRole("heading", { name: "This does not open" })).toBeVisible();
    expect(await their.content()).not.toMatch(/Aldermoor|Tidewall/);
    expect(wrong?.status()).toBeLessThan(500);
    const posted = await their.evaluate(async () => {
      const r = await fetch("/api/l/AAAAAAAAAAAAAAAAAAAAAA.AAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAA/morning", {
        method: "POST",
        headers: { "content-type": "application/json" },
        body: JSON.stringify({ pain: 1 }),
      });
      return { status: r.status, problems: (await r.json()).problems };
    });
    expect(posted.status).toBe(404);
    expect(posted.problems[0].sentence).toMatch(/does not fit/);
  });
});

test("the sheet for home runs on a phone, once without a network, and counts as the client's own", async ({
  page,
  browser,
}) => {
  await workAs(page, "therapist");
  const id = await clientId(page, "Jorun Salthe");
  await letANightPass(id);
  await openStep(page, "Jorun Salthe", "dose");
  await page.getByRole("button", { name: "Make a link for the phone" }).click();
  const link = await copied(page, "Copy the link for home");
  const their = await phone(browser);
  await their.goto(link);
  expect(await their.content()).not.toMatch(/Salthe|Jorun/);
  await expect(their.getByRole("heading", { name: "Today's exercises" })).toBeVisible();
  await expectFits(their);
  await expectAccessible(their);
  await isAlive(their);
  // everything the page is made of is kept before the network goes
  await their.waitForFunction(async () => {
    const store = await caches.open("bexlo-home-1");
    return (await store.keys()).length > 3;
  });
  await their.clock.install();
  await their.context().setOffline(true);
  await key(their, "no, nothing").click();
  await key(their, "Begin").click();
  await expect(their.getByTestId("band")).toHaveText("NEXT");
  await their.reload();
  await expect(their.getByTestId("band")).toHaveText("NEXT");
  await isAlive(their);
  await expectFits(their);
  await expectAccessible(their);

  const seen = await runPhone(their, { around: 1, inSets: 1 });
  await expect(their.getByRole("heading", { name: "Done for today" })).toBeVisible();
  expect(seen.size).toBe(3);
  await expect(their.getByText("kept on this phone").first()).toBeVisible();

  await test.step("with the network back it is sent, in order, and marked as the client's", async () => {
    await their.context().setOffline(false);
    await their.clock.runFor(10_000);
    await expect(their.getByText("The clinic has it.")).toBeVisible();
    await page.goto(`/clients/${id}/record`);
    await expect(page.getByText("the client").first()).toBeVisible();
    await openStep(page, "Jorun Salthe", "morning");
    await expect(page.getByText(/At home: 3 of 3 lines done/)).toBeVisible();
  });

  await test.step("done is done: the link says so, and a new link ends the old one", async () => {
    await their.goto(link);
    await expect(their.getByRole("heading", { name: "Done for today" })).toBeVisible();
    await openStep(page, "Jorun Salthe", "dose");
    await page.getByRole("button", { name: "Make a link for the phone" }).click();
    await expect(page.getByRole("button", { name: "Copy the link for home" })).toBeVisible();
    await their.goto(`${link}?again`);
    await expect(their.getByRole("heading", { name: "This does not open" })).toBeVisible();
  });
});

test("what was done under a link that was replaced meanwhile is said not to be taken, kept, and handed over by the new one", async ({
  page,
  browser,
}) => {
  await workAs(page, "therapist");
  const id = await clientId(page, "Dorrit Fenwake");
  await letANightPass(id);
  const newLink = async (): Promise<string> => {
    await page.goto(`/clients/${id}/dose`);
    await isAlive(page);
    await page
      .getByRole("link", { name: /Daily holds/ })
      .first()
      .click();
    await page.getByRole("button", { name: "Make a link for the phone" }).click();
    return copied(page, "Copy the link for home");
  };
  const first = await newLink();
  const their = await phone(browser);
  await their.goto(first);
  await expect(their.getByRole("heading", { name: "Today's exercises" })).toBeVisible();
  await isAlive(their);
  await their.clock.install();
  await their.context().setOffline(true);
  await key(their, "no, nothing").click();
  await key(their, "Begin").click();
  await runPhone(their, { around: 1, inSets: 1 });
  await expect(their.getByText("kept on this phone").first()).toBeVisible();
  const second = await newLink();
  await their.context().setOffline(false);
  await their.clock.runFor(10_000);
  await expect(their.getByText("not taken").first()).toBeVisible();
  await expect(their.getByText("The clinic has it.")).toHaveCount(0);

  await test.step("the new link takes it along, marked", async () => {
    await their.goto(second);
    await expect(their.getByRole("heading", { name: "Something was not sent" })).toBeVisible();
    await isAlive(their);
    await their.getByRole("button", { name: /^Send to/ }).click();
    await their.clock.runFor(10_000);
    await expect(their.getByRole("heading", { name: "Something was not sent" })).toHaveCount(0);
    await page.goto(`/clients/${id}/record`);
    await expect(page.getByText(/earlier link/).first()).toBeVisible();
  });
});
