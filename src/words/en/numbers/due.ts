import { lowerFirst } from "@/core/units/lowerFirst";

/** What is to be measured, why, and what bars a strength test. */
export const due = {
  extension: "knee extension strength",
  both_extension: "both legs' knee extension",
  both_flexion: "both legs' knee flexion",
  leaves_phase: (m: { age: number | null; phase: string }) =>
    `${m.age === null ? "never measured" : `last ${m.age} days ago`}; “${lowerFirst(m.phase)}” is left by it`,
  symmetry_leaves: (m: { pct: number; phase: string }) =>
    `symmetry of at least ${m.pct} % leaves “${lowerFirst(m.phase)}”`,
  no_test: "no strength test yet",
  old_test: (m: { days: number }) => `last strength test is ${m.days} days old`,
  pain_stops: (m: { pain: number; most: number }) =>
    `Joint pain ${m.pain} in a push is above ${m.most}, the most that is allowed: no more pushes today. What was pushed can be saved.`,
  early_quadriceps: (m: { week: number }) =>
    `Before week ${m.week} after ligament or meniscus surgery the quadriceps are tested only as a held push at 60° to 90°: choose an angle there.`,
  hamstring_graft: (m: { week: number }) =>
    `After a hamstring graft the hamstrings are not tested to the maximum before week ${m.week}: wait until then.`,
  rear_cruciate:
    "With a hurt rear cruciate ligament the quadriceps are tested at 60° or less: choose an angle there.",
};
