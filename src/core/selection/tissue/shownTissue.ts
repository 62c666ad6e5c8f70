import { TISSUE_IDS, type Tissue } from "./tissues";

/**
 * The tissue whose load is shown when nobody chose one: the one that matters for what hurts, unless nothing here loads it
 * at all; then the next that something loads. `isFlat` answers whether every row leaves a tissue alone. Where all are
 * flat the first stays.
 */
export function shownTissue(
  first: Tissue,
  isFlat: (tissue: Tissue) => boolean,
): { tissue: Tissue; flat: Tissue[] } {
  const flat: Tissue[] = [];
  for (const tissue of [first, ...TISSUE_IDS.filter((t) => t !== first)]) {
    if (!isFlat(tissue)) return { tissue, flat };
    flat.push(tissue);
  }
  return { tissue: first, flat: [first] };
}
