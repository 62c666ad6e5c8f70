import { exerciseById } from "@/core/rules/exercises";
import type { SwapReason } from "@/core/selection/swap/swap";
import type { StoredSwap } from "@/server/choice/swaps";
import { SWAP_REASONS } from "@/words/en/plan/swap";

const name = (id: string): string => exerciseById(id)?.name ?? id;

/** Swaps of this episode; the same one twice running is marked for the therapist. */
export function PastSwaps({ swaps, locale }: { swaps: StoredSwap[]; locale: string }) {
  if (swaps.length === 0) return null;
  const day = new Intl.DateTimeFormat(locale, {
    day: "numeric",
    month: "short",
    hour: "2-digit",
    minute: "2-digit",
  });
  return (
    <section className="mt-6">
      <h2 className="text-[16px]">Swapped before</h2>
      <ul className="text-[14px]">
        {swaps.map((s, i) => {
          const before = swaps.slice(i + 1).find((x) => x.planned === s.planned);
          const again = before !== undefined && before.chosen === s.chosen && before.why === s.why;
          return (
            <li key={s.id} className="border-t border-rule py-1">
              <span className="quiet">
                {day.format(s.at)}, {s.by}:
              </span>{" "}
              {name(s.planned)} → <b>{s.chosen ? name(s.chosen) : "left out"}</b>, because of{" "}
              {SWAP_REASONS[s.why as SwapReason] ?? s.why}
              {s.pain !== null && ` (pain ${s.pain})`}
              {s.words && `: ${s.words}`}
              {again && <span className="text-accent"> · the same twice running: look at the plan</span>}
            </li>
          );
        })}
      </ul>
    </section>
  );
}
