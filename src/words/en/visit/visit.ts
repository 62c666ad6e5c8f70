import { stopText } from "@/core/rules/redFlags";
import { lowerFirst } from "@/core/units/lowerFirst";
import { fromKept } from "@/core/units/said";
import { type RecheckSign, signsSaid } from "@/core/visit/signs/recheckSigns";
import { stopSaid } from "@/core/visit/signs/stopReasons";
import type { Rooms } from "../../message";
import type { Words } from "../../words";
import { PAIN_REGIONS } from "../story";

const SIGNS: Record<RecheckSign, string> = {
  change: "a fall, fever, illness, new medicine or surgery date, pregnancy",
  swelling: "more swelling, warmth or redness than last time",
  calf_chest: "calf pain or swelling, chest discomfort, unusual breathlessness",
  giving_way: "giving way, locking, catching or a pop",
  nerve: "new numbness or weakness, pain further down, bladder or bowel change",
  unwell: "dizzy, headache or unwell",
  wound: "wound not dry or closed, brace or weight-bearing order changed",
};

const BY_CLIENT: Record<RecheckSign, string> = {
  change: "A fall, fever, illness, or something else is new",
  swelling: "The knee is hot, red or much more swollen",
  calf_chest: "The calf hurts or is swollen, or the chest hurts, or I am short of breath",
  giving_way: "The knee gave way, locked, caught or popped",
  nerve: "New numbness or weakness, or trouble with bladder or bowel",
  unwell: "Dizzy, a headache, or unwell",
  wound: "The wound is not dry or not closed",
};

/** Shorter where the rule's own words are too long to read at arm's length, and what no rule says. */
const STOPS: Readonly<Record<string, string>> = {
  st_breath: "Breath holding that two prompts did not correct",
  st_bp: "Cuff straight after a set above 220 or 110",
  st_spo2: "Oxygen saturation below 90 %, or 4 points down",
  st_wrap: "Toes numb, cold or discoloured under a wrap",
  time: "No time left",
  client_hurt: "Stopped by the client: it hurt",
  client_unwell: "Stopped by the client: felt unwell",
  client_gave_way: "Stopped by the client: the knee gave way or locked",
};

const BY_THEM: Readonly<Record<string, string>> = {
  client_hurt: "It hurts too much",
  client_unwell: "I feel unwell",
  client_gave_way: "The knee gave way or locked",
  time: "No time left",
};

const isSign = (id: string): id is RecheckSign => Object.hasOwn(SIGNS, id);

export const visit: Words<Rooms["visit"]> = {
  sign: (m) => SIGNS[m.sign],
  sign_at_first: (m) => (m.sign === "swelling" ? "new swelling, warmth or redness" : SIGNS[m.sign]),
  sign_by_client: (m) => BY_CLIENT[m.sign],
  // what was written before signs had codes is said as it stands
  signs: (m) => m.signs.map((s) => (isSign(s) ? SIGNS[s] : s)).join("; "),
  stop: (m, f) => {
    const kept = fromKept(m.reason);
    return typeof kept === "string" ? (STOPS[kept] ?? stopText(kept)) : f.say(kept);
  },
  stop_by_client: (m) => BY_THEM[m.reason] ?? m.reason,
  concern: ({ what, by }, f) => {
    switch (what.kind) {
      case "stop":
        return `A visit ended early: ${lowerFirst(f.say(stopSaid(what.why)))} (${by})`;
      case "pain":
        return `Joint pain of ${what.pain} in a set, above the limit of ${what.most} (${by})`;
      case "elsewhere":
        return `Pain of ${what.pain} in a region that is not followed: ${PAIN_REGIONS[what.region]} (${by})`;
      case "morning_pain":
        return `Joint pain of ${what.pain} the morning after, above the limit of ${what.most} (${by})`;
      case "morning_signs":
        return `Warning signs with the morning after: ${f.say(signsSaid(what.signs))} (${by})`;
      case "morning_swelling":
        return `Swelling rose after surgery by the morning after (${by})`;
    }
  },
};
