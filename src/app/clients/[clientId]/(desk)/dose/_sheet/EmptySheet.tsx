import { asKept, type Said as SaidOf } from "@/core/units/said";
import { Said } from "@/ui/reader";

/** A sheet without lines: what to do, and what a draft that made none has to say. */
export function EmptySheet({ madeNotes }: { madeNotes: readonly SaidOf[] }) {
  return (
    <div className="mt-6 max-w-[60ch]">
      <p>
        Nothing stands here yet. Draft a sheet from the rules, add an exercise, or take one over from Choose;
        only what fits today's limits can be added.
      </p>
      {madeNotes.map((n) => (
        <p key={asKept(n)} className="mt-2 border-l-4 border-accent pl-3" role="status">
          <Said>{n}</Said>
        </p>
      ))}
    </div>
  );
}
