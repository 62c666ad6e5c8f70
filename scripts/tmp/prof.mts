import postgres from "postgres";
import { inClinic } from "../../src/server/base/db";
import { clientEpisodes } from "../../src/server/client/clients";
import { todayList } from "../../src/server/day/todayList";
import { copyClient } from "../grow";

const owner = postgres(process.env.OWNER_URL as string, { onnotice: () => undefined });
const [p] =
  await owner`select p.*, c.name as clinic_name, c.time_zone from person p join clinic c on c.id=p.clinic_id where role='therapist' limit 1`;
const actor: any = {
  personId: p!.id,
  clinicId: p!.clinic_id,
  name: p!.name,
  role: p!.role,
  massUnit: "kg",
  locale: "en-GB",
  clinicName: p!.clinic_name,
  timeZone: p!.time_zone,
};
const run = async () => {
  const from = performance.now();
  const n = await inClinic(actor.clinicId, async (tx) => {
    return (await todayList({ tx, actor, now: new Date(), asked: new Map() })).length;
  });
  console.log(n, (performance.now() - from).toFixed(0));
};
for (let i = 0; i < 4; i++) await run();
const n = Number(process.argv[2] ?? 0);
if (n) {
  const [c] = await owner`select id from client where name = 'Pell Amsworth'`;
  await copyClient(owner as any, c!.id, n);
  await owner`analyze`;
  for (let i = 0; i < 3; i++) await run();
}
await owner.end();
process.exit(0);
