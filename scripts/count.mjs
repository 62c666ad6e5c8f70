// Adds up the results of Jest (two runs) and Playwright; a missing report counts as a failure.
import { readFileSync } from "node:fs";

let passed = 0;
let failed = 0;
for (const file of process.argv.slice(2)) {
  try {
    const report = JSON.parse(readFileSync(file, "utf8"));
    if (report.stats) {
      passed += report.stats.expected + report.stats.flaky;
      failed += report.stats.unexpected + report.errors.length;
    } else {
      passed += report.numPassedTests;
      failed += report.numFailedTests + (report.numRuntimeErrorTestSuites ?? 0);
    }
  } catch {
    console.error(`No report at ${file}: that part did not run.`);
    failed += 1;
  }
}
console.log(`${passed} passed, ${failed} failed`);
process.exit(failed === 0 && passed > 0 ? 0 : 1);
