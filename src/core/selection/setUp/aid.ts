import { z } from "zod";
import type { StationLearnt } from "../../capacity/learn";
import type { KnownStrength, MovementKnown } from "./strengthKnown";

/** What is worn at work, and what is held on to, the least help first. */
export const WORN_IDS = ["none", "sleeve", "brace", "tight_wrap"] as const;
export const HELP_IDS = ["none", "fingertips", "one_hand", "two_hands", "strap"] as const;
export type Worn = (typeof WORN_IDS)[number];
export type Help = (typeof HELP_IDS)[number];

/** Support and help of a set. Rule Aid 1. */
export const aid = z.object({ worn: z.enum(WORN_IDS), help: z.enum(HELP_IDS) });
export type Aid = z.infer<typeof aid>;
export const NO_AID: Aid = { worn: "none", help: "none" };

/** What a client wears at work: by the set-up cards of exercises, else as the story asks. */
export interface WornFacts {
  byCard: Readonly<Record<string, Worn>>;
  usual: Worn;
  /** by the school nothing is worn that nobody ordered, unless a card says so. Rule K22 */
  isBare: boolean;
}

/** A brace is an order; a sleeve and a wrap are wishes. */
export const wornAt = ({ byCard, usual, isBare }: WornFacts, exerciseId: string): Worn =>
  byCard[exerciseId] ?? (isBare && usual !== "brace" ? "none" : usual);

/** A thin sleeve warms and carries nothing [own]. */
const CARRIES: ReadonlySet<Worn> = new Set(["brace", "tight_wrap"]);

/** By what a station with this aid is told apart from the same without; empty: nothing helps. Rule Aid 1. */
export const aidKey = ({ worn, help }: Aid): string =>
  [...(CARRIES.has(worn) ? [worn] : []), ...(help === "none" ? [] : [help])].join("+");

/** The aid that a key names. */
export function aidOfKey(key: string): Aid {
  const parts = key.split("+");
  const of = <T extends string>(ids: readonly T[]): T =>
    ids.find((id) => parts.includes(id)) ?? (ids[0] as T);
  return { worn: of(WORN_IDS), help: of(HELP_IDS) };
}

/** One step less held on to; null: nothing is. Rule P3. */
export const lessHelp = (help: Help): Help | null => HELP_IDS[HELP_IDS.indexOf(help) - 1] ?? null;

/** It was helped more than it was planned to be. Rule Aid 2. */
export const isMoreAid = (done: Aid, planned: Aid): boolean =>
  HELP_IDS.indexOf(done.help) > HELP_IDS.indexOf(planned.help) ||
  (CARRIES.has(done.worn) && done.worn !== planned.worn);

/** The station as it is with an aid: another one, that never speaks for the plain one. Rule Aid 1. */
export const aidedStationId = (id: string, key: string): string => (key === "" ? id : `${id}+${key}`);

/** What is planned to be worn and held, by exercise: its key; missing: nothing that helps. */
export type AidsKnown = Readonly<Record<string, string>>;

const aided = <S extends Readonly<Record<string, StationLearnt>>>(stations: S, key: string): S =>
  Object.fromEntries(
    Object.entries(stations).flatMap(([id, s]) =>
      id.endsWith(`+${key}`) ? [[id.slice(0, -key.length - 1), s]] : [],
    ),
  ) as S;

/** What a leg can do where it is helped: only what was shown with that help speaks for its stations. Rule Aid 1. */
export function underAid(known: KnownStrength, key: string): KnownStrength {
  if (key === "") return known;
  const of = (m: MovementKnown): MovementKnown => ({ ...m, stations: aided(m.stations, key) });
  return {
    ...known,
    extension: of(known.extension),
    flexion: of(known.flexion),
    quiet: aided(known.quiet, key),
  };
}
