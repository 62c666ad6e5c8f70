import { useState } from "react";
import type { PainAt, PainRegion } from "@/core/units/painRegion";

/** Pain of the set under way in other regions than the joint, before it is rated. */
export interface Elsewhere {
  said: PainAt[];
  painIn: (region: PainRegion) => number | null;
  say: (region: PainRegion, pain: number) => void;
  /** a region that nobody follows, asked for this set */
  added: PainRegion | null;
  add: (region: PainRegion | null) => void;
}

type Said = Partial<Record<PainRegion, number>>;

/** `of`: which set it is, null between sets: what was said of one is not said of the next. */
export function useElsewhere(of: string | null): Elsewhere {
  const [kept, setKept] = useState<{ of: string | null; said: Said; added: PainRegion | null }>({
    ...{ of, said: {}, added: null },
  });
  const { said, added } = kept.of === of ? kept : { said: {} as Said, added: null };
  return {
    said: (Object.entries(said) as [PainRegion, number][]).map(([region, pain]) => ({ region, pain })),
    painIn: (region) => said[region] ?? null,
    say: (region, pain) => setKept({ of, said: { ...said, [region]: pain }, added }),
    added,
    add: (region) => setKept({ of, said, added: region }),
  };
}
