import type { atHome as en } from "../en/client/atHome";
import type { Translated } from "../words";

const entries = (n: number): string => (n === 1 ? "Eintrag" : "Einträge");
const EARLY = {
  muscle: "der Muskel gab nach",
  joint_pain: "das Gelenk tat weh",
  position: "ich konnte nicht so bleiben",
  other: "etwas anderes",
};
const LEG = { both: "Beide Beine", left: "Linkes Bein", right: "Rechtes Bein" };

export const atHome: Translated<typeof en> = {
  today: "Übungen für heute",
  how_long: (m) => `${m.exercises} ${m.exercises === 1 ? "Übung" : "Übungen"}, etwa ${m.minutes} Minuten`,
  new_at_first: "Ist etwas davon neu?",
  new_since: "Ist seit dem letzten Mal etwas neu?",
  new_help: "Sturz, Schwellung oder Wärme, neuer Schmerz, Taubheit, Fieber, Atemnot, unwohl",
  nothing_new: "nein, nichts",
  needs_new: "Tippen Sie an, ob etwas neu ist.",
  needs_sign: "Tippen Sie an, was neu ist.",
  tell: "Der Praxis sagen",
  begin: "Beginnen",
  sent: "an die Praxis gesendet",
  waits: "auf diesem Gerät, wird gesendet, sobald es Netz gibt",
  nothing_today: "Heute nichts",
  after_sign: (m) =>
    `Machen Sie keine Übungen, bis ${m.clinic} mit Ihnen gesprochen hat. Bei Brustschmerzen, Atemnot, einer schmerzhaft dicken Wade oder Problemen mit Blase oder Darm rufen Sie sofort den Notruf. (${m.sent})`,
  not_sent: "Etwas wurde nicht gesendet",
  earlier: (m) =>
    `${m.n} ${entries(m.n)} eines früheren Links ${m.n === 1 ? "liegt" : "liegen"} noch auf diesem Gerät: Die Praxis hat ${m.n === 1 ? "ihn" : "sie"} nicht.`,
  send_to: (m) => `An ${m.clinic} senden`,
  done: "Für heute fertig",
  done_once: "Geplant war einmal am Tag. Morgen früh kommen ein paar Fragen, dann geht es weiter.",
  not_today: "Heute nicht",
  barred: (m) =>
    `${m.clinic} muss zuerst etwas ansehen, deshalb gibt es hier heute nichts zu tun. Dort ist zu sehen, dass es wartet; Sie können anrufen.`,
  rest_day: "Ein Ruhetag",
  rest_day_why:
    "Die Beine haben zuletzt hart gearbeitet und brauchen zwei Tage dazwischen. Öffnen Sie diesen Link morgen wieder.",
  leg_of: (m) => `${LEG[m.leg]}, ${m.at} von ${m.of}`,
  badge_refused: "nicht angenommen",
  badge_sent: "gesendet",
  badge_waits: "auf diesem Gerät",
  refused_kept: (m) =>
    `${m.n} ${entries(m.n)} ${m.n === 1 ? "liegt" : "liegen"} auf diesem Gerät: Ein neuer Link von ${m.clinic}, hier geöffnet, nimmt ${m.n === 1 ? "ihn" : "sie"} mit.`,
  line_over: (m) =>
    `${m.names}: für heute vorbei, es tat mehr weh, als es soll. Lassen Sie das Bein ruhen; ${m.isLast ? "die Praxis sieht es." : "die nächste Übung kann trotzdem gehen."}`,
  line_gave_out: (m) =>
    `${m.names}: genug für heute, der Muskel gab nach. ${m.isLast ? "Die Praxis sieht es." : "Weiter mit der nächsten Übung."}`,
  needs: (m) => `Sie brauchen: ${m.what}`,
  set: (m) => `Einstellen: ${m.what}`,
  wear: (m) => `Tragen: ${m.what}`,
  stop_above: (m) => `Wenn das Gelenk mehr als ${m.pain} schmerzt, aufhören.`,
  pins: "Der Anschlag oder die Stifte sind drin und halten",
  ready: "Ich bin bereit",
  rest: "Pause, dann weiter",
  start: "Start",
  offer_more: (m) => `Es ging noch mehr: ${m.reps} versuchen`,
  start_now: "Jetzt starten",
  breathe: "noch · weiteratmen",
  one_more: "noch eine",
  of_reps: (m) => `von ${m.reps ?? "so vielen, wie gehen"} · jede antippen`,
  stop_this: "Diese beenden",
  that_was_it: "Das war sie",
  why_early: "Warum war es früher zu Ende?",
  early: (m) => EARLY[m.why],
  pain_in: "Schmerz im Gelenk dabei",
  pain_in_help: "nicht das Brennen des Muskels",
  how_hard: "Wie anstrengend war es?",
  how_hard_help: "0 ist nichts, 10 das Äußerste",
  effort: (m) => `Anstrengung ${m.n} von 10`,
  how_many: "Wie viele hätten Sie noch geschafft?",
  how_many_help: "10 ist zehn oder mehr",
  more: (m) => `noch ${m.n}`,
  stopped: "Beendet",
  all_done: "Alles geschafft",
  end_refused: (m) =>
    `Die Praxis hat nicht alles angenommen: ${m.n} ${entries(m.n)} ${m.n === 1 ? "liegt" : "liegen"} auf diesem Gerät. Bitten Sie ${m.clinic} um einen neuen Link und öffnen Sie ihn hier.`,
  end_sent: "Die Praxis hat es.",
  end_waits:
    "Es liegt auf diesem Gerät und geht an die Praxis, sobald es Netz gibt. Lassen Sie diese Seite offen, oder öffnen Sie den Link noch einmal.",
  tomorrow: "Morgen früh kommen ein paar Fragen.",
  above_limit: (m) =>
    `${m.pain} ist mehr als Ihre Grenze von ${m.most}: Lassen Sie das Bein heute ruhen. Wenn es am Abend nicht besser ist, rufen Sie ${m.clinic} an.`,
  back: "zurück",
  stop: "Stopp",
  stop_label: "Für heute aufhören",
  stop_ask: "Für heute aufhören?",
  go_on: "Weitermachen",
  band_next: "ALS NÄCHSTES",
  band_pain: "SCHMERZ?",
  band_go: "LOS",
  band_rest: "PAUSE",
  band_hold: "HALTEN",
  band_move: "BEWEGEN",
  band_done: "FERTIG",
};
