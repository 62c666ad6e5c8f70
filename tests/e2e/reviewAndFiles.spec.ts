import { execFileSync } from "node:child_process";
import { randomUUID } from "node:crypto";
import { readFileSync } from "node:fs";
import { expect, type Locator, type Page, test } from "@playwright/test";
import { csvParse } from "d3";
import {
  clientId,
  expectAccessible,
  expectFits,
  isAlive,
  openStep,
  signIn,
  signInByForm,
  workAs,
} from "./support/bexlo";
import { anEmptyClinic, putTheDemoBack } from "./support/stack";

test.beforeAll(putTheDemoBack);

const CLIENTS = [
  "Idony Greaves",
  "Tove Aldermoor",
  "Jorun Salthe",
  "Maren Ostrelle",
  "Pell Amsworth",
  "Dorrit Fenwake",
  "Quill Bastow",
];

const textOf = async (shown: Locator): Promise<string> => (await shown.textContent()) ?? "";

/** What a key hands to the browser. */
async function kept(
  page: Page,
  press: () => Promise<void>,
): Promise<{ name: string; file: string; bytes: Buffer }> {
  const [download] = await Promise.all([page.waitForEvent("download"), press()]);
  const file = await download.path();
  return { name: download.suggestedFilename(), file, bytes: readFileSync(file) };
}

test("a course on one time line: a span in numbers by keys and by drag, beside the other leg, tables and pictures to keep", async ({
  page,
}) => {
  await workAs(page, "therapist");
  await openStep(page, "Idony Greaves", "review");
  const span = page.locator("aside section").first();
  const first = await textOf(span);
  // by keys: a week later, and the address keeps it
  await page.getByRole("slider", { name: "Span begins" }).focus();
  for (let i = 0; i < 3; i++) await page.keyboard.press("PageUp");
  await expect(span).not.toHaveText(first);
  await expect(page).toHaveURL(/from=\d{4}-\d\d-\d\d/);
  const address = page.url();
  // by drag, back to the beginning
  const handle = page.getByRole("slider", { name: "Span begins" }).locator("circle");
  const box = await handle.boundingBox();
  if (!box) throw new Error("no handle");
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x - 200, box.y + 40, { steps: 8 });
  await page.mouse.up();
  const dragged = await textOf(span.getByRole("heading").first());
  await page.goto(address);
  await isAlive(page);
  await expect(span.getByRole("heading").first()).not.toHaveText(dragged);
  // beside it
  await page.getByLabel("beside it").selectOption("before");
  await expect(page.getByRole("heading", { name: /^before:/ })).toBeVisible();
  await page.getByLabel("beside it").selectOption("leg");
  await expect(page.getByRole("heading", { name: /^the left leg/ })).toBeVisible();
  await expect(page.locator("aside")).toContainText("knee extension, share of the other leg");

  // a chart's table, and the same as files read by other programs
  await page.getByRole("button", { name: "table of rising from a 46 cm seat" }).click();
  const table = page.getByRole("region", { name: "Table of rising from a 46 cm seat" });
  const shown = await table.locator("tbody td:nth-child(3)").allInnerTexts();
  const row = page.getByRole("listitem").filter({ has: table });
  const csv = await kept(page, () => row.getByRole("button", { name: "CSV", exact: true }).click());
  const read = csvParse(csv.bytes.toString("utf8"));
  expect(read.map((r) => r["value (%)"])).toEqual(shown);
  expect(shown.length).toBeGreaterThan(1);
  const svg = await kept(page, () => row.getByRole("button", { name: "SVG", exact: true }).click());
  expect(svg.bytes.toString("utf8")).toMatch(/^<svg[\s\S]*rising from a 46 cm seat/);
  const png = await kept(page, () => page.getByRole("button", { name: "Picture, PNG" }).click());
  expect(png.bytes.subarray(1, 4).toString()).toBe("PNG");
  expect(png.bytes.length).toBeGreaterThan(20_000);
  await page.getByRole("button", { name: /^Show \d+ more rows/ }).click();
  await expectFits(page);
  await expectAccessible(page);
});

test("daily life in percent opens its working, which is copied as text that can be checked by hand", async ({
  page,
  context,
}) => {
  await context.grantPermissions(["clipboard-read", "clipboard-write"]);
  await workAs(page, "therapist");
  const id = await openStep(page, "Idony Greaves", "costs");
  const row = page.getByRole("listitem").filter({ hasText: "rising from a 46 cm seat" });
  const percent = Number(await textOf(row.locator(".value")));
  await row.getByRole("button", { name: /open the working/ }).click();
  await page.getByRole("button", { name: "Copy the working" }).click();
  await expect(page.getByText("copied").first()).toBeVisible();
  const text = await page.evaluate(() => navigator.clipboard.readText());
  const nm = (name: string) => Number(new RegExp(`${name} = (\\d+)`).exec(text)?.[1]);
  const byHand = (100 * nm("knee moment of one leg")) / nm("what the leg can do there");
  expect(Math.abs(byHand - percent)).toBeLessThan(2);
  await expectAccessible(page);
  // what nobody tested and nothing has shown is a guess, and says so
  await page.goto(`/clients/${await clientId(page, "Jorun Salthe")}/costs`);
  await expect(page.getByText(/By age and body only|first known on/).first()).toBeVisible();
  await page.goto(`/clients/${id}/explain`);
  await isAlive(page);
  await expectFits(page);
  await expectAccessible(page);
  const words = page.locator("main");
  await expect(words).toContainText("times as hard");
  await page.keyboard.press("2");
  await expect(page.getByRole("heading", { level: 1 })).toContainText("kneecap");
  const at45 = await textOf(words);
  await page.getByRole("slider", { name: /knee bent/ }).press("ArrowRight");
  await expect(words).not.toHaveText(at45);
  await expect(page).toHaveURL(/deg=50/);
  await page.keyboard.press("7");
  await expect(words).toContainText("what we do");
  await expectAccessible(page);
});

test("papers: A4 and Letter, every typeface inside, text that another program reads, a letter of one page", async ({
  page,
}) => {
  await workAs(page, "admin");
  await page.goto("/clinic");
  await isAlive(page);
  await page.getByLabel("Address").fill("7 Tidewall Steps\nHarbour");
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.getByText("saved", { exact: true })).toBeVisible();
  await expectAccessible(page);
  await page.context().clearCookies();
  await workAs(page, "therapist");
  await openStep(page, "Idony Greaves", "papers");
  await expectAccessible(page);
  const poppler = (tool: string, ...args: string[]) => execFileSync(tool, args, { encoding: "utf8" });
  const paper = async (key: string) => {
    const { file } = await kept(page, () => page.getByRole("button", { name: key, exact: true }).click());
    const fonts = poppler("pdffonts", file).trim().split("\n").slice(2);
    // the column "emb" of every typeface
    for (const f of fonts) expect(f).toMatch(/Atkinson.*\s(yes)\s+(yes|no)\s+(yes|no)\s+\d+\s+\d+$/);
    return { text: poppler("pdftotext", "-layout", file, "-"), info: poppler("pdfinfo", file) };
  };
  const sheet = await paper("Sheet “Gym”");
  expect(sheet.info).toMatch(/595\.\d+ x 841\.\d+ pts \(A4\)/);
  expect(sheet.text).toMatch(/Lying leg curl[\s\S]*If it hurts[\s\S]*When next/);
  expect(sheet.text).toContain("7 Tidewall Steps");
  await page.getByRole("combobox", { name: /^paper/ }).selectOption("LETTER");
  expect((await paper("Set-up of “Gym”")).info).toContain("(letter)");
  await page.getByRole("textbox", { name: "To" }).fill("Dr Łucja Öst");
  await page.getByLabel("Questions").fill("May she run?\nWhen?");
  const letter = await paper("Letter");
  expect(letter.info).toMatch(/Pages:\s+1\n/);
  expect(letter.text).toMatch(
    /Dr Łucja Öst[\s\S]*Findings, with the error of a session[\s\S]*± \d+[\s\S]*May she run\?/,
  );
  expect((await paper("Summary of the episode")).text).toContain("Build strength and control");
  expect((await paper("Record of changes")).text).toContain("made a paper");
});

test("the whole clinic leaves as an archive and comes into an empty one: reviews and drafts read the same", {
  tag: "@long",
}, async ({ page, browser }) => {
  await signIn(page, "therapist");
  /** What a screen shows of every client, but for what hangs on the clinic. */
  const read = async (on: Page, idOf: (name: string) => Promise<string>) => {
    const seen: Record<string, string> = {};
    for (const name of CLIENTS)
      for (const step of ["review", "decide"]) {
        await on.goto(`/clients/${await idOf(name)}/${step}`);
        await isAlive(on);
        await expect(on.getByText("Drawing the time line…")).toHaveCount(0);
        seen[`${name} ${step}`] = await textOf(on.locator("main"));
      }
    return seen;
  };
  const was = await read(page, (name) => clientId(page, name));
  await page.context().clearCookies();
  await workAs(page, "admin");
  await page.goto("/files");
  await isAlive(page);
  const zip = await kept(page, () => page.getByRole("button", { name: "The whole clinic, zip" }).click());
  // another program takes it apart
  const listed = execFileSync(
    "python3",
    [
      "-c",
      "import sys, zipfile, json\nz = zipfile.ZipFile(sys.argv[1])\nassert z.testzip() is None\nfor n in z.namelist():\n  if n.endswith('.json'): json.loads(z.read(n))\nprint(len([n for n in z.namelist() if n.endswith('client.json')]))",
      zip.file,
    ],
    { encoding: "utf8" },
  );
  expect(Number(listed)).toBe(CLIENTS.length);

  const there = await anEmptyClinic(randomUUID());
  const context = await browser.newContext({
    baseURL: new URL(page.url()).origin,
    viewport: { width: 1280, height: 800 },
    locale: "en-GB",
    timezoneId: "Europe/Amsterdam",
  });
  const other = await context.newPage();
  await signInByForm(other, "therapist", there.therapist);
  // a clinic with nobody in it is led through its beginning
  await other.goto("/");
  await expect(other.getByRole("heading", { name: "The first three steps" })).toBeVisible();
  await expect(other.getByRole("link", { name: "Enter the first client" })).toHaveAttribute(
    "href",
    "/clients/new",
  );
  await expectAccessible(other);
  await other.goto("/files");
  await isAlive(other);
  await other
    .getByLabel("File")
    .setInputFiles({ name: "clinic.zip", mimeType: "application/zip", buffer: zip.bytes });
  await other.getByRole("button", { name: "Look through it" }).click();
  await expect(other.getByRole("heading", { name: "What it means for limits" })).toBeVisible({
    timeout: 180_000,
  });
  await expectAccessible(other);
  // a draft is nothing yet
  await other.goto("/caseload");
  await expect(other.getByText("Idony Greaves")).toHaveCount(0);
  await other.goBack();
  await isAlive(other);
  await other.getByRole("button", { name: /put it in force/ }).click();
  await expect(other.getByText(/In force since/)).toBeVisible({ timeout: 180_000 });
  const is = await read(other, async (name) => there.clientId(name));
  expect(is).toEqual(was);
  // and all of it goes again
  await other.goto("/files");
  await other.getByRole("link", { name: "clinic.zip" }).click();
  await isAlive(other);
  await other.getByRole("button", { name: "Take back all that it brought" }).click();
  await other.getByRole("button", { name: "Yes, take all of it back" }).click();
  await expect(other.getByText("nothing of it is left")).toBeVisible();
  await context.close();
});

test("a table's columns are looked at before anything is written; wrong lines are named; a trainer reads nothing in", async ({
  page,
}) => {
  await workAs(page, "therapist");
  await page.goto("/files");
  await isAlive(page);
  const send = async (name: string, text: string, kind: string) => {
    await page.goto("/files");
    await isAlive(page);
    await page.getByLabel("File").setInputFiles({ name, mimeType: "text/csv", buffer: Buffer.from(text) });
    await page.getByLabel("What it is").selectOption(kind);
    await page.getByRole("button", { name: "Look through it" }).click();
    await expect(page.getByRole("heading", { name: "What stands in which column" })).toBeVisible();
    await isAlive(page);
  };
  await send(
    "people.csv",
    "Who,born,cm,kg,leg,since,how\nSelma Orrin,1966,168,71,left,2026-01-05,onset\nBo Tarn,1966,1.68,71,left,2026-01-05,onset\n",
    "csv_clients",
  );
  await expect(page.getByText(/places to mend/)).toBeVisible();
  for (const [field, column] of [
    ["name of the client", "Who"],
    ["height in cm", "cm"],
    ["body mass", "kg"],
    ["side", "leg"],
    ["day of surgery or onset", "since"],
    ["surgery or onset", "how"],
  ])
    await page.getByLabel(new RegExp(`^${field}, needed`)).selectOption({ label: column as string });
  await page.getByRole("button", { name: "Look through it with these columns" }).click();
  await expect(page.getByText("1 place to mend")).toBeVisible();
  await expect(page.getByRole("listitem").filter({ hasText: "line 3" })).toContainText("from 120 to 220 cm");
  await expect(page.getByRole("button", { name: /put it in force/ })).toHaveCount(0);
  await expectAccessible(page);
  await page.getByRole("button", { name: "Throw the draft away" }).click();
  await page.getByRole("button", { name: "Yes, throw it away" }).click();
  await expect(page.getByText("It was thrown away.")).toBeVisible();
  await send(
    "people2.csv",
    "client,born,height cm,weight kg,leg,onset,start\nSelma Orrin,1966,168,71,left,2026-01-05,onset\n",
    "csv_clients",
  );
  await page.getByRole("button", { name: /put it in force/ }).click();
  await page.getByRole("link", { name: "Selma Orrin" }).click();
  // the warning signs were never asked
  await expect(
    page
      .getByRole("status")
      .filter({ hasText: /warning signs/i })
      .first(),
  ).toBeVisible();
  await page.context().clearCookies();
  await workAs(page, "trainer");
  await page.goto("/files");
  await expect(page.getByText("Only a therapist or the clinic's admin reads a file in.")).toBeVisible();
});
