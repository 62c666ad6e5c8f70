import { execFileSync } from "node:child_process";
import { readFileSync } from "node:fs";

const rules = readFileSync("docs/rules.md", "utf8");
const model = readFileSync("docs/model.md", "utf8");
/** Everything that a comment may name: in bold or as a heading. */
const named = (page: string, name: string): boolean =>
  new RegExp(`(\\*\\*|^#+ )${name.replace(".", "\\.")}(?![\\d.]*\\d)`, "m").test(page);

const files = execFileSync("git", ["ls-files", "src", "database", "scripts", "tests"], { encoding: "utf8" })
  .split("\n")
  .filter((f) => /\.(tsx?|mts|sql)$/.test(f) && !f.endsWith("ruleNames.test.ts"));

/** Names in a text: "dosing rules D4, E6", "mechanics rules 5.10", "corrections K2 and K7". */
function namesIn(text: string, of: RegExp, name: RegExp): string[] {
  return [...text.matchAll(of)].flatMap(([, list]) => [...(list ?? "").matchAll(name)].map(([n]) => n));
}

test("every rule that a comment names stands in docs, under that name", () => {
  const missing: string[] = [];
  let found = 0;
  for (const file of files) {
    const text = readFileSync(file, "utf8").replace(/\n\s*(\*|\/\/|--) ?/g, " ");
    const asked = [
      ...namesIn(
        text,
        /[Dd]osing (?:rules? )?((?:[A-H0]\.?\d{1,2}(?:, | and | to )?)+)/g,
        /[A-H0]\.?\d{1,2}/g,
      ).map((n) => [rules, n] as const),
      ...namesIn(
        text,
        /[Cc]orrections? ((?:K\d{1,2}(?:\.\d)?(?:, | and | to )?)+)/g,
        /K\d{1,2}(?:\.\d)?/g,
      ).map((n) => [rules, n] as const),
      ...namesIn(text, /[Rr]ules? ((?:[LP]\d{1,2}(?:, | and | to )?)+)/g, /[LP]\d{1,2}/g).map(
        (n) => [rules, n] as const,
      ),
      ...namesIn(text, /\((K\d{1,2}(?:\.\d)?)\)/g, /K\d{1,2}(?:\.\d)?/g).map((n) => [rules, n] as const),
      ...namesIn(
        text,
        /[Mm]echanics (?:rules? )?((?:\d{1,2}(?:\.\d{1,2})?(?:, | and | to )?)+)/g,
        /\d{1,2}(?:\.\d{1,2})?/g,
      ).map((n) => [model, n] as const),
    ];
    for (const [page, name] of asked) {
      found += 1;
      if (!named(page, name)) missing.push(`${file}: ${name}`);
    }
  }
  expect(missing).toEqual([]);
  expect(found).toBeGreaterThan(120);
});

test("no comment names a page that is not in this project", () => {
  const strangers = files.filter((f) => /[Dd]omain page|\.\.\/shared/.test(readFileSync(f, "utf8")));
  expect(strangers).toEqual([]);
});
