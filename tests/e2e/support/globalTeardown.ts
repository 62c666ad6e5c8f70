import type { FullConfig } from "@playwright/test";
import { stopStacks } from "./stack";

export default async function tearDown(config: FullConfig): Promise<void> {
  await stopStacks(config.workers);
}
