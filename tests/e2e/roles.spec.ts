import { randomUUID } from "node:crypto";
import { expect, test } from "@playwright/test";
import { clientId, field, floorSays, isAlive, openStep, post, signIn } from "./bexlo";
import { letANightPass } from "./stack";

const PLAN = {
  side: "right",
  kneeFlexionDeg: 60,
  effort: { kind: "felt", felt: 5 },
  means: "machine",
  pattern: { holdS: 3, reps: 2, restS: 5, sets: 1, setRestS: 0 },
  ladderFromDeg: 45,
  ladderToDeg: 90,
};

test("a therapist decides and shortens the dose, a trainer runs it without the network and changes nothing", async ({
  browser,
}) => {
  test.setTimeout(150_000);
  const desk = await (await browser.newContext()).newPage();
  await signIn(desk, "therapist");
  // whatever hour of the night this runs at: yesterday's session is one day older
  await letANightPass(await clientId(desk, "Tove Aldermoor"));
  const id = await openStep(desk, "Tove Aldermoor", "morning");
  await desk.keyboard.press("2");
  await desk.keyboard.press("s");
  await desk.getByRole("link", { name: /Decide the next session/ }).click();
  await expect(desk.getByTestId("draft")).toBeVisible();
  await desk.keyboard.press("a");
  await expect(desk.getByRole("heading", { name: "Decided" })).toBeVisible();
  await desk.goto(`/clients/${id}/dose`);
  await isAlive(desk);
  await field(desk, "holdS").fill("3");
  await field(desk, "reps").fill("2");
  await field(desk, "restS").fill("5");
  await desk.getByRole("button", { name: /Save dose/ }).click();
  await expect(desk.getByText(/Saved as version \d+ by Ines Marlowick/)).toBeVisible();

  const gym = await browser.newContext();
  const tablet = await gym.newPage();
  await signIn(tablet, "trainer");

  await test.step("the trainer reads the dose and cannot change it, in the interface and at the route", async () => {
    await tablet.goto(`/clients/${id}/dose`);
    await isAlive(tablet);
    await expect(tablet.getByText(/Only a therapist changes a dose/)).toBeVisible();
    await expect(field(tablet, "holdS")).toBeDisabled();
    await expect(tablet.getByRole("button", { name: /Save dose/ })).toHaveCount(0);
    const answer = await post(tablet, `/api/clients/${id}/plans`, {
      id: randomUUID(),
      baseVersion: 99,
      plan: PLAN,
    });
    expect(answer).toMatchObject({
      status: 403,
      problems: [{ sentence: expect.stringMatching(/Only a therapist changes a dose/) }],
    });
    await tablet.goto(`/clients/${id}/measure`);
    await isAlive(tablet);
    await expect(tablet.getByText(/Only a therapist records a strength test/)).toBeVisible();
  });

  await test.step("the trainer runs the holds; the network goes and comes back; nothing is lost", async () => {
    await tablet.goto(`/clients/${id}/floor`);
    await isAlive(tablet);
    await tablet.keyboard.press("n");
    await floorSays(tablet, "joint pain before hold 1 of 2?");
    await gym.setOffline(true);
    await tablet.keyboard.press("1");
    await tablet.keyboard.press(" ");
    await floorSays(tablet, "hold 1 is done: joint pain in it?");
    await tablet.keyboard.press("1");
    await floorSays(tablet, "saved here, 1 waiting");
    await gym.setOffline(false);
    await floorSays(tablet, "saved at the clinic");
    await tablet.reload();
    await isAlive(tablet);
    await floorSays(tablet, /joint pain before hold 2/);
    await expect(tablet.getByText("3 s · 1 → 1")).toBeVisible();
  });

  await test.step("a hold stopped early asks why; a warning sign closes the floor", async () => {
    await tablet.keyboard.press("1");
    await floorSays(tablet, "press space: hold 2 of 2");
    await tablet.keyboard.press(" ");
    await floorSays(tablet, /seconds to go/);
    await tablet.keyboard.press(" ");
    await tablet.getByRole("button", { name: "position lost" }).click();
    await floorSays(tablet, "hold 2 is done: joint pain in it?");
    await tablet.keyboard.press("u");
    await floorSays(tablet, "press space: hold 2 of 2");
    await tablet.keyboard.press("x");
    await tablet.getByRole("button", { name: "Pop, gap, giving way, locking" }).click();
    await floorSays(tablet, /The holds end here because of this: pop, gap, giving way, locking/);
    await floorSays(tablet, /Stop all leg work/);
    await tablet.keyboard.press("1");
    await tablet.keyboard.press("4");
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
    await expect(desk.getByText("a warning sign was answered yes")).toBeVisible();
    await desk.goto(`/clients/${id}/floor`);
    await isAlive(desk);
    await desk
      .getByLabel("Clear it, because")
      .fill("ligaments firm, no swelling, plate shift in the kneecap only");
    await desk.getByRole("button", { name: "Clear the warning sign" }).click();
    await expect(desk.getByText(/The last session has no decision yet/)).toBeVisible();
  });
});

test("an admin reads and can neither dose nor run", async ({ page }) => {
  await signIn(page, "admin");
  const id = await openStep(page, "Jorun Salthe", "floor");
  await expect(page.getByText(/Only a therapist or a trainer runs a session|no dose yet/)).toBeVisible();
  const answer = await post(page, `/api/clients/${id}/rechecks`, {
    id: randomUUID(),
    isClear: true,
    signs: [],
  });
  expect(answer.status).toBe(403);
  // this admin reads pounds; what is stored stays in kilograms
  await page.goto(`/clients/${id}/measure`);
  await isAlive(page);
  await expect(field(page, "bodyMassKg")).toHaveValue("147.7");
});
