import { defineConfig } from "@playwright/test";

/** Which of the stacks this process tests against: see tests/e2e/support/stack.ts. */
const port = Number(process.env.E2E_PORT ?? 4310) + Number(process.env.TEST_PARALLEL_INDEX ?? 0);

/** The server is started by tests/e2e/support/stack.ts, not by Playwright: one test stops and starts it and the database. */
export default defineConfig({
  testDir: "tests/e2e",
  outputDir: "test-results",
  workers: 1,
  // bounds against what hangs, and none on how fast a machine is: a third of the speed passes
  timeout: 360_000,
  expect: { timeout: 40_000 },
  globalSetup: "./tests/e2e/support/globalSetup.ts",
  globalTeardown: "./tests/e2e/support/globalTeardown.ts",
  use: {
    baseURL: `http://127.0.0.1:${port}`,
    viewport: { width: 1280, height: 800 },
    actionTimeout: 60_000,
    locale: "en-GB",
    timezoneId: "Europe/Amsterdam",
    launchOptions: {
      executablePath: process.env.CHROMIUM_PATH ?? "/usr/bin/chromium-headless-shell",
      args: ["--no-sandbox", "--disable-dev-shm-usage", "--disable-gpu", "--disable-background-networking"],
    },
  },
});
