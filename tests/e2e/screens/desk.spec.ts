import { expect, test } from "@playwright/test";
import { clientId, workAs } from "../support/bexlo";
import { DESK_STEPS, looksWrong } from "../support/looks";
import { putTheDemoBack } from "../support/stack";

test.beforeAll(putTheDemoBack);

const PARTS = ["motion", "swelling", "function", "repetitions"];

const STEPS = [...DESK_STEPS, "floor", "explain"];
const ONCE = [
  ...["dose?sheet=new", "swap", "cards", "choose?ask=feet-high&angle=80", "choose?view=sheet"],
  ...["record", "episodes", ...PARTS.map((p) => `measure?part=${p}`)],
];

/** Looked at in the dark too: those with charts, drawings or a look of their own. */
const DARK = ["choose", "dose", "week", "review", "floor", "measure"];

// one page a test: each is looked through by axe, and a slow machine takes its time
for (const step of [...STEPS, ...ONCE])
  test(`${step} of a knee replacement fits, has few words, and axe finds nothing`, async ({ page }) => {
    await workAs(page, "therapist");
    const id = await clientId(page, "Pell Amsworth");
    const how = DARK.includes(step) ? "dark" : "sizes";
    expect(await looksWrong(page, `/clients/${id}/${step}`, how)).toEqual([]);
  });

test("every step of an arthritic knee fits a desk, in few words", async ({ page }) => {
  await workAs(page, "therapist");
  const id = await clientId(page, "Tove Aldermoor");
  const wrong: string[] = [];
  for (const step of [...STEPS, ...["reach", "counts", "free"].map((p) => `measure?part=${p}`)])
    wrong.push(...(await looksWrong(page, `/clients/${id}/${step}`, "words")));
  expect(wrong).toEqual([]);
});
