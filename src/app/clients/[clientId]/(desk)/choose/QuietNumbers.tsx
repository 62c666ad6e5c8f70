import type { Body } from "@/core/body/segments";
import type { Exercise } from "@/core/rules/exercises";
import { quietNumbers } from "@/core/selection/setUp/quiet/quietNumbers";
import { useMassUnit } from "@/ui/reader";
import { quietWords } from "@/words/en/plan/setUp";
import { formatFor } from "@/words/format";
import { sayPlainly } from "@/words/say";

/** Work that leaves the knee quiet: the moments of its own joint where there is a model, and what is not known. */
export function QuietNumbers({ e, body }: { e: Exercise; body: Body }) {
  const numbers = quietNumbers(e, body);
  const massUnit = useMassUnit();
  const words = numbers && quietWords(numbers.about, formatFor({ language: "en", massUnit }, sayPlainly));
  return (
    <>
      <p className="mt-2">
        No load at the knee is computed for it, so it has no ridge and no pose. Limits and catalogue decide it
        all the same.
      </p>
      {numbers && (
        <>
          <p className="mt-2">
            <b>What it asks for</b>, {words?.about}:
          </p>
          <table className="mt-1 w-full text-left">
            <thead>
              <tr className="quiet">
                <th scope="col" className="font-normal">
                  <span className="sr-only">where</span>
                </th>
                {words?.columns.map((c) => (
                  <th key={c} scope="col" className="font-normal">
                    {c}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {numbers.rows.map((r) => (
                <tr key={r.deg} className="border-t border-base-300">
                  <th scope="row" className="font-normal">
                    {words?.where(r.deg)}
                  </th>
                  {r.momentsNm.map((nm, i) => (
                    <td key={words?.columns[i]}>
                      <b>{Math.round(Math.abs(nm))} N·m</b>
                    </td>
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
          <p className="quiet mt-1">
            Estimated, held still or moved slowly ({numbers.source}, unverified citation). It cannot tell how
            the trunk is held.
          </p>
        </>
      )}
    </>
  );
}
