import type { RecheckSign } from "@/core/visit/signs/recheckSigns";
import type { Rooms } from "../message";
import type { Words } from "../words";

const BY_CLIENT: Record<RecheckSign, string> = {
  change: "Ein Sturz, Fieber, eine Krankheit oder etwas anderes ist neu",
  swelling: "Das Knie ist heiß, rot oder viel dicker",
  calf_chest: "Die Wade schmerzt oder ist dick, oder die Brust schmerzt, oder ich bekomme schlecht Luft",
  giving_way: "Das Knie gab nach, blockierte, blieb hängen oder knackte",
  nerve: "Neue Taubheit oder Schwäche, oder Probleme mit Blase oder Darm",
  unwell: "Schwindel, Kopfschmerzen oder unwohl",
  wound: "Die Wunde ist nicht trocken oder nicht zu",
};

const BY_THEM: Readonly<Record<string, string>> = {
  client_hurt: "Es tut zu weh",
  client_unwell: "Mir ist nicht gut",
  client_gave_way: "Das Knie gab nach oder blockierte",
  time: "Keine Zeit mehr",
};

/** What a client is asked and answers; the rest of a visit is said at the clinic. */
export const visit: Partial<Words<Rooms["visit"]>> = {
  sign_by_client: (m) => BY_CLIENT[m.sign],
  stop_by_client: (m) => BY_THEM[m.reason] ?? m.reason,
};
