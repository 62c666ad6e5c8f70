import type { MassUnit } from "@/core/units/mass";
import type { ClientEpisode } from "@/server/client/clients";
import type { Story } from "@/server/client/story";
import { lengthText, massText, NO_GOAL, type StoryDraft } from "../../../_story/storyDraft";

const text = (n: number | null): string => (n === null ? "" : String(n));

/** A stored story as the form shows it; what was never asked stays empty. */
export function draftOf(c: ClientEpisode, s: Story, unit: MassUnit): StoryDraft {
  return {
    name: c.name,
    occupation: c.occupation,
    birthYear: String(c.birthYear),
    heightM: String(c.heightM),
    bodyMass: massText(c.bodyMassKg, unit),
    shankCm: lengthText(c.shankLengthM),
    normSex: c.normSex ?? "none",
    side: s.side,
    conditions: s.conditions.map((c) => ({ ...c, beganOn: c.beganOn ?? "" })),
    uncovered: s.uncovered,
    calledAs: s.calledAs ?? "",
    beganWith: s.beganWith,
    beganOn: s.beganOn ?? "",
    details: s.details ?? "",
    surgeonNote: s.surgeonNote ?? "",
    painMarks: s.painMarks,
    painNow: text(s.painNow),
    painWorst: text(s.painWorst),
    painBest: text(s.painBest),
    bringsOn: s.bringsOn,
    settlesIn: s.settlesIn,
    swellingApplies: s.swellingApplies,
    firstSwelling: text(s.firstSwelling),
    rises: s.rises,
    climbs: s.climbs,
    isInactive: s.isInactive,
    background: s.background,
    isAlone: s.isAlone,
    regions: s.regions.map((r) => ({ region: r.region, usual: text(r.usual), most: text(r.most) })),
    markers: s.markers,
    activities: s.activities.map((a) => ({ ...a, minutes: String(a.minutes), hard: String(a.hard) })),
    goals: s.goals.length
      ? s.goals.map((g) => ({ ...g, hard: String(g.hard), on: g.on ?? "" }))
      : [{ ...NO_GOAL, words: c.goal }],
    support: s.support ?? "",
    trainsAt: s.trainsAt ?? "clinic_gym",
    weekdays: s.weekdays,
  };
}
