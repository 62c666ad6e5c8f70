import { chromium, type Page } from "@playwright/test";
import { clientId, signIn } from "../tests/e2e/support/bexlo";
import { startServer, stopServer } from "../tests/e2e/support/stack";
await startServer();
const b = await chromium.launch({ executablePath: "/usr/bin/chromium-headless-shell", args: ["--no-sandbox", "--disable-dev-shm-usage"] });
const page: Page = await b.newPage({ viewport: { width: 1280, height: 800 }, baseURL: `http://127.0.0.1:${process.env.E2E_PORT}` });
page.setDefaultTimeout(15000);
try {
  await signIn(page, "therapist");
  const id = await clientId(page, process.env.WHO ?? "Dorrit Fenwake");
  await page.goto(`/clients/${id}/floor`); await page.waitForTimeout(800);
  const pick = page.getByRole("link", { name: /^Gym/ }).or(page.getByRole("button", { name: /^Gym/ })); if (await pick.count()) { await pick.first().click(); await page.waitForTimeout(800); }
  await page.screenshot({ path: "/tmp/shot-0.png" });
  await page.getByRole("button", { name: /none of|All no|no sign/i }).first().click().catch(() => console.log("no gate")); await page.waitForTimeout(1200);
  console.log(await page.getByTestId("band").textContent());

  for (let i = 0; i < 24; i++) {
    const word = (await page.getByTestId("band").textContent()) ?? "";
    const line = (await page.getByRole("heading", { level: 2 }).first().textContent()) ?? "";
    console.log(i, word.slice(0, 40), line.slice(0, 40));
    if (word.includes("MOVE")) break;
    if (line.includes("Isometric")) { await page.getByRole("button", { name: "leave out this set" }).click(); }
    else await page.keyboard.press(word.includes("PAIN") || word.includes("SET UP") ? "1" : " ");
    await page.waitForTimeout(600);
  }
  await page.screenshot({ path: "/tmp/shot-1.png" });
  await page.keyboard.press(" "); await page.waitForTimeout(700);
  const chip = page.getByRole("group", { name: /Seen in it/ }).getByRole("button").first(); if (await chip.count()) await chip.click();
  await page.waitForTimeout(300); await page.screenshot({ path: "/tmp/shot-2.png" });
  await page.setViewportSize({ width: 1024, height: 768 }); await page.waitForTimeout(300); await page.screenshot({ path: "/tmp/shot-3.png" });
  await page.setViewportSize({ width: 768, height: 1024 }); await page.waitForTimeout(300); await page.screenshot({ path: "/tmp/shot-4.png" });
} finally { await page.screenshot({ path: "/tmp/shot-end.png" }); await b.close(); await stopServer(); }
