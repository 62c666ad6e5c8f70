import { readdirSync, readFileSync } from "node:fs";
import path from "node:path";

/** Rooms of one house: which may ask which other, besides the ground, which all may. */
interface House {
  root: string;
  ground: string;
  mayAsk: Record<string, string>;
}

const CORE: House = {
  root: "src/core",
  ground: "units",
  mayAsk: {
    access: "",
    body: "",
    bounds: "",
    isometrics: "",
    mechanics: "body",
    signal: "",
    exchange:
      "bounds equipment measure progression rules schedule screening selection sheet signal story strength visit",
    equipment: "body mechanics",
    strength: "body mechanics signal",
    capacity: "strength",
    rules: "bounds",
    progression: "bounds rules",
    story: "progression rules schedule",
    phases: "bounds progression rules strength",
    demand: "body capacity mechanics strength",
    explain: "demand selection sheet",
    measure: "phases rules strength",
    screening: "bounds phases rules",
    schedule: "",
    selection: "body bounds capacity equipment mechanics phases rules strength",
    sheet: "body bounds capacity equipment isometrics progression rules schedule selection strength",
    drafts: "bounds measure rules schedule selection sheet story strength",
    visit: "capacity isometrics progression rules schedule selection sheet story strength",
    decision: "bounds capacity progression rules sheet story strength visit",
    requests: "",
    paper: "selection",
    review: "capacity decision demand measure progression story strength visit",
    desk: "access capacity measure progression requests schedule screening selection sheet visit",
    units: "",
  },
};

/** Facts are read by whoever judges; they judge nothing. */
const SERVER: House = {
  root: "src/server",
  ground: "base",
  mayAsk: {
    base: "",
    auth: "",
    clinic: "",
    client: "",
    versions: "",
    exchange: "",
    requests: "client",
    bounds: "client",
    history: "client versions",
    links: "client history",
    measure: "bounds client clinic",
    facts: "bounds client clinic history measure",
    week: "bounds client clinic facts history measure versions",
    choice: "bounds client clinic facts history measure",
    sheets: "bounds client clinic facts versions",
    decide: "bounds client clinic facts history sheets versions",
    visits: "bounds client decide facts history links sheets versions week",
    explain: "client facts history versions",
    review: "bounds client facts history measure week",
    papers: "bounds choice client clinic facts history review versions visits week",
    day: "bounds client decide facts history measure requests review sheets versions visits week",
  },
};
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
/** Every import from one room to another, those of types too. */
function arrows({ root }: House): { from: string; to: string; file: string }[] {
  const roomOf = (file: string): string => path.relative(root, file).split(path.sep)[0] ?? "";
  const inside = new RegExp(`(?:from|import\\()\\s*"(\\.[^"]+|@/${root.slice("src/".length)}/[^"]+)"`, "g");
  return files(root)
    .filter((f) => roomOf(f) !== FOR_TESTS)
    .flatMap((file) =>
      [...readFileSync(file, "utf8").matchAll(inside)].map((m) => {
        const to = m[1] ?? "";
        const target = to.startsWith("@/")
          ? path.join("src", to.slice(2))
          : path.join(path.dirname(file), to);
        return { from: roomOf(file), to: roomOf(target), file };
      }),
    )
    .filter((a) => a.from !== a.to);
}

describe.each([CORE, SERVER])("$root", (house) => {
  const { mayAsk, ground } = house;
  const asks = (room: string) => (mayAsk[room] ?? "").split(" ").filter(Boolean);

  test("rooms ask only those they may, and the list has no circle", () => {
    const found = arrows(house);
    expect(found.length).toBeGreaterThan(200);
    expect(found.filter((a) => a.to !== ground && !asks(a.from).includes(a.to))).toEqual([]);
    const open = new Map(Object.keys(mayAsk).map((room) => [room, asks(room)]));
    // ground floors are taken away until nothing is left; a circle would stay
    for (let floor = 0; open.size > 0 && floor < Object.keys(mayAsk).length; floor++)
      for (const [room, of] of open) if (of.every((a) => !open.has(a))) open.delete(room);
    expect([...open.keys()]).toEqual([]);
  });

  test("every arrow of the list is used", () => {
    const used = new Set(arrows(house).map((a) => `${a.from} ${a.to}`));
    const listed = Object.keys(mayAsk).flatMap((room) => asks(room).map((to) => `${room} ${to}`));
    expect(listed.filter((arrow) => !used.has(arrow))).toEqual([]);
  });
});

test("no folder holds more than twenty files", () => {
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
