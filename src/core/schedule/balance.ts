import type { Said } from "../units/said";

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
} as const satisfies Record<string, Partial<Record<Muscle, number>>>;
export type WorkKind = keyof typeof CREDITS;
export type Muscle = "quads" | "hams" | "glutes" | "adductors" | "abductors" | "calves";

export interface Balance {
  totals: Partial<Record<Muscle, number>>;
  hamsPerQuads: number | null;
  adPerAb: number | null;
  calvesPerQuads: number | null;
  notes: Said[];
}

const ratio = (a: number | undefined, b: number | undefined): number | null => (b ? (a ?? 0) / b : null);

/** Hard repetitions by muscle group, and whether front and back, in and out are in balance [own]. Dosing rules G3. */
export function balanceOf(work: readonly { kind: WorkKind; hard: number }[]): Balance {
  const totals: Balance["totals"] = {};
  for (const w of work)
    for (const [muscle, credit] of Object.entries(CREDITS[w.kind]) as [Muscle, number][])
      totals[muscle] = (totals[muscle] ?? 0) + credit * w.hard;
  const hamsPerQuads = ratio(totals.hams, totals.quads);
  const adPerAb = ratio(totals.adductors, totals.abductors);
  const calvesPerQuads = ratio(totals.calves, totals.quads);
  const notes: Said[] = [];
  const outside = (x: number | null, low: number, high: number) => x !== null && (x < low || x > high);
  if (outside(hamsPerQuads, 0.6, 1.5)) notes.push({ code: "order.front_back" });
  if (outside(adPerAb, 0.6, 1.7)) notes.push({ code: "order.in_out" });
  if (calvesPerQuads !== null && calvesPerQuads < 0.3) notes.push({ code: "order.few_calves" });
  return { totals, hamsPerQuads, adPerAb, calvesPerQuads, notes };
}
