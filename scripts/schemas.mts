/** Writes docs/schemas/ anew: the published schemas of the product's own files, from what reads them. */
import { mkdirSync, writeFileSync } from "node:fs";
import { schemas } from "../src/core/exchange/schemas";

mkdirSync("docs/schemas", { recursive: true });
for (const [name, schema] of Object.entries(schemas()))
  writeFileSync(`docs/schemas/${name}.schema.json`, `${JSON.stringify(schema)}\n`);
