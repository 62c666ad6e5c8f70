/**
 * Sixteen weeks with made-up people who really adapt, under Bexlo's rules and three other ways of dosing:
 * `npm run trial [-- --people FILE] [--json OUT] [--page PAGE] [--policies bexlo,card] [--every N]`.
 * FILE is an array of people as `trial/person.ts` describes them; OUT is `trial/results.ts`; PAGE is the table in words.
 */
import { fork } from "node:child_process";
import { readFileSync, writeFileSync } from "node:fs";
import { fileURLToPath } from "node:url";
import { parseArgs } from "node:util";
import { z } from "zod";
import { type Course, POLICIES, type PolicyName } from "../trial/live";
import type { Lives } from "../trial/lives.mts";
import { pageOf, tableOf } from "../trial/page";
import { trialPerson } from "../trial/person";
import { trialResult } from "../trial/results";

const PROCESSES = 2;
const FIRST_SEED = 1000;

const { values } = parseArgs({
  options: {
    people: { type: "string", default: fileURLToPath(new URL("../trial/people.json", import.meta.url)) },
    json: { type: "string" },
    page: { type: "string" },
    policies: { type: "string", default: Object.keys(POLICIES).join(",") },
    every: { type: "string", default: "1" },
  },
});

const stop = (message: string): never => {
  console.error(message);
  process.exit(1);
};
const policies = values.policies.split(",").map((name): PolicyName => {
  if (name in POLICIES) return name as PolicyName;
  return stop(`There is no way of dosing called "${name}": choose of ${Object.keys(POLICIES).join(", ")}.`);
});
const every = Number(values.every);
if (!Number.isInteger(every) || every < 1) stop("--every takes a whole number from 1.");
const people = readPeople(values.people).filter((_, i) => i % every === 0);

function readPeople(file: string) {
  let text = "";
  try {
    text = readFileSync(file, "utf8");
  } catch {
    return stop(`${file} cannot be read.`);
  }
  try {
    return z.array(trialPerson).min(1).parse(JSON.parse(text));
  } catch (e) {
    const first = e instanceof z.ZodError ? e.issues[0] : null;
    return stop(
      `${file} is no list of people: ${first ? `${first.path.join(".")}: ${first.message}` : (e as Error).message}`,
    );
  }
}

const courses: Course[] = [];
const began = Date.now();
await Promise.all(
  Array.from({ length: PROCESSES }, (_, n) => {
    const own: Lives = {
      policies,
      people: people.flatMap((person, i) =>
        i % PROCESSES === n ? [{ person, seed: FIRST_SEED + i * every }] : [],
      ),
    };
    const child = fork(fileURLToPath(new URL("../trial/lives.mts", import.meta.url)), {
      execArgv: ["--import", "tsx"],
    });
    child.on("message", (c) => {
      courses.push(c as Course);
      if (courses.length % 20 === 0)
        process.stderr.write(`${courses.length} of ${people.length * policies.length}\n`);
    });
    child.send(own);
    return new Promise<void>((done) =>
      child.on("exit", (code) =>
        code === 0 ? done() : stop(`A process that lives people ended with ${code}.`),
      ),
    );
  }),
);
const place = new Map(people.map((p, i) => [p.name, i]));
courses.sort(
  (a, b) =>
    policies.indexOf(a.policy) - policies.indexOf(b.policy) ||
    (place.get(a.name) ?? 0) - (place.get(b.name) ?? 0),
);
const result = trialResult(courses);
if (values.json) writeFileSync(values.json, `${JSON.stringify(result, null, 1)}\n`);
if (values.page) writeFileSync(values.page, pageOf(result));
console.log(tableOf(result));
console.log(`${people.length} people in ${Math.round((Date.now() - began) / 1000)} s`);
