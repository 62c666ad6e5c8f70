import { keepTheSeededDemo, startServer } from "./stack";

export default async function setUp(): Promise<void> {
  await keepTheSeededDemo();
  await startServer();
}
