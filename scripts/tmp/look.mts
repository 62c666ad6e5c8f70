import { chromium } from "@playwright/test";
import { startServer, stopServer } from "/work/main/tests/e2e/support/stack";
import { clientId, isAlive, signIn } from "/work/main/tests/e2e/support/bexlo";
import postgres from "postgres";
export async function look(work: (o: {page: any, shot: (n: string) => Promise<void>, owner: any, signIn: any, clientId: any, isAlive: any, browser: any, base: string}) => Promise<void>, size = {width:1280,height:800}) {
  await startServer();
  const base = `http://127.0.0.1:${process.env.E2E_PORT ?? 4310}`;
  const browser = await chromium.launch({ executablePath: "/usr/bin/chromium", args: ["--no-sandbox","--disable-gpu","--disable-dev-shm-usage"] });
  const ctx = await browser.newContext({ viewport: size, baseURL: base, locale: "en-GB", timezoneId: "Europe/Amsterdam" });
  const page = await ctx.newPage();
  const owner = postgres(process.env.OWNER_URL as string, { onnotice: () => undefined });
  try { await work({ page, shot: async (n) => { await page.screenshot({ path: `/tmp/shots/${n}.png` }); }, owner, signIn, clientId, isAlive, browser, base }); }
  finally { await browser.close(); await owner.end(); await stopServer(); }
}
