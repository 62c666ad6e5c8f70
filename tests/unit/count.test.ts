import { spawnSync } from "node:child_process";
import { mkdtempSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";

const folder = mkdtempSync(path.join(tmpdir(), "count-"));
const report = (name: string, content: object): string => {
  const file = path.join(folder, name);
  writeFileSync(file, JSON.stringify(content));
  return file;
};
const count = (...files: string[]) => {
  const { status, stdout } = spawnSync(process.execPath, ["scripts/count.mjs", ...files], {
    encoding: "utf8",
  });
  return { status, last: stdout.trim().split("\n").pop() };
};

const unit = report("unit.json", { numPassedTests: 10, numFailedTests: 0 });
const e2e = report("e2e.json", { stats: { expected: 5, flaky: 1, unexpected: 0 }, errors: [] });

test("adds both kinds of report", () => {
  expect(count(unit, e2e)).toEqual({ status: 0, last: "16 passed, 0 failed" });
});

test("a failed test, a suite that did not run and a missing report all fail", () => {
  const failed = report("failed.json", {
    numPassedTests: 3,
    numFailedTests: 1,
    numRuntimeErrorTestSuites: 1,
  });
  expect(count(unit, failed)).toEqual({ status: 1, last: "13 passed, 2 failed" });
  const broken = report("broken.json", { stats: { expected: 0, flaky: 0, unexpected: 0 }, errors: [{}] });
  expect(count(unit, broken)).toEqual({ status: 1, last: "10 passed, 1 failed" });
  expect(count(unit, path.join(folder, "nowhere.json"))).toEqual({ status: 1, last: "10 passed, 1 failed" });
});

test("nothing tested is no success", () => {
  expect(count(report("none.json", { numPassedTests: 0, numFailedTests: 0 })).status).toBe(1);
});
