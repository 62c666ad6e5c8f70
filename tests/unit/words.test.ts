import { readdirSync, readFileSync } from "node:fs";
import path from "node:path";
import { parseSync } from "@swc/core";
import { coded } from "@/words/en";

const files = (dir: string): string[] =>
  readdirSync(dir, { withFileTypes: true }).flatMap((f) =>
    f.isDirectory()
      ? files(path.join(dir, f.name))
      : /(?<!\.test)\.tsx?$/.test(f.name)
        ? [path.join(dir, f.name)]
        : [],
  );

type Node = { type?: string; [key: string]: unknown };

/** Every node of a file, with the one above it. */
function walk(file: string, seen: (node: Node, above: Node) => void): void {
  const ast = parseSync(readFileSync(file, "utf8"), { syntax: "typescript", tsx: file.endsWith("x") });
  const into = (x: unknown, above: Node): void => {
    if (Array.isArray(x)) for (const y of x) into(y, above);
    else if (x && typeof x === "object") {
      const node = x as Node;
      if (node.type) seen(node, above);
      for (const [key, value] of Object.entries(node))
        if (key !== "span") into(value, node.type ? node : above);
    }
  };
  into(ast.body, {});
}

const isPhrase = (text: unknown): boolean =>
  typeof text === "string" && /\p{L}{2,}[,.:]? \p{L}{2,}/u.test(text);

const textOf = (node: Node): string | null => {
  if (node.type === "StringLiteral") return node.value as string;
  if (node.type !== "TemplateLiteral") return null;
  return (node.quasis as { cooked?: string; raw: string }[]).map((q) => q.cooked ?? q.raw).join("0");
};

test("no sentence stands in the core: it speaks in codes, and what the rules say of themselves is data", () => {
  const found: string[] = [];
  for (const file of files("src/core").filter((f) => !f.includes("/testdata/")))
    walk(file, (node, above) => {
      const text = textOf(node);
      if (text === null || above.type === "ImportDeclaration" || above.type === "TsLiteralType") return;
      if (isPhrase(text) && !isForMakers(above)) found.push(`${file}: ${text}`);
    });
  expect(found.sort()).toEqual([...WRITTEN].sort());
});

/** What only somebody who changes the program ever reads. */
const isForMakers = (above: Node): boolean =>
  above.type === "NewExpression" && (above.callee as Node).value === "Error";

/** Words that are no sentence of ours: ids of the rule base that have a space, what is written into a record or file, and what paper prints for a sign it lacks. */
const WRITTEN = [
  "src/core/exchange/csv/readMachines.ts: from a table; dimensions are those of a usual one, not measured",
  "src/core/exchange/csv/readVisits.ts: Earlier, from a file",
  "src/core/exchange/csv/readVisits.ts: From a file: nothing was decided here.",
  "src/core/exchange/csvOut.ts: all lines",
  "src/core/exchange/nameless.ts: left out",
  "src/core/exchange/newRows.ts: not said",
  "src/core/exchange/schemas.ts: A client of Bexlo, version 1",
  "src/core/exchange/schemas.ts: A clinic's own part, version 1",
  "src/core/exchange/schemas.ts: A list of machines, version 1",
  "src/core/visit/client/ticked.ts: entered from paper",
  "src/core/paper/printable.ts: at least",
  "src/core/paper/printable.ts: at most",
  "src/core/phases/limitsOfOverride.ts: own e1RM inside the allowed arc",
  "src/core/rules/exercises.ts: front support",
  "src/core/rules/limitsRecord.ts: limb weight only",
  "src/core/screening/bloodPressure.ts: 160-179 systolic or 100-109 diastolic",
  "src/core/screening/bloodPressure.ts: 180 systolic or 110 diastolic, or higher, no symptoms",
  "src/core/selection/fit/taskBarred.ts: this phase",
  "src/core/selection/setUp/machineFor.ts: body weight",
  "src/core/selection/swap/swap.ts: prone on elbows",
  "src/core/selection/swap/swap.ts: reclined seated",
  "src/core/selection/swap/swap.ts: seated or prone",
  "src/core/selection/swap/swap.ts: seated or supine",
  "src/core/selection/swap/swap.ts: standing, back supported",
  "src/core/selection/swap/swap.ts: supine on elbows",
  "src/core/selection/swap/swap.ts: supine or long sitting",
  "src/core/selection/swap/swap.ts: supine or seated",
];

/** What is done with words that somebody reads. */
const CUTS = new Set(["includes", "startsWith", "endsWith", "indexOf", "split"]);

test("nothing compares a shown sentence with another, or cuts one up", () => {
  const found: string[] = [];
  for (const file of files("src").filter((f) => !f.includes("/testdata/") && !f.startsWith("src/words/")))
    walk(file, (node, above) => {
      const text = textOf(node);
      if (!isPhrase(text)) return;
      const isCompared =
        node.type === "StringLiteral" &&
        above.type === "BinaryExpression" &&
        /^[!=]==$/.test(above.operator as string);
      const callee = above.type === "CallExpression" ? (above.callee as Node) : null;
      const method = callee?.type === "MemberExpression" ? ((callee.property as Node).value as string) : "";
      if (isCompared || CUTS.has(method)) found.push(`${file}: ${text}`);
    });
  expect(found).toEqual([]);
});

test("every code that a schema or a reader of files names has words, and no words are left without a code", () => {
  const named = new Set<string>();
  const rooms = Object.keys(coded).join("|");
  const isCode = new RegExp(`^(${rooms})\\.[a-z]\\w+$`);
  for (const file of files("src").filter((f) => !f.startsWith("src/words/")))
    walk(file, (node) => {
      const text = textOf(node);
      if (text !== null && isCode.test(text)) named.add(text);
    });
  const said = Object.entries(coded).flatMap(([room, words]) =>
    Object.keys(words).map((w) => `${room}.${w}`),
  );
  expect([...named].sort()).toEqual(said.sort());
});
