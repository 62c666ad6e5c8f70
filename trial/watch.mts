/** Prints one person's course under Bexlo's rules, visit by visit: `npx tsx trial/watch.mts INDEX [FILE]`. */
import { readFileSync } from "node:fs";
import { fileURLToPath } from "node:url";
import { live } from "./live";
import { trialPerson } from "./person";
import { bexlo, type Watched } from "./policies/bexlo";

const FIRST_SEED = 1000;
const index = Number(process.argv[2] ?? 0);
const file = process.argv[3] ?? fileURLToPath(new URL("./people.json", import.meta.url));
const person = trialPerson.parse(JSON.parse(readFileSync(file, "utf8"))[index]);

function say(w: Watched): void {
  if (w.of === "decision") {
    console.log(
      `      ${w.exerciseId} ${w.action} ${w.rules.join(" ")} (left ${w.done.reserve}) ${JSON.stringify(w.changes).slice(0, 160)}`,
    );
    return;
  }
  const day = `day ${w.day} ${w.phase}${w.isShort ? " short" : ""}${w.mayRise ? "" : " no offers"}`;
  console.log(
    `${day}: ${w.tissue.toFixed(1)} of ${w.mostTissue.toFixed(1)}, really ${w.truth.dose.toFixed(1)}, ${w.truth.failed} of ${w.truth.sets} failed`,
  );
  for (const l of w.ran) {
    const planned = l.sets.map((s) => `${s.reps ?? `${s.holds?.holdS}s`}@${s.loadKg ?? "-"}`).join(" ");
    const did = w.records
      .filter((r) => r.lineId === l.lineId && r.leg !== (person.side === "left" ? "right" : "left"))
      .map(
        (r) =>
          `${r.reps ?? `${r.workedS}s`}@${r.loadKg ?? "-"} left ${r.reserve ?? r.felt} pain ${r.pain}${r.early ? ` ${r.early}` : ""}`,
      );
    console.log(`    ${l.exerciseId} ${l.kind} share ${l.share?.toFixed(2)}: ${planned} | ${did.join("; ")}`);
  }
}

console.log(person.name, JSON.stringify(person.truth));
console.log(JSON.stringify(live(person, "bexlo", FIRST_SEED + index, (p) => bexlo(p, say))));
