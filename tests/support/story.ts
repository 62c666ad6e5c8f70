import { randomUUID } from "node:crypto";
import type { EpisodeInput, NewClientInput } from "@/core/story/storyInput";

/** A whole knee-replacement story, as a therapist would enter it. */
export const EPISODE: EpisodeInput = {
  side: "left",
  conditions: [{ conditionId: "total_knee_replacement", variantId: "standard", beganOn: null }],
  uncovered: [],
  calledAs: "",
  beganWith: "surgery",
  beganOn: "2026-02-02",
  details: "cemented",
  surgeonNote: "",
  painMarks: ["knee_cap"],
  painNow: 2,
  painWorst: 5,
  painBest: 0,
  bringsOn: "some",
  settlesIn: "hours",
  swellingApplies: true,
  firstSwelling: 2,
  regions: [],
  markers: [],
  activities: [],
  goals: [
    { goalId: "stairs", words: "", hard: 6 },
    { goalId: null, words: "rise from the low bench", hard: 8 },
  ],
  rises: "hands",
  climbs: "rail",
  isInactive: false,
  background: null,
  isAlone: null,
  support: "none",
  trainsAt: "clinic_gym",
  weekdays: [1, 4],
};

export const newClient = (
  over: { episode?: Partial<EpisodeInput>; birthYear?: number } = {},
): NewClientInput => ({
  clientId: randomUUID(),
  episodeId: randomUUID(),
  person: {
    name: "M. U.",
    occupation: "rope maker",
    birthYear: over.birthYear ?? 1958,
    heightM: 1.7,
    bodyMassKg: 80,
    shankLengthM: null,
    normSex: "female",
  },
  episode: { ...EPISODE, ...over.episode },
});
