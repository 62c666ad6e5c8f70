import { randomUUID } from "node:crypto";
import { expect, type Page, test } from "@playwright/test";
import { CLIENTS } from "../../../database/demo/clients/index";
import { kFactorUnbounded } from "../../../src/core/strength/repetitionMaximum";
import { field, isAlive, post, signIn } from "../support/bexlo";
import { letANightPass, putTheDemoBack } from "../support/stack";

test.beforeAll(putTheDemoBack);

const NAME = "Wilmot Garrick";
/** What this client can really press once, kg: nobody knows it, and more than is believed at first. */
const REALLY_ONCE_KG = 132;
/** The press lifts two legs with a body that is easily stirred by nothing: reserve is said one too low, as people do. */
const UNDERSTATES = 1;

const daysAgo = (n: number) =>
  new Date(Date.now() - n * 86_400_000).toLocaleDateString("en-CA", { timeZone: "Europe/Amsterdam" });

/** Repetitions that a load allows this client. */
function canDo(loadKg: number): number {
  let reps = 0;
  while (reps < 40 && kFactorUnbounded(reps + 1) <= REALLY_ONCE_KG / loadKg) reps++;
  return reps;
}

const band = (page: Page) => page.getByTestId("band");

/** What the floor says is being done: repetitions, and kilograms of the pin. */
async function underWay(page: Page): Promise<{ kg: number; reps: number }> {
  const reps = Number(await page.getByTestId("giant").textContent());
  const under = await page.getByLabel("What to set").locator("dt").first().textContent();
  const words = (under ?? "").replaceAll("\u00a0", " ");
  const [, kg = "0"] = words.match(/(\d+(?:\.\d+)?) kg/) ?? [];
  return { kg: Number(kg), reps };
}

/** A visit of one line of sets: what can be done is done, what is left is said, what is offered is taken. */
async function pressed(page: Page, id: string, pain: number): Promise<{ kg: number; reps: number }[]> {
  await page.goto(`/clients/${id}/floor`);
  await expect(page.getByRole("heading", { name: /^Before the first set|anything new since/ })).toBeVisible();
  await isAlive(page);
  await page.clock.runFor(500);
  await page.keyboard.press("n");
  await page.clock.runFor(1000);
  await expect(band(page)).toBeVisible();
  const done: { kg: number; reps: number }[] = [];
  let now = { kg: 0, reps: 0 };
  for (let deed = 0; deed < 200; deed++) {
    const word = (await band(page).textContent()) ?? "";
    if (word.includes("DONE")) break;
    const take = page.getByRole("button", { name: /^take: / });
    if (await take.count()) {
      await page.keyboard.press("o");
      await expect(take).toBeHidden();
    } else if (word.includes("SET UP")) {
      const pins = page.getByRole("checkbox", { name: /Safety pins/ });
      if (await pins.count()) await pins.check();
      await page.keyboard.press(String(pain));
    } else if (word.includes("MOVE") || word.includes("GO") || word.includes("REST")) {
      if (word.includes("MOVE")) now = await underWay(page);
      await page.keyboard.press(" ");
    } else {
      const asked = page.getByRole("group", { name: /How many more/ });
      const isRated = (await page.getByText("Joint pain in it").count()) > 0;
      if (isRated) {
        done.push(now);
        await page.keyboard.press(String(pain));
        // after a sore morning nothing is offered, and what is left is asked at the end only
        const left = Math.max(0, Math.min(10, canDo(now.kg) - now.reps - UNDERSTATES));
        if (await asked.count()) await asked.getByRole("button", { name: new RegExp(`: ${left}$`) }).click();
      } else {
        await page.keyboard.press(String(pain));
        await page.keyboard.press("Enter");
      }
    }
    await page.clock.runFor(300);
  }
  await page.clock.runFor(2000);
  await expect(page.getByText("saved at the clinic")).toBeVisible();
  return done;
}

async function morning(page: Page, id: string, pain: number): Promise<void> {
  // two nights: between midnight and four at the clinic one would not be enough
  await letANightPass(id, 2);
  await page.goto(`/clients/${id}/morning`);
  await isAlive(page);
  await page.clock.runFor(500);
  await page.keyboard.press(String(pain));
  await page.getByLabel("none", { exact: true }).first().check();
  await page.keyboard.press("s");
  await expect(page.getByText(/Saved\. Decide|has been taken by/).first()).toBeVisible();
}

/** Takes what Decide drafts; gives its words. */
async function decided(page: Page, id: string): Promise<string> {
  await page.goto(`/clients/${id}/decide`);
  await isAlive(page);
  const drafted = (await page.getByTestId("draft").first().textContent()) ?? "";
  await page.getByRole("button", { name: /Accept all as drafted/ }).click();
  await expect(page.getByRole("heading", { name: "Decided" })).toBeVisible();
  return drafted;
}

test(
  "six visits of somebody nobody tested: the right load by the fourth, up, a sore morning, back, and up again",
  {
    tag: "@long",
  },
  async ({ page }, info) => {
    test.setTimeout(900_000);
    const shot = async (name: string) => {
      if (process.env.BEXLO_SHOTS) await page.screenshot({ path: `${process.env.BEXLO_SHOTS}/${name}.png` });
    };
    await signIn(page, "therapist");
    const id = randomUUID();
    const [like] = CLIENTS.filter((c) => c.story.conditions.some((x) => x.conditionId === "knee_oa"));
    if (!like) throw new Error("no knee of the demo");
    await test.step("entered, asked, and begun in a phase that builds", async () => {
      const entered = await post(page, "/api/clients", {
        clientId: id,
        episodeId: randomUUID(),
        person: {
          ...{ name: NAME, occupation: "bell hanger", birthYear: 1979, heightM: 1.8, bodyMassKg: 82 },
          ...{ shankLengthM: null, normSex: "male" },
        },
        episode: {
          ...like.story,
          conditions: [{ conditionId: "deconditioning", variantId: "base", beganOn: null }],
          ...{ beganOn: daysAgo(42), bringsOn: "much", settlesIn: "minutes", firstSwelling: 0 },
          ...{ painNow: 0, painWorst: 2, painBest: 0, details: "", weekdays: [1, 3, 5] },
        },
      });
      expect(entered).toMatchObject({ status: 200 });
      await page.goto(`/clients/${id}/screen`);
      await isAlive(page);
      const asked = page.getByText("every question has an answer");
      for (let i = 0; i < 60 && (await asked.count()) === 0; i++) await page.keyboard.press("n");
      await expect(asked).toBeVisible();
      if ((await page.getByText(/A reading belongs here/).count()) > 0) {
        await field(page, "systolicMmHg").fill("124");
        await field(page, "diastolicMmHg").fill("78");
      }
      await page.getByRole("button", { name: /Sign the answers/ }).click();
      await expect(page.getByRole("heading", { name: "Nothing stands in the way" })).toBeVisible();
      await page.goto(`/clients/${id}/limits`);
      await isAlive(page);
      await page
        .getByLabel("it begins there because")
        .fill("no swelling, chair and stairs without the rail, seen today");
      await page.getByRole("button", { name: /^Confirm “/ }).click();
      await expect(page.getByText(/^Confirmed: /)).toBeVisible();
    });
    await test.step("one line: the press with both legs, as the rules set it for somebody nobody tested", async () => {
      await page.goto(`/clients/${id}/dose?sheet=new`);
      await isAlive(page);
      await page.keyboard.press("a");
      await page.keyboard.type("Seated horizontal leg press");
      await page.keyboard.press("Enter");
      await expect(page.getByRole("heading", { name: "Seated horizontal leg press" })).toBeVisible();
      await shot("1-dose");
      await page.keyboard.press("s");
      await expect(page.getByText(/Saved as version 1/)).toBeVisible();
    });
    await page.clock.install();
    const loads: number[] = [];
    const drafts: string[] = [];
    for (let visit = 1; visit <= 6; visit++)
      await test.step(`visit ${visit}`, async () => {
        const sets = await pressed(page, id, visit === 5 ? 2 : 0);
        expect({ visit, sets: sets.length, known: sets.every((x) => x.kg > 0) }).toEqual({
          ...{ visit, sets: 3, known: true },
        });
        loads.push(Math.max(...sets.map((s) => s.kg)));
        // no set was more than could be done
        for (const s of sets) expect(canDo(s.kg)).toBeGreaterThanOrEqual(s.reps);
        await morning(page, id, visit === 5 ? 4 : 0);
        await page.goto(`/clients/${id}/decide`);
        await isAlive(page);
        await shot(`${visit}-decide`);
        drafts.push(await decided(page, id));
        await page.goto(`/clients/${id}/dose`);
        await isAlive(page);
        await shot(`${visit}-course`);
        await letANightPass(id);
      });
    const kg = (words: string) => [...words.matchAll(/pin (\d+(?: \+ [\d.]+)?)/g)].map((m) => m[1]);
    const said = JSON.stringify({ loads, drafts: drafts.map((d) => [d.slice(0, 12), ...kg(d)]) });
    info.annotations.push({ type: "course", description: said });
    // untested it begins at the careful end, and by the fourth visit asks what this client needs to grow
    expect(loads[0], said).toBeLessThan(0.5 * REALLY_ONCE_KG);
    expect(loads[3], said).toBeGreaterThan(0.58 * REALLY_ONCE_KG);
    for (const [i, load] of loads.slice(1, 4).entries())
      expect(load, said).toBeGreaterThan(loads[i] as number);
    // the phase's seven tenths are never passed, nor what can be done
    expect(Math.max(...loads), said).toBeLessThanOrEqual(0.7 * REALLY_ONCE_KG);
    expect(drafts.map((d) => d.match(/^(Step up|Step back|Stay)/)?.[0])).toEqual([
      ...["Step up", "Step up", "Step up", "Step up", "Step back", "Step up"],
    ]);
    expect(loads[5], said).toBeLessThan(loads[4] as number);
  },
);
