/** Puts the table of published findings against the model into docs/model.md: node --import tsx scripts/findings.mts */
import { readFile, writeFile } from "node:fs/promises";
import { findingsTable, publishedFindings, withFindings } from "../tests/unit/publishedFindings";

const page = new URL("../docs/model.md", import.meta.url);
await writeFile(page, withFindings(await readFile(page, "utf8"), findingsTable(publishedFindings())));
