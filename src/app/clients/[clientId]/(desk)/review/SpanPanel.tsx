import type { SpanNumbers } from "@/core/review/span";
import { shortDay } from "@/ui/dates";
import { Said, SaidAll, useSay } from "@/ui/reader";
import { Opens } from "@/ui/working/Figure";
import { decisionsWords } from "@/words/en/numbers/review";

/** A span in numbers: first and last of every row in it, and what was decided. */
export function SpanPanel({
  title,
  numbers: n,
  locale,
}: {
  title: string;
  numbers: SpanNumbers;
  locale: string;
}) {
  const say = useSay();
  const decided = decisionsWords(n.decisions);
  return (
    <section className="mt-3" aria-label={title}>
      <h2 className="text-[17px]">
        {title}{" "}
        <span className="small quiet font-normal">
          {n.visits} {n.visits === 1 ? "visit" : "visits"}
          {n.planned > 0 && `; ${n.kept} of ${n.planned} planned days kept`}
        </span>
      </h2>
      {n.lines.length === 0 ? (
        <p className="small quiet">Nothing was written in these days.</p>
      ) : (
        <table className="mt-1 w-full text-left">
          <thead>
            <tr className="small quiet">
              <th className="font-normal">
                <span className="sr-only">what</span>
              </th>
              <th className="px-2 font-normal">first</th>
              <th className="font-normal">last</th>
            </tr>
          </thead>
          <tbody>
            {n.lines.map((l) => (
              <tr key={l.id} className="border-t border-rule align-top">
                <td className="py-1 leading-tight">
                  <Said>{l.name}</Said>
                  {l.note.length > 0 && (
                    <span className="block text-[12px] quiet">
                      <SaidAll of={l.note} />
                    </span>
                  )}
                </td>
                <td className="whitespace-nowrap px-2 py-1">
                  {l.last !== null && (
                    <Opens label={`${say(l.name)}, first`} computed={l.firstOf} digits={l.digits}>
                      <Said>{l.first}</Said>
                    </Opens>
                  )}
                </td>
                <td className="whitespace-nowrap py-1 font-bold">
                  <Opens label={`${say(l.name)}, last`} computed={l.lastOf} digits={l.digits}>
                    <Said>{l.last ?? l.first}</Said>
                  </Opens>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {decided && (
        <>
          <h3 className="mt-3 text-[15px]">Decided in it</h3>
          <p className="small">{decided}</p>
          {n.overridden.map((d) => (
            <p key={`${d.on} ${d.lineId}`} className="small border-t border-rule py-1">
              <b>{shortDay(d.on, locale)}</b> {d.line}: not the draft; {d.by}:{" "}
              {d.reason ?? "no reason written"}
            </p>
          ))}
        </>
      )}
    </section>
  );
}
