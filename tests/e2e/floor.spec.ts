import { expect, type Page, test } from "@playwright/test";
import {
  bandSays,
  clientId,
  expectAccessible,
  expectFits,
  floorSays,
  isAlive,
  signIn,
  signInByForm,
} from "./support/bexlo";
import { letANightPass, putTheDemoBack } from "./support/stack";

test.beforeAll(putTheDemoBack);

const band = (page: Page) => page.getByTestId("band");
const load = (page: Page) => page.getByRole("region", { name: "What to set" }).locator("dd").first();
const key = (page: Page, name: string | RegExp) =>
  page.getByRole("button", { name, exact: typeof name === "string" });

/** A sheet of a client on the floor, the warning signs answered. */
async function begin(page: Page, name: string, sheet: RegExp): Promise<void> {
  await letANightPass(await clientId(page, name));
  await page.goto(`/clients/${await clientId(page, name)}/floor`);
  await page.getByRole("link", { name: sheet }).click();
  await expect(page.getByText("Before the first set")).toBeVisible();
  await isAlive(page);
  await page.keyboard.press("n");
  await bandSays(page, "SET UP");
}

/** A phone, a tablet on end, a tablet lying down at twice its size. */
const NARROW = [
  { width: 390, height: 844 },
  { width: 768, height: 1024 },
  { width: 640, height: 400 },
];
const THUMB_PX = 40;

/** At every size what to set first and STOP are in sight at once, nothing spills, and each key is as wide as a thumb. */
async function fitsAThumb(page: Page): Promise<void> {
  const usual = page.viewportSize();
  for (const size of NARROW) {
    await page.setViewportSize(size);
    await expectFits(page);
    await expect(load(page)).toBeInViewport({ ratio: 1 });
    await expect(key(page, /^STOP/)).toBeInViewport({ ratio: 1 });
    const keys = page.getByRole("button", { name: /^Joint pain.*: \d+$/ });
    for (const one of await keys.all()) {
      const box = await one.boundingBox();
      if (!box) continue;
      expect(Math.min(box.width, box.height)).toBeGreaterThanOrEqual(THUMB_PX);
    }
  }
  if (usual) await page.setViewportSize(usual);
}

/** Opens what is seldom wanted and takes one of it. */
async function more(page: Page, words: string): Promise<void> {
  await page.locator("summary", { hasText: "more" }).click();
  await key(page, words).click();
}

test("between sets a line is eased and taken back to plan, lengthened, noted, left out; undo takes back one thing", async ({
  page,
}) => {
  await signIn(page, "trainer");
  await begin(page, "Idony Greaves", /^Gym/);
  const bars = page.getByRole("list", { name: "Sets of this line" }).getByRole("listitem");
  const planned = await bars.count();

  await test.step("no tick, no start: neither by key nor by tap", async () => {
    await page.keyboard.press("0");
    await page.keyboard.press(" ");
    await expect(band(page)).toContainText("SET UP");
    await page.getByRole("checkbox", { name: /Safety pins/ }).check();
    await expectFits(page);
    await expectAccessible(page);
    await fitsAThumb(page);
    await page.keyboard.press("0");
    await bandSays(page, "GO");
    await fitsAThumb(page);
  });

  await test.step("a set is counted by taps, put right by one, and rated", async () => {
    await page.keyboard.press(" ");
    await bandSays(page, "MOVE");
    for (let i = 0; i < 6; i++) await page.keyboard.press("+");
    await expect(page.getByTestId("giant")).toHaveText("6");
    await page.keyboard.press(" ");
    await bandSays(page, "PAIN?");
    await expect(page.getByTestId("reps")).toHaveText("6");
    await fitsAThumb(page);
    await key(page, "one repetition more").click();
    await page.keyboard.press("1");
    await expect(bars.first()).toHaveText("7 · pain 1");
  });

  await test.step("the other leg does no more than this one did", async () => {
    await expect(page.getByRole("heading", { level: 1 })).toContainText("left leg");
    await page.keyboard.press(" ");
    await bandSays(page, "MOVE");
    await page.keyboard.press(" ");
    await expect(page.getByTestId("reps")).toHaveText("7");
    await page.keyboard.press("u");
    // a set that was begun is taken back as one thing
    await expect(band(page)).toContainText(/GO|REST/);
  });

  await test.step("one more, left out, undone", async () => {
    await more(page, "one set more");
    const longer = await bars.count();
    expect(longer).toBeGreaterThan(planned);
    await page.keyboard.press("u");
    await expect(bars).toHaveCount(planned);
    await key(page, "leave out this set").click();
    // what is next stands in the rests of this one
    await expect(bars).not.toHaveCount(planned);
    await page.keyboard.press("u");
    await expect(bars).toHaveCount(planned);
    await more(page, "note");
    await page.getByLabel(/^Note to/).fill("shoes changed after the first set");
    await key(page, "Keep the note").click();
  });

  await test.step("eased by one tap, never above the plan again", async () => {
    for (let i = 0; i < 2 && (await key(page, /^ease: /).count()) === 0; i++)
      await key(page, "leave out this set").click();
    const before = (await load(page).textContent()) ?? "";
    if ((await key(page, /^ease: /).count()) > 0) {
      await key(page, /^ease: /).click();
      await expect(load(page)).not.toHaveText(before);
      await expect(page.getByText(`planned ${before}`)).toBeVisible();
      await key(page, /^as planned: /).click();
      await expect(load(page)).toHaveText(before);
    }
    await floorSays(page, "saved at the clinic");
    await page.reload();
    await isAlive(page);
    await expect(load(page)).toHaveText(before);
  });
});

test("pain ends a line and another exercise stands in for today, set anew; the rest of the sheet goes on", async ({
  page,
}) => {
  await signIn(page, "trainer");
  await begin(page, "Maren Ostrelle", /^First months/);
  const first = await page.getByRole("heading", { level: 2 }).first().textContent();
  const pins = page.getByRole("checkbox", { name: /Safety pins/ });
  if (await pins.count()) await pins.check();
  // above the limit before the first set: nothing of this line is run
  await page.keyboard.press("9");
  await expect(page.getByText(/ended: joint pain of 9 before it is above the limit/)).toBeVisible();
  await expect(page.getByRole("heading", { level: 2 }).first()).not.toHaveText(first ?? "");
  await key(page, "Swap it for today").click();
  const dialog = page.getByRole("dialog", { name: /Swap/ });
  await expect(dialog).toBeVisible();
  await expectAccessible(page);
  await key(page, "the machine is taken or broken").click();
  const offered = dialog.getByRole("listitem");
  await expect(offered.first()).toBeVisible();
  const name = (await offered.first().locator("b").textContent()) ?? "";
  expect(first).not.toContain(name);
  await offered.first().getByRole("button").click();
  await expect(dialog).toBeHidden();
  // it comes in the place of the line that was ended, with its own set-up
  await expect(page.getByRole("heading", { level: 2 }).first()).toContainText(name);
  await bandSays(page, "SET UP");
  await expect(page.getByText("saved at the clinic")).toBeVisible();
  // stopped at a set-up: it asks the pain and closes
  await page.keyboard.press("x");
  await page.getByRole("dialog", { name: "Stop the visit" }).getByRole("button").nth(2).click();
  await floorSays(page, /The visit ends here because of this/);
});

test("two people on one tablet: what one of them logged waits for that one, is named, and goes when that one is back", async ({
  page,
}) => {
  await signInByForm(page, "trainer");
  await begin(page, "Dorrit Fenwake", /^Gym/);
  const id = await clientId(page, "Dorrit Fenwake");
  const floor = async () => {
    await page.goto(`/clients/${id}/floor`);
    await expect(band(page)).toBeVisible();
    await isAlive(page);
  };
  const leave = async () => {
    await page.goto("/");
    await isAlive(page);
    await page.getByRole("button", { name: "sign out" }).click();
    await expect(page.getByLabel("Password")).toBeVisible();
  };
  await floor();
  const asked: string[] = [];
  await page.route("**/api/visits/*/events", (route) => {
    asked.push(route.request().headers()["x-person"] ?? "");
    return route.abort();
  });
  const pins = page.getByRole("checkbox", { name: /Safety pins/ });
  if (await pins.count()) await pins.check();
  await bandSays(page, "SET UP");
  await page.keyboard.press("1");
  await bandSays(page, "GO");
  await floorSays(page, /saved here, \d waiting/);
  await leave();
  // nothing goes before somebody else is here
  await page.unroute("**/api/visits/*/events");

  const sent: string[] = [];
  page.on("request", (r) => {
    if (/\/api\/visits\/.*\/events/.test(r.url())) sent.push(r.headers()["x-person"] ?? "");
  });
  await signInByForm(page, "therapist");
  await floor();
  await floorSays(page, /of Corin Desh wait on this tablet until Corin Desh signs in here again/);
  // the clinic does not have them, and nobody says it has
  await bandSays(page, "SET UP");
  expect(sent).toEqual([]);
  await leave();

  await signInByForm(page, "trainer");
  await floor();
  await floorSays(page, "saved at the clinic");
  await expect.poll(() => sent.length).toBeGreaterThan(0);
  expect(new Set(sent)).toEqual(new Set([asked[0]]));
  await page.reload();
  await isAlive(page);
  await bandSays(page, "GO");
});

test("a set that left far more than was planned offers the next one: one key takes it, and it is what is logged", async ({
  page,
}) => {
  await signIn(page, "trainer");
  await begin(page, "Tove Aldermoor", /^Gym/);
  const name = page.getByRole("heading", { level: 2 }).first();
  for (let i = 0; i < 4 && !(await name.textContent())?.startsWith("Leg press"); i++) {
    const before = (await name.textContent()) ?? "";
    await more(page, "leave out the line");
    await expect(name).not.toHaveText(before);
  }
  const pins = page.getByRole("checkbox", { name: /Safety pins/ });
  if (await pins.count()) await pins.check();
  await bandSays(page, "SET UP");
  await page.keyboard.press("1");
  await expect(band(page)).toContainText(/GO|REST/);
  await page.keyboard.press(" ");
  await bandSays(page, "MOVE");
  await page.keyboard.press(" ");
  await bandSays(page, "PAIN?");
  await page.keyboard.press("1");
  const left = page.getByRole("group", { name: /How many more/ });
  await left.getByRole("button", { name: /: 8$/ }).click();
  const take = page.getByRole("button", { name: /^take: / });
  await expect(take).toBeVisible();
  await expect(page.getByRole("button", { name: /^stay: / })).toBeVisible();
  // minutes and seconds stand in one line
  const clock = page.getByTestId("giant");
  await expect(clock).toHaveText(/^\d:\d\d$/);
  const lines = await clock.evaluate((e) => e.clientHeight / Number.parseFloat(getComputedStyle(e).fontSize));
  expect(lines).toBeLessThan(1.5);
  await expectFits(page);
  await expectAccessible(page);
  const [, offered = ""] = ((await take.textContent()) ?? "").match(/(\d+) reps/) ?? [];
  await page.keyboard.press("o");
  await expect(take).toBeHidden();
  await expect(page.getByTestId("giant").or(page.getByText("repetitions to do")).first()).toBeVisible();
  await page.keyboard.press(" ");
  await bandSays(page, "MOVE");
  await expect(page.getByTestId("giant")).toHaveText(offered);
});

test("what was seen of a set is one tap and says its cue; what must not be loaded ends the line, and stands in the record", async ({
  page,
}) => {
  // a warning sign of hers stands since the line that pain ended
  await putTheDemoBack();
  await signIn(page, "therapist");
  await begin(page, "Maren Ostrelle", /^Other gym/);
  const name = page.getByRole("heading", { level: 2 }).first();
  for (let i = 0; i < 8 && !(await name.textContent())?.startsWith("Box lift"); i++) {
    const before = (await name.textContent()) ?? "";
    await more(page, "leave out the line");
    await expect(name).not.toHaveText(before);
  }
  await bandSays(page, "SET UP");
  await page.keyboard.press("1");
  await expect(band(page)).toContainText(/GO|REST/);
  await page.keyboard.press(" ");
  await bandSays(page, "MOVE");
  await page.keyboard.press(" ");
  await bandSays(page, "PAIN?");
  const seen = page.getByRole("group", { name: /^Seen in it/ });
  await seen.getByRole("button", { name: "jerk or bounce" }).click();
  await expect(seen.getByText("start as slowly as you stop")).toBeVisible();
  // a set that is taken back takes along what was seen of it
  await page.keyboard.press("u");
  await bandSays(page, "GO");
  await page.keyboard.press(" ");
  await bandSays(page, "MOVE");
  await page.keyboard.press(" ");
  await bandSays(page, "PAIN?");
  await expect(seen.getByRole("button", { pressed: true })).toHaveCount(0);
  await seen.getByRole("button", { name: "jerk or bounce" }).click();
  const from = Number(await seen.getByTestId("from-rep").textContent());
  const reps = Number(await page.getByTestId("reps").textContent());
  expect(from).toBe(Math.floor((2 * reps) / 3) + 1);
  await key(page, "jerk or bounce: began a repetition earlier").click();
  await expect(seen.getByTestId("from-rep")).toHaveText(String(from - 1));
  await seen.getByRole("button", { name: "back rounds" }).click();
  await expect(seen.getByText(/back rounds ends this line/)).toBeVisible();
  await expectAccessible(page);
  await fitsAThumb(page);
  await page.keyboard.press("1");
  await page
    .getByRole("group", { name: /How many more/ })
    .getByRole("button", { name: /: 4$/ })
    .click();
  await expect(
    page.getByText(/Box lift.* ended: back rounds, which this client must not load/),
  ).toBeVisible();
  await floorSays(page, "saved at the clinic");
  const file = await page.request.get(
    `/api/clients/${await clientId(page, "Maren Ostrelle")}/files?what=json`,
  );
  const sets = (await file.json()).rows.set_record as { early: string | null; faults: unknown[] }[];
  expect(sets.filter((s) => s.faults.length > 0)).toMatchObject([
    {
      early: "position",
      faults: [
        { id: "jerk", fromRep: from - 1 },
        { id: "back_rounds", fromRep: from },
      ],
    },
  ]);
});
