import type { PainfulArc, PainfulMove } from "@/core/strength/painfulArc";
import type { Format } from "../../format";

export const MOVE_WORDS: Readonly<Record<PainfulMove, string>> = {
  extension: "straightening, foot free",
  flexion: "bending, foot free",
  closed: "pressing or standing on it",
};

/** The same where there is little place. */
export const MOVE_SHORT: Readonly<Record<PainfulMove, string>> = {
  extension: "straightening",
  flexion: "bending",
  closed: "pressing, standing",
};

const WITH: Readonly<Record<PainfulMove, string>> = {
  extension: "where straightening hurt",
  flexion: "where bending hurt",
  closed: "where pressing on it hurt",
};

const pain = (value: number): string => `${value} of 10`;

/** "where straightening hurt 4 of 10 with 10 kg" */
export const hurtWords = (a: Pick<PainfulArc, "moved" | "loadKg" | "pain">, f: Pick<Format, "kg">): string =>
  `${WITH[a.moved]} ${pain(a.pain)}${a.loadKg === null ? "" : ` with ${f.kg(a.loadKg, 1)}`}`;

/** "hurts 40° to 60°, 4 of 10" */
export const painfulShort = (a: Pick<PainfulArc, "fromDeg" | "toDeg" | "pain">): string =>
  `hurts ${a.fromDeg}° to ${a.toDeg}°, ${pain(a.pain)}`;
