"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import type { CsvField, CsvMapping } from "@/core/exchange/csv/fields";
import type { TableHead } from "@/server/exchange/plansOf";
import { Problem } from "@/ui/form/Problem";
import { send } from "@/ui/send";
import { columnWords } from "@/words/en/files/exchange";

/** What stands in which column of a table, with its first lines beside it, before anything is written. */
export function Columns({
  importId,
  fields,
  head,
  mapping,
}: {
  importId: string;
  fields: readonly CsvField[];
  head: TableHead;
  mapping: CsvMapping;
}) {
  const router = useRouter();
  const [chosen, setChosen] = useState(mapping);
  const [problem, setProblem] = useState<string | null>(null);
  const isChanged = fields.some((f) => (chosen[f.key] ?? null) !== (mapping[f.key] ?? null));
  const save = async () => {
    const sent = await send(`/api/imports/${importId}/mapping`, { mapping: chosen });
    if (sent.ok) router.refresh();
    else setProblem(sent.problems[0]?.sentence ?? null);
  };
  return (
    <section>
      <h2 className="text-[19px]">
        What stands in which column{" "}
        <span className="small quiet font-normal">{head.lines} lines under the header</span>
      </h2>
      <table className="mt-1 text-left">
        <thead>
          <tr className="small quiet border-b border-rule">
            <th className="py-1 font-normal">Bexlo reads</th>
            <th className="py-1 font-normal">from the column</th>
            <th className="py-1 pl-4 font-normal">the first lines say</th>
          </tr>
        </thead>
        <tbody>
          {fields.map((f) => {
            const at = chosen[f.key] ?? null;
            return (
              <tr key={f.key} className="border-b border-rule">
                <td className="py-1 pr-4">
                  <label htmlFor={`column-${f.key}`}>
                    {columnWords(f.key)}
                    {f.isNeeded && <span className="small quiet">, needed</span>}
                  </label>
                </td>
                <td className="py-1">
                  <select
                    id={`column-${f.key}`}
                    className={`select select-sm w-[230px] ${f.isNeeded && at === null ? "border-error" : ""}`}
                    value={at ?? ""}
                    onChange={(e) =>
                      setChosen({ ...chosen, [f.key]: e.target.value === "" ? null : Number(e.target.value) })
                    }
                  >
                    <option value="">not in this file</option>
                    {head.headers.map((h, i) => (
                      // biome-ignore lint/suspicious/noArrayIndexKey: columns in their order
                      <option key={i} value={i}>
                        {h || `column ${i + 1}`}
                      </option>
                    ))}
                  </select>
                </td>
                <td className="small quiet py-1 pl-4">
                  {at === null
                    ? ""
                    : head.first
                        .map((l) => l[at])
                        .filter(Boolean)
                        .slice(0, 3)
                        .join(" · ")}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      <Problem sentence={problem} />
      {isChanged && (
        <button type="button" className="btn btn-sm btn-primary mt-3" onClick={() => void save()}>
          Look through it with these columns
        </button>
      )}
    </section>
  );
}
