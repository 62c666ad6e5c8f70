import type { Fix, OrderNote } from "@/core/sheet/order/sessionScore";
import { asKept } from "@/core/units/said";
import { Popover } from "@/ui/help/Popover";
import { Said } from "@/ui/reader";

const FIX_WORDS: Record<Fix["kind"], string> = {
  warm_up: "put a light start first",
  ramp: "put ramp sets before it",
  move: "move it",
};

/** What there is to say about a line or a muscle, as a mark at it: opened on demand, with what would settle it. */
export function NoteMark({
  notes,
  of,
  onFix = null,
  className = "",
}: {
  notes: readonly Omit<OrderNote, "itemId">[];
  /** what it speaks of */
  of: string;
  /** null: nobody may change anything */
  onFix?: ((fix: Fix) => void) | null;
  className?: string;
}) {
  if (notes.length === 0) return null;
  const many = notes.length === 1 ? "note" : `${notes.length} notes`;
  return (
    <Popover
      trigger={many}
      label={`${many} on ${of}`}
      className={`small cursor-pointer border-b-2 border-mark px-0.5 leading-tight ${className}`}
    >
      {notes.map((n) => (
        <span key={asKept(n.said)} className="mb-2 block last:mb-0">
          <Said>{n.said}</Said>{" "}
          {n.fix && onFix && (
            <button
              type="button"
              className="cursor-pointer font-bold text-primary underline"
              onClick={() => n.fix && onFix(n.fix)}
            >
              {FIX_WORDS[n.fix.kind]}
            </button>
          )}
        </span>
      ))}
    </Popover>
  );
}
