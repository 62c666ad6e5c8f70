// @ts-nocheck
import { look } from "./look.mts";
await look(async ({ page, shot, signIn, clientId, isAlive }) => {
  await page.goto("/sign-in"); await signIn(page, "therapist");
  for (const n of process.env.WHO ? process.env.WHO.split(",") : ["Idony Greaves","Jorun Salthe"]) {
    const id = await clientId(page, n);
    const t=Date.now();
    await page.goto(`/clients/${id}/review`); await isAlive(page); await page.waitForTimeout(400);
    console.log(n, Date.now()-t);
    await shot("rv-" + n.split(" ")[0]);
    await page.screenshot({ path: `/tmp/shots/rvf-${n.split(" ")[0]}.png`, fullPage: true });
  }
});
