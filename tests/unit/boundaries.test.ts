import { spawnSync } from "node:child_process";
import { rmSync, writeFileSync } from "node:fs";

const BARRED = [
  ["src/core/bounds", "react"],
  ["src/core/bounds", "postgres"],
  ["src/core/bounds", "node:fs"],
  ["src/core/bounds", "d3"],
  ["src/core/bounds", "next/headers"],
  ["src/core/bounds", "@/server/base/db"],
  ["src/core/bounds", "../../server/base/db"],
  ["src/core/bounds", "../../ui/send"],
  ["src/ui/rail", "@/server/base/db"],
  ["src/ui/rail", "@/app/_web/actor"],
  ["src/ui/rail", "@/workers/findDose.worker"],
  ["src/server", "@/ui/send"],
  ["src/server", "@/app/_web/actor"],
  ["src/server", "react"],
  ["src/workers", "@/server/base/db"],
  ["src/workers", "@/ui/send"],
] as const;

const ALLOWED = [
  ["src/core/bounds", "zod"],
  ["src/core/bounds", "../units/mass"],
  ["src/core/bounds", "./limit"],
  ["src/ui/rail", "@/core/units/mass"],
  ["src/server", "@/core/units/mass"],
  ["src/workers", "@/core/sheet/draft/findDose"],
  ["src/app", "@/server/base/db"],
] as const;

const planted = [...BARRED, ...ALLOWED].map(([folder, from], i) => ({
  file: `${folder}/planted${i}.ts`,
  from,
}));
let restricted: Set<string>;

/** Plants a file for each import, lints them all at once with the project's own rules, takes them away again. */
beforeAll(() => {
  try {
    for (const { file, from } of planted)
      writeFileSync(file, `import { x } from "${from}";\n\nexport const y = x;\n`);
    const files = planted.map((p) => p.file);
    const args = ["lint", "--reporter=github", "--max-diagnostics=200", ...files];
    const { stdout } = spawnSync("node_modules/.bin/biome", args, { encoding: "utf8" });
    const lines = stdout.split("\n").filter((l) => l.includes("noRestrictedImports"));
    restricted = new Set(files.filter((f) => lines.some((l) => l.includes(f))));
  } finally {
    for (const { file } of planted) rmSync(file, { force: true });
  }
});

test.each(BARRED.map(([folder, from], i) => [folder, from, i] as const))(
  "%s may not import %s",
  (_f, _from, i) => {
    expect(restricted).toContain(planted[i]?.file);
  },
);

test.each(ALLOWED.map(([folder, from], i) => [folder, from, i] as const))(
  "%s may import %s",
  (_f, _from, i) => {
    expect(restricted).not.toContain(planted[BARRED.length + i]?.file);
  },
);
