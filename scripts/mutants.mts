// Small changes to the rules, each tried against the unit tests: one that no test notices is printed. Works on copies of
// the tree, so that nothing here is touched.
//   node --import tsx scripts/mutants.mts [--count 200] [--seed 1] [--in src/core/bounds,src/core/decision]
import { execFileSync, spawn } from "node:child_process";
import { mkdtempSync, readFileSync, rmSync, symlinkSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { parseArgs } from "node:util";

const { values } = parseArgs({
  options: {
    count: { type: "string", default: "200" },
    seed: { type: "string", default: "1" },
    in: {
      type: "string",
      default: "src/core/bounds,src/core/sheet/load,src/core/decision,src/core/progression,src/core/schedule",
    },
    workers: { type: "string", default: "2" },
  },
});

/** What is changed, and into what; each changes one rule. */
const CHANGES: readonly (readonly [RegExp, (found: string) => string])[] = [
  [/(?<=[\w)\]] )<=(?= [\w(-])/g, () => "<"],
  [/(?<=[\w)\]] )>=(?= [\w(-])/g, () => ">"],
  [/(?<=[\w)\]] )<(?= [\w(-])/g, () => "<="],
  [/(?<=[\w)\]] )>(?= [\w(-])/g, () => ">="],
  [/Math\.min\(/g, () => "Math.max("],
  [/Math\.max\(/g, () => "Math.min("],
  [/Math\.floor\(/g, () => "Math.ceil("],
  [/Math\.ceil\(/g, () => "Math.floor("],
  [/ && /g, () => " || "],
  [/ \|\| /g, () => " && "],
  [/ \+ (?=[\w(])/g, () => " - "],
  [/ \* (?=[\w(])/g, () => " / "],
  [/(?<![\w."'`-])\d+(?:\.\d+)?(?![\w"'`])/g, (n) => String(n === "0" ? 1 : Number(n) * 1.5)],
];

interface Mutant {
  file: string;
  line: number;
  from: string;
  to: string;
  text: string;
}

/** Lines that hold a rule: no imports, comments, types or words. */
const isRule = (line: string): boolean =>
  !/^\s*(import|export type|type|interface|\/\/|\/\*|\*)/.test(line) &&
  !/[`"][^`"]*[a-z]{2,} [a-z]{2,}/.test(line);

function mutantsOf(file: string): Mutant[] {
  const lines = readFileSync(file, "utf8").split("\n");
  return lines.flatMap((was, i) =>
    isRule(was)
      ? CHANGES.flatMap(([what, into]) =>
          [...was.matchAll(what)].map((m) => {
            const to = into(m[0]);
            const now = was.slice(0, m.index) + to + was.slice(m.index + m[0].length);
            const text = lines.map((l, k) => (k === i ? now : l)).join("\n");
            return { file, line: i + 1, from: was.trim(), to: now.trim(), text };
          }),
        )
      : [],
  );
}

const files = execFileSync("git", ["ls-files", ...values.in.split(",")], { encoding: "utf8" })
  .trim()
  .split("\n")
  .filter((f) => f.endsWith(".ts") && !f.endsWith(".test.ts"));
let state = Number(values.seed);
const random = () => {
  state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
  return state / 2 ** 32;
};
const all = files.flatMap(mutantsOf);
const chosen = all
  .map((m) => ({ m, at: random() }))
  .sort((a, b) => a.at - b.at)
  .slice(0, Number(values.count))
  .map(({ m }) => m);
process.stdout.write(`${chosen.length} of ${all.length} changes in ${files.length} files\n`);

/** Whether some of the tests fail; a change that does not compile or never ends counts as noticed. */
const fails = (tree: string, which: readonly string[]): Promise<boolean> =>
  new Promise((done) => {
    const jest = spawn(
      "node_modules/.bin/jest",
      ["--selectProjects", "unit", "--bail", "--silent", "--maxWorkers=1", "--passWithNoTests", ...which],
      { cwd: tree, stdio: "ignore", timeout: 400_000 },
    );
    jest.on("close", (code) => done(code !== 0));
  });

/** The tests of its own folder are asked first: all that reach a rule are most of them. */
async function isNoticed(tree: string, m: Mutant): Promise<boolean> {
  const target = path.join(tree, m.file);
  const was = readFileSync(target, "utf8");
  writeFileSync(target, m.text);
  const noticed =
    (await fails(tree, ["--testPathPatterns", `${path.dirname(m.file)}/`])) ||
    (await fails(tree, ["--findRelatedTests", m.file]));
  writeFileSync(target, was);
  return noticed;
}

const trees: string[] = [];
let living = 0;
let tried = 0;
try {
  await Promise.all(
    Array.from({ length: Number(values.workers) }, async () => {
      const tree = mkdtempSync(path.join(tmpdir(), "mutants-"));
      trees.push(tree);
      execFileSync("bash", ["-c", `git archive HEAD | tar -x -C ${tree}`]);
      symlinkSync(path.resolve("node_modules"), path.join(tree, "node_modules"));
      for (let m = chosen.pop(); m; m = chosen.pop()) {
        const noticed = await isNoticed(tree, m);
        tried++;
        if (tried % 20 === 0) process.stdout.write(`${tried} tried\n`);
        if (noticed) continue;
        living++;
        process.stdout.write(`lives  ${m.file}:${m.line}\n       ${m.from}\n       ${m.to}\n`);
      }
    }),
  );
} finally {
  for (const tree of trees) rmSync(tree, { recursive: true, force: true });
}
process.stdout.write(`${tried} tried, ${living} live\n`);
