import { readdirSync, readFileSync } from "node:fs";
import path from "node:path";

/** Which room of the core may ask which other, besides `units`, which all may. */
const MAY_ASK: Record<string, string> = {
  access: "",
  body: "",
  bounds: "",
  isometrics: "",
  mechanics: "body",
  signal: "",
  exchange: "bounds equipment measure progression rules schedule screening sheet signal story strength visit",
  equipment: "body mechanics",
  strength: "body mechanics signal",
  rules: "bounds",
  progression: "bounds",
  story: "progression rules",
  phases: "bounds progression rules strength",
  demand: "body mechanics strength",
  explain: "demand progression selection sheet",
  measure: "phases rules strength",
  screening: "bounds phases rules",
  schedule: "",
  selection: "body bounds equipment mechanics phases rules strength",
  sheet: "body bounds equipment isometrics progression rules schedule selection strength",
  drafts: "bounds measure rules selection sheet story strength",
  visit: "progression rules selection sheet",
  decision: "bounds progression sheet visit",
  requests: "",
  paper: "review selection sheet visit",
  review: "decision demand measure progression strength",
  desk: "access",
  units: "",
};
const CORE = "src/core";
/** Not rooms: what only tests read. */
const FOR_TESTS = "testdata";

const files = (dir: string): string[] =>
  readdirSync(dir, { withFileTypes: true }).flatMap((f) =>
    f.isDirectory()
      ? files(path.join(dir, f.name))
      : /(?<!\.test)\.ts$/.test(f.name)
        ? [path.join(dir, f.name)]
        : [],
  );
const roomOf = (file: string): string => path.relative(CORE, file).split(path.sep)[0] ?? "";

/** Every import from one room to another, those of types too. */
function arrows(): { from: string; to: string; file: string }[] {
  return files(CORE)
    .filter((f) => roomOf(f) !== FOR_TESTS)
    .flatMap((file) =>
      [...readFileSync(file, "utf8").matchAll(/(?:from|import\()\s*"(\.[^"]+|@\/core\/[^"]+)"/g)].map((m) => {
        const to = m[1] ?? "";
        const target = to.startsWith("@/")
          ? path.join("src", to.slice(2))
          : path.join(path.dirname(file), to);
        return { from: roomOf(file), to: roomOf(target), file };
      }),
    )
    .filter((a) => a.from !== a.to);
}

test("rooms of the core ask only those they may, and the list has no circle", () => {
  const found = arrows();
  expect(found.length).toBeGreaterThan(200);
  const wrong = found.filter((a) => a.to !== "units" && !MAY_ASK[a.from]?.split(" ").includes(a.to));
  expect(wrong).toEqual([]);
  const open = new Map(
    Object.entries(MAY_ASK).map(([room, asks]) => [room, asks.split(" ").filter(Boolean)]),
  );
  // ground floors are taken away until nothing is left; a circle would stay
  for (let floor = 0; open.size > 0 && floor < Object.keys(MAY_ASK).length; floor++)
    for (const [room, asks] of open) if (asks.every((a) => !open.has(a))) open.delete(room);
  expect([...open.keys()]).toEqual([]);
});

test("every arrow of the list is used, and no folder holds more than twenty files", () => {
  const used = new Set(arrows().map((a) => `${a.from} ${a.to}`));
  const idle = Object.entries(MAY_ASK).flatMap(([room, asks]) =>
    asks
      .split(" ")
      .filter((to) => to && !used.has(`${room} ${to}`))
      .map((to) => `${room} ${to}`),
  );
  expect(idle).toEqual([]);
  const full: string[] = [];
  const walk = (dir: string): void => {
    const inside = readdirSync(dir, { withFileTypes: true });
    if (inside.filter((f) => f.isFile()).length > 20) full.push(dir);
    for (const f of inside) if (f.isDirectory()) walk(path.join(dir, f.name));
  };
  walk("src");
  walk("tests");
  expect(full).toEqual([]);
});
