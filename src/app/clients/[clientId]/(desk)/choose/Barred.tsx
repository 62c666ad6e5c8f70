import type { BarredRow } from "@/core/selection/rank/rangeSheet";
import { Said, SaidAll } from "@/ui/reader";

/** What is kept out, each with every reason and what would open it. */
export function Barred({ rows }: { rows: BarredRow[] }) {
  if (rows.length === 0) return null;
  return (
    <section className="mt-5">
      <h2 className="text-[16px]">
        <span className="text-accent">Kept out today</span>{" "}
        <span className="quiet text-[14px] font-normal">
          {rows.length}, each because of a limit; Limits says who can lift it
        </span>
      </h2>
      <dl className="mt-1 text-[14px]">
        {rows.map((r) => (
          <div
            key={r.e.id}
            className="grid grid-cols-1 lg:grid-cols-[230px_minmax(0,1fr)] gap-4 border-b border-rule py-1"
          >
            <dt className="font-semibold">{r.e.name}</dt>
            <dd>
              because: <SaidAll of={r.reasons} />
              <span className="quiet block">
                {r.opens ? (
                  <Said>{r.opens}</Said>
                ) : (
                  "no later phase of these conditions opens it by itself: a written limit or the exercise's own demand stands"
                )}
              </span>
            </dd>
          </div>
        ))}
      </dl>
    </section>
  );
}
