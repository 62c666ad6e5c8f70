import type { clientPaper as en } from "../en/client/clientPaper";
import type { Translated } from "../words";

const WORN = {
  sleeve: "Bandage an",
  brace: "Schiene an, wie verordnet",
  tight_wrap: "Wickel an für den Satz, danach ab",
};

/** Settings of machines by their keys. */
const SETTINGS: Readonly<Record<string, string>> = {
  trunk: "Rumpf",
  stepping: "vorderer Fuß",
  startDeg: "Anschlag am Anfang",
  endDeg: "Anschlag am Ende",
  shankLeanDeg: "Unterschenkel nach vorn geneigt",
  seatGapM: "Sitz zur Platte",
  railDeg: "Schiene, von Hüfte zu Füßen",
  pressure: "Druck über",
  plateTiltDeg: "Neigung der Platte",
  padM: "Polster unter dem Knie",
  padAboveM: "Band über dem Knie",
  onLegPct: "Gewicht auf diesem Bein",
  leverM: "Arm des Gegengewichts",
  leanDeg: "Rumpf geneigt",
  inclineDeg: "Schiene zum Boden",
  hipBendDeg: "Beugung der Hüfte",
  footM: "Füße über der Hüfte",
  footForwardM: "Füße vor der Hüfte",
  feetForwardM: "Füße vor der Schiene",
  depthDeg: "Anschlag für die Tiefe",
  benchM: "Höhe der Bank",
  backrestDeg: "Rückenlehne",
  seatCm: "Sitz",
  boxCm: "Kasten",
  padCm: "Polster unter dem Knie",
  backToRailDeg: "Rücken zur Schiene",
};

export const clientPaper: Translated<typeof en> = {
  title: "Übungen zu Hause",
  set: (m) => `Einstellen: ${m.what}.`,
  needs: (m) => `Sie brauchen: ${m.what}.`,
  wear: (m) => `Tragen: ${m.what}.`,
  if_hurts: "Wenn es weh tut",
  up_to: (m) =>
    `Gelenkschmerz bis ${m.pain} von 10 ist in Ordnung, wenn er bis zum nächsten Morgen abgeklungen ist. Das Brennen eines Muskels schadet nicht.`,
  above: (m) => `Über ${m.pain} von 10: diese Übung für heute beenden und uns sagen.`,
  stop_all:
    "Neue Taubheit, das Knie gibt nach oder blockiert, oder es ist heiß oder viel dicker: alles beenden und die Praxis anrufen.",
  emergency: "Brustschmerzen, Atemnot, eine schmerzhaft dicke Wade: den Notruf rufen.",
  when_next: "Wann wieder",
  no_days: "Es sind noch keine Tage geplant: Fragen Sie uns, wenn Sie kommen.",
  day_at: (m) => `${m.day} um ${m.at}`,
  tick: "Haken Sie ab, was Sie gemacht haben, und schreiben Sie den Schmerz vom nächsten Morgen auf.",
  dark_days: "Dunkle Tage sind die geplanten.",
  exercise: "Übung",
  pain_in: "Schmerz dabei",
  pain_next: "Schmerz am Morgen danach",
  setting: (m) => SETTINGS[m.key ?? ""] ?? m.name,
  worn: (m) => WORN[m.worn],
};
