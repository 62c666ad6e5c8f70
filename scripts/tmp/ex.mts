// @ts-nocheck
import { look } from "./look.mts";
await look(async ({ page, shot, signIn, clientId, isAlive }) => {
  page.on("console", m => { if (/Content Security|Error/i.test(m.text())) console.log("CONSOLE", m.text().slice(0,200)); });
  page.on("pageerror", e => console.log("PAGEERR", String(e).slice(0,300)));
  await page.goto("/sign-in"); await signIn(page, "therapist");
  const idony = await clientId(page, "Idony Greaves"), tove = await clientId(page,"Tove Aldermoor");
  for (const [n, p] of [["costs", `/clients/${idony}/costs`],["ex-press", `/clients/${idony}/explain`],["ex-hold", `/clients/${idony}/explain?ask=hold`],["ex-stack", `/clients/${idony}/explain?ask=stack`],["ex-schools", `/clients/${idony}/explain?ask=schools`],["ex-next", `/clients/${tove}/explain?ask=next`],["papers", `/clients/${idony}/papers`],["files","/files"],["rv", `/clients/${idony}/review`]]) {
    await page.goto(p); await isAlive(page); await page.waitForTimeout(500); await shot(n);
  }
});
