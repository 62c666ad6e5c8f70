import { readdirSync, readFileSync } from "node:fs";
import path from "node:path";
import { schemas } from "@/core/exchange/schemas";

test("the published schemas are what reads the files: `npx tsx scripts/schemas.mts` writes them anew", () => {
  for (const [name, schema] of Object.entries(schemas()))
    expect(JSON.parse(readFileSync(`docs/schemas/${name}.schema.json`, "utf8"))).toEqual(
      JSON.parse(JSON.stringify(schema)),
    );
});

const files = (dir: string): string[] =>
  readdirSync(dir, { withFileTypes: true }).flatMap((f) =>
    f.isDirectory()
      ? files(path.join(dir, f.name))
      : /(?<!\.test)\.tsx?$/.test(f.name)
        ? [path.join(dir, f.name)]
        : [],
  );

test("every formula that a page opens stands in the model's document under the same name", () => {
  const model = readFileSync("docs/model.md", "utf8");
  const used = new Set(
    files("src").flatMap((f) =>
      [...readFileSync(f, "utf8").matchAll(/formulaId: "([^"]+)"/g)].map((m) => m[1] as string),
    ),
  );
  expect(used.size).toBeGreaterThanOrEqual(15);
  expect([...used].filter((id) => !model.includes(`\`${id}\``))).toEqual([]);
});
