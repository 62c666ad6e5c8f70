import { readFileSync, writeFileSync } from "node:fs";
import { closeConnections, makeClinic, type TestClinic } from "../../support/clinic";
import { reportOf, SIMULATED, type SimulatedCourse, sixteenWeeks } from "../../support/sixteenWeeks";

const REPORT = "docs/simulated-clients.md";
/**
 * All sixteen weeks of all six take minutes: `npm run simulated` lives them and writes the page. Here the weeks that tell
 * each apart are lived again, and must be those of the page.
 */
const WHOLE = process.env.WHOLE_SIMULATION === "1";
const WEEKS: Record<string, number> = {
  flaring: 3,
  forgetful: 3,
  "over-eager": 1,
  away: 7,
  plateau: 5,
  steady: 1,
};

let clinic: TestClinic;
const courses = new Map<string, SimulatedCourse>();
beforeAll(async () => {
  clinic = await makeClinic();
  for (const c of SIMULATED) courses.set(c.name, await sixteenWeeks(clinic, c, WHOLE ? 16 : WEEKS[c.name]));
  if (WHOLE) writeFileSync(REPORT, reportOf([...courses.values()]));
}, 900_000);
afterAll(closeConnections);

const course = (name: string): SimulatedCourse => courses.get(name) as SimulatedCourse;
const sum = (name: string, of: (w: SimulatedCourse["weeks"][number]) => number, from = 1, to = 16): number =>
  course(name)
    .weeks.filter((w) => w.week >= from && w.week <= to)
    .reduce((total, w) => total + of(w), 0);

test("nothing is broken for any of them, here and on the page", () => {
  for (const { client, broken } of courses.values())
    expect({ [client.name]: broken }).toEqual({ [client.name]: [] });
  expect(readFileSync(REPORT, "utf8").match(/^Nothing was broken\.$/gm)).toHaveLength(SIMULATED.length);
});

test("the page in docs says what happens: every row lived here stands there", () => {
  const page = readFileSync(REPORT, "utf8");
  for (const c of courses.values()) {
    const rows = reportOf([c])
      .split("\n")
      .filter((line) => /^\| \d/.test(line));
    const own = page
      .slice(page.indexOf(`## ${c.client.name}`))
      .split("\n")
      .filter((line) => /^\| \d/.test(line));
    expect(own.slice(0, rows.length)).toEqual(rows);
  }
});

test("who comes steadily climbs", () => {
  expect(sum("steady", (w) => w.actions.PROGRESS)).toBeGreaterThan(1);
  expect(sum("steady", (w) => w.actions.REGRESS)).toBe(0);
});

test("a flare is followed by less, and nobody is pushed on in it", () => {
  expect(sum("flaring", (w) => w.actions.REGRESS + w.actions.STOP_REFER, 3, 3)).toBeGreaterThan(0);
  expect(sum("flaring", (w) => w.actions.PROGRESS, 3, 3)).toBe(0);
});

test("who gives out early is not pushed on", () => {
  expect(sum("plateau", (w) => w.actions.REGRESS, 2, 5)).toBeGreaterThan(0);
});

test("mornings go missing, and none of them progresses", () => {
  expect(sum("forgetful", (w) => w.unanswered)).toBeGreaterThan(0);
});

test("who wants too much alone is held back to what 48 h leave", () => {
  const [first] = course("over-eager").weeks;
  expect(first?.refused).toBeGreaterThan(0);
  expect(first?.sets).toBeLessThan(14);
});

test("a month away begins again from a test", () => {
  expect(
    course("away")
      .weeks.flatMap((w) => w.notes)
      .join(),
  ).toMatch(/again from a test/);
});
