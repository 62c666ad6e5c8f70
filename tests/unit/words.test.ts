import { readdirSync, readFileSync } from "node:fs";
import path from "node:path";
import { parseSync } from "@swc/core";

/** Rooms of the core whose sentences all stand in src/words. */
const IN_CODES = [
  ...["src/core/access", "src/core/decision", "src/core/desk", "src/core/requests"],
  ...["src/core/visit/client", "src/core/visit/signs"],
];

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

test("rooms that speak in codes hold no sentence", () => {
  const found: string[] = [];
  for (const file of IN_CODES.flatMap(files))
    walk(file, (node, above) => {
      const text = textOf(node);
      if (text === null || above.type === "ImportDeclaration" || above.type === "TsLiteralType") return;
      // what a schema asks for is said where it is asked
      if (isPhrase(text) && !isOfSchema(file)) found.push(`${file}: ${text}`);
    });
  expect(found).toEqual([]);
});

/** Schemas, whose sentences are for who sends what cannot be; the rules' own texts; a note that is kept as one. */
const isOfSchema = (file: string): boolean => /(Input|preferences|stopReasons|ticked)\.ts$/.test(file);

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
