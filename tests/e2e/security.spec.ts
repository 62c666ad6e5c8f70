import { randomUUID } from "node:crypto";
import { expect, test } from "@playwright/test";
import { clientId, isAlive, signIn, signInByForm, workAs } from "./support/bexlo";
import { putTheDemoBack, signInOf } from "./support/stack";

test.beforeAll(putTheDemoBack);

test("signed-out people reach the sign-in and nothing else", async ({ page, request }) => {
  await page.goto("/");
  await expect(page).toHaveURL(/sign-in/);
  await page.goto(`/clients/${randomUUID()}/dose`);
  await expect(page).toHaveURL(/sign-in/);
  const trace = await request.get(`/api/clients/${randomUUID()}/trials/${randomUUID()}/trace`);
  expect(trace.status()).toBe(401);
});

test("a wrong password gets one sentence, an empty form one at each field", async ({ page }) => {
  await page.goto("/sign-in");
  await isAlive(page);
  await page.getByRole("button", { name: "Sign in" }).click();
  await expect(page.getByText("Enter your e-mail address.")).toBeVisible();
  await expect(page.getByText("Enter your password.")).toBeVisible();
  await page.getByLabel("E-mail address").fill(signInOf("therapist").email);
  await page.getByLabel("Password").fill("wrong");
  await page.getByRole("button", { name: "Sign in" }).click();
  await expect(page.getByText(/do not fit/)).toBeVisible();
});

test("the cookie is http-only and same-site; signing out ends the session at the server", async ({
  page,
  context,
  request,
}) => {
  await signInByForm(page, "trainer");
  const cookie = (await context.cookies()).find((c) => c.name === "bexlo_session");
  expect(cookie).toMatchObject({ httpOnly: true, sameSite: "Strict" });
  await page.getByRole("button", { name: "sign out" }).click();
  await expect(page.getByRole("button", { name: "Sign in" })).toBeVisible();
  const again = await request.get("/", {
    headers: { cookie: `bexlo_session=${cookie?.value}` },
    maxRedirects: 0,
  });
  expect(again.status()).toBe(307);
});

test("a change that comes from another site is refused even with the cookie", async ({
  page,
  context,
  request,
}) => {
  await workAs(page, "therapist");
  const id = await clientId(page, "Jorun Salthe");
  const cookie = (await context.cookies()).map((c) => `${c.name}=${c.value}`).join("; ");
  const body = { id: randomUUID(), isClear: false, signs: ["giving_way"] };
  const origins: Record<string, string>[] = [
    { origin: "https://elsewhere.example" },
    { "sec-fetch-site": "cross-site" },
    {},
  ];
  for (const headers of origins) {
    const answer = await request.post(`/api/clients/${id}/rechecks`, {
      data: body,
      headers: { cookie, ...headers },
    });
    expect(answer.status()).toBe(403);
  }
  await page.goto(`/clients/${id}/floor`);
  await expect(page.getByText(/warning sign stands/)).toHaveCount(0);
});

test("pages carry a strict policy with a fresh nonce, and break none of it", async ({ page }) => {
  const broken: string[] = [];
  page.on("console", (m) => {
    if (/Content Security Policy|Refused to/.test(m.text())) broken.push(m.text());
  });
  const nonceOf = async () => {
    const policy = (await page.goto("/sign-in"))?.headers()["content-security-policy"] ?? "";
    expect(policy).not.toMatch(/unsafe-(inline|eval)/);
    expect(policy).toContain("frame-ancestors 'none'");
    return policy.match(/'nonce-([^']+)'/)?.[1];
  };
  expect(await nonceOf()).not.toBe(await nonceOf());
  await workAs(page, "therapist");
  const id = await clientId(page, "Pell Amsworth");
  for (const step of [
    "story",
    "limits",
    "measure",
    "choose",
    "dose",
    "week",
    "morning",
    "decide",
    "review",
    "floor",
  ]) {
    await page.goto(`/clients/${id}/${step}`);
    await isAlive(page);
  }
  expect(broken).toEqual([]);
});

test("an address with a slip leads to a sentence, not to an error", async ({ page }) => {
  await signIn(page, "therapist");
  for (const path of ["/clients/nobody/dose", `/clients/${randomUUID()}/measure`, "/nowhere"]) {
    await page.goto(path);
    await expect(page.getByRole("heading", { name: "There is nothing at this address" })).toBeVisible();
  }
});

test("a password sent before the page's script has loaded does not land in the address", async ({
  browser,
}) => {
  const page = await (await browser.newContext({ javaScriptEnabled: false })).newPage();
  await page.goto("/sign-in");
  await page.getByLabel("E-mail address").fill("somebody@tidewall.example");
  await page.getByLabel("Password").fill("grey heron");
  await page.getByRole("button", { name: "Sign in" }).click();
  await page.waitForLoadState();
  expect(page.url()).not.toContain("heron");
});
