import { type Body, bodyFrom } from "../body/segments";
import type { LoadContext } from "../selection/setUp/loadContext";
import { type UntestedPerson, untestedStrength } from "../strength/untestedStrength";
import { knownOf } from "./capacity/known";

/** A sound person in the middle of life, whom nobody tested and nobody asked. */
export const SOUND: UntestedPerson = {
  ageYears: 45,
  normSex: null,
  has: { arthritis: false, kneecapOrTendonPain: false, back: false, longInactivity: false },
  weeksAfterSurgery: null,
  daily: { chair: false, stairs: false },
};

/** Everything a load is bounded by, for a made-up client whom nothing bounds. */
export const loadFacts = (body: Body = bodyFrom(75, 1.75), person: UntestedPerson = SOUND): LoadContext => ({
  limits: {},
  body,
  strength: knownOf(untestedStrength(body, person)),
  weight: { mostN: null, barsPresses: null },
  startCap: { bodyWeights: 0.75, because: "untested" },
  hasBackProblem: false,
});
