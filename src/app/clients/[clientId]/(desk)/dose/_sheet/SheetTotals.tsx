import type { ScoreTotals } from "@/core/sheet/order/sessionScore";
import { Term } from "@/ui/help/Term";

/** How long a run of the sheet takes, and how many sets of it make stronger. */
export function SheetTotals({ totals }: { totals: ScoreTotals }) {
  return (
    <p>
      <b className="display text-[19px]">{Math.ceil(totals.seconds / 60)}</b> min with warm-up ·{" "}
      <b className="display text-[19px]">{totals.perItem.reduce((sum, t) => sum + t.effective, 0)}</b>{" "}
      <span className="small quiet">
        <Term id="effective">effective sets</Term>
      </span>
    </p>
  );
}
