/** What one hard repetition of a kind of work counts for each muscle group [low]. Dosing rules G3. */
export const CREDITS = {
  press_or_squat: { quads: 1, glutes: 0.7, adductors: 0.5, hams: 0.25 },
  hinge: { hams: 1, glutes: 1 },
  extension: { quads: 1 },
  curl: { hams: 1, calves: 0.25 },
  bridge: { glutes: 1, hams: 0.5 },
  abduction: { abductors: 1 },
  adduction: { adductors: 1 },
  calf: { calves: 1 },
  trunk: { trunk: 1 },
} as const satisfies Record<string, Partial<Record<Muscle, number>>>;
export type WorkKind = keyof typeof CREDITS;
/** In the order in which they are shown. */
export const MUSCLES = ["quads", "hams", "glutes", "adductors", "abductors", "calves", "trunk"] as const;
export type Muscle = (typeof MUSCLES)[number];

/** An amount of work by muscle group. */
export type ByMuscle = Partial<Record<Muscle, number>>;

/** Work of several kinds, credited to the muscle groups that do it. Dosing rules G3. */
export function creditedTo(work: readonly { kind: WorkKind; amount: number }[]): ByMuscle {
  const totals: ByMuscle = {};
  for (const w of work)
    for (const [muscle, credit] of Object.entries(CREDITS[w.kind]) as [Muscle, number][])
      totals[muscle] = (totals[muscle] ?? 0) + credit * w.amount;
  return totals;
}

/** A day with so many effective sets of a muscle group is hard for it; credits below half do not tire. Rule W3 [own]. */
const HARD_SETS = 2;
const TIRES_FROM = 0.5;

/** The muscle groups for which so much work on one day is hard. */
export function hardFor(work: readonly { kind: WorkKind; amount: number }[]): Muscle[] {
  const sets: ByMuscle = {};
  for (const w of work)
    for (const [muscle, credit] of Object.entries(CREDITS[w.kind]) as [Muscle, number][])
      if (credit >= TIRES_FROM) sets[muscle] = (sets[muscle] ?? 0) + credit * w.amount;
  return (Object.keys(sets) as Muscle[]).filter((m) => (sets[m] ?? 0) >= HARD_SETS);
}

/** How groups that belong together share the work; null where one of them has none. */
export interface Balance {
  hamsPerQuads: number | null;
  adPerAb: number | null;
  calvesPerQuads: number | null;
}

const ratio = (a: number | undefined, b: number | undefined): number | null => (b ? (a ?? 0) / b : null);

/** Front and back, in and out, calves. Dosing rules G3. */
export const balanceOf = (totals: ByMuscle): Balance => ({
  hamsPerQuads: ratio(totals.hams, totals.quads),
  adPerAb: ratio(totals.adductors, totals.abductors),
  calvesPerQuads: ratio(totals.calves, totals.quads),
});
