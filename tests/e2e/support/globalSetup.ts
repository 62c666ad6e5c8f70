import type { FullConfig } from "@playwright/test";
import { startStacks } from "./stack";

export default async function setUp(config: FullConfig): Promise<void> {
  await startStacks(config.workers);
}
