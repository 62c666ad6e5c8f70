// @ts-nocheck
import { look } from "./look.mts";
import { writeFileSync } from "node:fs";
await look(async ({ page, signIn, clientId, isAlive }) => {
  await page.goto("/sign-in"); await signIn(page, "therapist");
  const id = await clientId(page, "Idony Greaves");
  await page.goto(`/clients/${id}/papers`); await isAlive(page);
  for (const [kind, size] of [["sheet","A4"],["card","LETTER"],["letter","A4"],["summary","A4"],["record","LETTER"]]) {
    const t=Date.now();
    const b64 = await page.evaluate(async ([id,kind,size]) => { const r = await fetch(`/api/clients/${id}/papers`, {method:"POST", headers:{"content-type":"application/json"}, body: JSON.stringify({kind,size,sheetId:null,episodeId:null,to: kind==="letter"?"Dr Orla Vennick, Łódź street":"",questions: kind==="letter"?"May she begin to run?\nIs the meniscus to be spared?":""})}); const b = new Uint8Array(await r.arrayBuffer()); if(!r.ok) return new TextDecoder().decode(b); let s=""; for (const x of b) s+=String.fromCharCode(x); return "OK"+btoa(s); }, [id,kind,size]);
    if (!b64.startsWith("OK")) { console.log(kind, b64.slice(0,300)); continue; }
    writeFileSync(`/tmp/shots/${kind}.pdf`, Buffer.from(b64.slice(2), "base64")); console.log(kind, Date.now()-t, "ms");
  }
});
