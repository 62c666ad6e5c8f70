import { randomUUID } from "node:crypto";
import { expect, test } from "@playwright/test";
import {
  bandSays,
  clientId,
  field,
  floorSays,
  isAlive,
  openStep,
  post,
  signIn,
  workAs,
} from "./support/bexlo";
import { letANightPass, putTheDemoBack } from "./support/stack";

test.beforeAll(putTheDemoBack);

test("a therapist decides and shortens the holds, a trainer runs it without the network and changes nothing", async ({
  browser,
}) => {
  const desk = await (await browser.newContext()).newPage();
  await signIn(desk, "therapist");
  // whatever hour of the night this runs at: yesterday's visit is one day older
  await letANightPass(await clientId(desk, "Tove Aldermoor"));
  const id = await openStep(desk, "Tove Aldermoor", "morning");
  await desk.keyboard.press("2");
  await desk.keyboard.press("s");
  await desk
    .getByRole("main")
    .getByRole("link", { name: /Decide what comes next/ })
    .click();
  await expect(desk.getByTestId("draft")).toBeVisible();
  await desk.keyboard.press("a");
  await expect(desk.getByRole("heading", { name: "Decided" })).toBeVisible();
  await openStep(desk, "Tove Aldermoor", "dose");
  await field(desk, "holdS").fill("3");
  await field(desk, "reps").fill("2");
  await field(desk, "restS").fill("5");
  await desk.getByRole("button", { name: /Save sheet/ }).click();
  await expect(desk.getByText(/Saved as version \d+ by Ines Marlowick/)).toBeVisible();

  const gym = await browser.newContext();
  const tablet = await gym.newPage();
  await signIn(tablet, "trainer");

  await test.step("the trainer reads the dose and cannot change it, in the interface and at the route", async () => {
    await tablet.goto(`/clients/${id}/dose`);
    await isAlive(tablet);
    await expect(tablet.getByText("the rest is a therapist's, here to read")).toBeVisible();
    await expect(field(tablet, "holdS")).toBeDisabled();
    await expect(tablet.getByRole("button", { name: /Save sheet/ })).toHaveCount(0);
    const holds = { sets: 1, reps: 2, holdS: 3, restS: 5, setRestS: 0, atDeg: 60 };
    const answer = await post(tablet, `/api/clients/${id}/sheets`, {
      id: randomUUID(),
      sheetId: randomUUID(),
      name: "Mine",
      place: "gym",
      baseVersion: 0,
      items: [
        {
          lineId: randomUUID(),
          exerciseId: "kext_iso_machine",
          legs: "one",
          window: null,
          sharesRests: false,
          scheme: { kind: "holds", ...holds, effort: { kind: "felt", felt: 5 } },
        },
      ],
    });
    expect(answer).toMatchObject({
      status: 403,
      problems: [{ sentence: expect.stringMatching(/Only a therapist changes a dose/) }],
    });
    await tablet.goto(`/clients/${id}/measure`);
    await isAlive(tablet);
    await expect(tablet.getByRole("button", { name: /Save this test|Record a push/ })).toHaveCount(0);
  });

  await test.step("the trainer runs the holds; the network goes and comes back; nothing is lost", async () => {
    await tablet.goto(`/clients/${id}/floor`);
    await tablet.getByRole("link", { name: /^Holds/ }).click();
    await expect(tablet.getByText("Before the first set")).toBeVisible();
    await isAlive(tablet);
    await tablet.keyboard.press("n");
    await bandSays(tablet, "SET UP");
    await gym.setOffline(true);
    await tablet.keyboard.press("1");
    await bandSays(tablet, "GO");
    await tablet.keyboard.press(" ");
    await bandSays(tablet, "HOLD");
    await bandSays(tablet, "PAIN?");
    await tablet.keyboard.press("1");
    await floorSays(tablet, /saved here, \d+ waiting/);
    await gym.setOffline(false);
    await floorSays(tablet, "saved at the clinic");
    await tablet.reload();
    await isAlive(tablet);
    await floorSays(tablet, /^Joint pain now, before it/);
    await expect(tablet.getByText("3 s · pain 1")).toBeVisible();
  });

  await test.step("a hold stopped early asks why; a warning sign closes the floor", async () => {
    await tablet.keyboard.press("1");
    await bandSays(tablet, "GO");
    await tablet.keyboard.press(" ");
    await bandSays(tablet, "HOLD");
    await tablet.keyboard.press(" ");
    await tablet.getByRole("button", { name: "position lost" }).click();
    await bandSays(tablet, "PAIN?");
    await tablet.keyboard.press("u");
    await bandSays(tablet, "GO");
    await tablet.keyboard.press(" ");
    await bandSays(tablet, "HOLD");
    // stopped in the running hold
    await tablet.keyboard.press("x");
    await tablet.getByRole("button", { name: "Pop, gap, giving way, locking" }).click();
    await expect(tablet.getByRole("dialog", { name: "Stop the visit" })).toBeHidden();
    // the hold that was under way is not lost: its pain is said first
    await floorSays(tablet, /stopped: joint pain in it/);
    await tablet.keyboard.press("1");
    await floorSays(tablet, /The visit ends here because of this: pop, gap, giving way, locking/);
    await floorSays(tablet, /Stop all leg work/);
    await tablet.keyboard.press("1");
    await expect(tablet.getByRole("button", { name: "Joint pain now: 1", exact: true })).toHaveAttribute(
      "aria-pressed",
      "true",
    );
    await tablet.keyboard.press("Enter");
    await floorSays(tablet, "Done. Nothing more to enter today.");
    await floorSays(tablet, "saved at the clinic");
    await tablet.goto(`/clients/${id}/floor`);
    await isAlive(tablet);
    await expect(
      tablet.getByText(/A warning sign stands since Corin Desh noted it: giving way, locking/),
    ).toBeVisible();
    await expect(tablet.getByLabel("Clear it, because")).toHaveCount(0);
    const answer = await post(tablet, `/api/clients/${id}/clearances`, {
      id: randomUUID(),
      clears: randomUUID(),
      reason: "I looked",
    });
    expect(answer.status).toBe(403);
  });

  await test.step("the draft is to stop and refer; the therapist clears the sign with a reason", async () => {
    await desk.goto(`/clients/${id}/decide`);
    await isAlive(desk);
    await expect(desk.getByTestId("draft")).toHaveText("Stop and refer");
    await expect(desk.getByText(/a warning sign was answered yes/).first()).toBeVisible();
    await desk.goto(`/clients/${id}/floor`);
    await isAlive(desk);
    await desk
      .getByLabel("Clear it, because")
      .fill("ligaments firm, no swelling, plate shift in the kneecap only");
    await desk.getByRole("button", { name: "Clear the warning sign" }).click();
    await expect(desk.getByText(/Which sheet is run now/)).toBeVisible();
  });
});

test("an admin reads and can neither dose nor run", async ({ page }) => {
  await workAs(page, "admin");
  const id = await openStep(page, "Jorun Salthe", "floor");
  await expect(page.getByText(/Only a therapist or a trainer runs a (session|visit)/)).toBeVisible();
  const answer = await post(page, `/api/clients/${id}/rechecks`, {
    id: randomUUID(),
    isClear: true,
    signs: [],
  });
  expect(answer.status).toBe(403);
  // this admin reads pounds; what is stored stays in kilograms
  await page.goto(`/clients/${id}/measure`);
  await isAlive(page);
  await expect(page.getByText(/147\.7 lb/)).toBeVisible();
});
