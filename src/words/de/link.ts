import type { link as en } from "../en/client/link";
import type { Translated } from "../words";

export const link: Translated<typeof en> = {
  closed: "Das lässt sich nicht öffnen",
  wrong:
    "Dieser Link passt nicht. Öffnen Sie ihn aus der Nachricht, wie sie kam, oder bitten Sie die Praxis um einen neuen.",
  run_out: "Dieser Link ist abgelaufen. Bitten Sie die Praxis um einen neuen.",
  gone: "Dieser Plan wird nicht mehr benutzt. Bitten Sie die Praxis um einen neuen Link.",
  too_many: "Von hier kamen zu viele Links, die nicht passen. Warten Sie eine Viertelstunde.",
  what_is_it: "Was ist es?",
  not_sent: "Es wurde nicht gesendet. Versuchen Sie es noch einmal.",
  pain_now: "Schmerz im Gelenk jetzt",
  score: (m) => `${m.n} von 10`,
  no: "nein",
  yes: "ja",
};
