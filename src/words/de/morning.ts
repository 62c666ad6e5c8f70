import type { Muscle } from "@/core/schedule/balance";
import type { PainRegion } from "@/core/units/painRegion";
import type { morning as en } from "../en/client/morning";
import type { Translated } from "../words";

const MUSCLES: Readonly<Record<Muscle, string>> = {
  quads: "Oberschenkel vorn",
  hams: "Oberschenkel hinten",
  glutes: "Gesäß",
  adductors: "Oberschenkel innen",
  abductors: "Hüfte außen",
  calves: "Wade",
  trunk: "Rumpf",
};
const PARTS = { knee: "dem Knie", hip: "der Hüfte", back: "dem Rücken", leg: "dem Bein" };
const SWELLING = { less: "weniger", same: "gleich", more: "mehr" };
const STIFFNESS = { to_10: "unter 10", to_30: "bis 30", longer: "länger" };

const COUNTS: Readonly<Record<number, string>> = { 3: "Drei", 4: "Vier", 5: "Fünf", 6: "Sechs" };
const REGIONS: Readonly<Record<PainRegion, string>> = {
  back_low: "unterer Rücken",
  back_buttock: "Gesäß",
  hip_groin: "Leiste",
  hip_side: "Außenseite der Hüfte",
  thigh_front: "Vorderseite des Oberschenkels",
  thigh_back: "Rückseite des Oberschenkels",
  knee_above: "über der Kniescheibe",
  knee_cap: "um die Kniescheibe",
  knee_tendon: "unter der Kniescheibe",
  knee_inner: "Innenseite des Knies",
  knee_outer: "Außenseite des Knies",
  knee_back: "Kniekehle",
  calf: "Wade",
  shin: "Schienbein",
  ankle_foot: "Sprunggelenk und Fuß",
};
const BESIDES: Readonly<Record<string, string>> = {
  sport: "Sport, langer Weg",
  lifting: "Heben, Gartenarbeit",
};

export const morning: Translated<typeof en> = {
  ask: (m) => `Wie geht es ${PARTS[m.part]} heute Morgen?`,
  intro: (m) =>
    `Nach den Übungen von gestern. ${COUNTS[m.questions] ?? m.questions} Fragen, eine halbe Minute.`,
  intro_used:
    "Ihre Praxis hat mit Ihrer Antwort schon weitergearbeitet. Wenn Sie jetzt etwas beunruhigt, sagen Sie es hier.",
  intro_after_noon:
    "Antworten konnten bis mittags geändert werden. Wenn Sie jetzt etwas beunruhigt, sagen Sie es hier.",
  intro_known: "Sie haben geantwortet. Bis mittags können Sie es ändern.",
  pain_help: "0 ist keiner, 10 der schlimmste, den Sie sich vorstellen können",
  swelling: "Schwellung, verglichen mit sonst",
  swelling_is: (m) => SWELLING[m.said],
  region: (m) => `Schmerz jetzt: ${REGIONS[m.region]}`,
  needs_region: (m) => `Tippen Sie an, wie sehr es schmerzt, 0 bis 10: ${REGIONS[m.region]}.`,
  stiffness: "Steif nach dem Aufstehen, Minuten",
  stiffness_is: (m) => STIFFNESS[m.band],
  sore: "Muskelkater?",
  sore_help: "nicht das Gelenk; lassen Sie es aus, wenn Sie unsicher sind",
  sore_is: (m) => ({ 0: "keiner", 3: "ein wenig", 6: "viel" })[m.level],
  sore_where: "Wo am meisten?",
  sore_muscle: (m) => MUSCLES[m.muscle],
  besides: "Was haben Sie an dem Tag sonst noch gemacht?",
  besides_help: "neben den Übungen; lassen Sie es aus, wenn Ihnen nichts einfällt",
  besides_none: "nichts Besonderes",
  besides_is: (m) => BESIDES[m.what] ?? m.what,
  besides_hard: "Wie anstrengend war es?",
  besides_hard_help: "0 gar nicht, 10 das Anstrengendste, was Sie können",
  needs_besides_hard: "Tippen Sie an, wie anstrengend es war, 0 bis 10.",
  worried: "Beunruhigt Sie etwas?",
  tell: "ja, der Praxis sagen",
  needs_pain: "Tippen Sie an, wie sehr das Gelenk schmerzt, 0 bis 10.",
  needs_swelling: "Tippen Sie an, ob es weniger, gleich oder mehr geschwollen ist.",
  needs_worried: "Tippen Sie an, ob Sie etwas beunruhigt.",
  needs_sign: "Tippen Sie an, was Sie beunruhigt. Wenn es etwas anderes ist, rufen Sie die Praxis an.",
  sending: "Wird gesendet",
  send: "Senden",
  send_change: "Änderung senden",
  thanks: "Danke",
  alarm: "Die Praxis sieht das zuerst",
  urgent:
    "Warten Sie nicht auf die Praxis: Bei Brustschmerzen, Atemnot, einer schmerzhaft dicken Wade oder Problemen mit Blase oder Darm rufen Sie sofort den Notruf.",
  kept: "Ihre Antwort ist bei der Praxis. Danach wird entschieden, wie es weitergeht.",
  wait_for: (m) =>
    `Machen Sie keine Übungen, bis ${m.clinic} mit Ihnen gesprochen hat. Wenn bis mittags niemand anruft, rufen Sie dort an.`,
  change: "Meine Antwort ändern",
  not_yet: "Noch nicht",
  opens_at: (m) =>
    `Diese Fragen betreffen den Morgen nach Ihren Übungen. Sie öffnen sich nachts um ${m.at}; der Link bleibt derselbe.`,
};
