import type { KeptLine } from "../line/keptLine";
import type { JudgedLine } from "./judgeScore";

const isOpen = (kg: number, open: { least: number; most: number }): boolean =>
  kg >= open.least - 1e-6 && kg <= open.most + 1e-6;

/**
 * A kept line under the bounds of the day: what bounds its load may have become stricter since it was saved. Sets that
 * are above it are done with what the day leaves, and with nothing harder; all else stays as kept (docs/rules.md, K15).
 */
export function keptToday(kept: KeptLine, judged: JudgedLine | undefined): KeptLine {
  const open = judged?.load?.open;
  const loads = judged?.load?.setting?.loads ?? [];
  if (!open || loads.length === 0) return kept;
  const left = loads.filter((l) => isOpen(l.load, open));
  const hardest = kept.isHelp ? left[0] : left.at(-1);
  if (!hardest || kept.sets.every((s) => s.loadKg === null || isOpen(s.loadKg, open))) return kept;
  return {
    ...kept,
    sets: kept.sets.map((s) =>
      s.loadKg === null || isOpen(s.loadKg, open)
        ? s
        : { ...s, loadKg: hardest.load, how: hardest.how, ...(s.how && { aboveToday: s.how }) },
    ),
    lighter: kept.lighter.filter((l) => isOpen(l.loadKg, open)),
    offers: kept.offers && { ...kept.offers, loads: kept.offers.loads.filter((l) => isOpen(l.loadKg, open)) },
  };
}
