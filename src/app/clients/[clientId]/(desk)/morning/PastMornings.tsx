import { SWELLING_WORDS } from "@/core/units/fields";
import { shortDay } from "@/ui/dates";

interface PastMorning {
  id: string;
  day: string;
  sheet: string;
  worst: number | null;
  end: number | null;
  morning: number | null;
  swelling: number | null;
}

/** The visits before, newest first: joint pain in the sets, at the end and the morning after. */
export function PastMornings({
  past,
  usualPain,
  showSwelling,
  locale,
}: {
  past: PastMorning[];
  usualPain: number;
  showSwelling: boolean;
  locale: string;
}) {
  return (
    <>
      <h2 className="text-[17px]">
        Mornings so far <span className="quiet text-[15px] font-normal">usual pain {usualPain}</span>
      </h2>
      <table className="mt-2 w-full">
        <thead>
          <tr className="small quiet text-right">
            <th className="py-1 text-left font-normal">visit</th>
            <th className="py-1 font-normal">worst</th>
            <th className="py-1 font-normal">end</th>
            <th className="py-1 font-normal">morning</th>
            {showSwelling && <th className="py-1 font-normal">swelling</th>}
          </tr>
        </thead>
        <tbody>
          {past.map((p) => (
            <tr key={p.id} className="border-t border-rule text-right">
              <td className="py-1.5 text-left">
                {shortDay(p.day, locale)} <span className="small quiet">{p.sheet}</span>
              </td>
              <td>{p.worst ?? "–"}</td>
              <td>{p.end ?? "–"}</td>
              <td className="font-bold">
                {p.morning ?? "–"}
                {p.morning !== null && p.morning > usualPain && (
                  <span className="small font-normal text-accent"> +{p.morning - usualPain}</span>
                )}
              </td>
              {showSwelling && <td>{p.swelling === null ? "–" : SWELLING_WORDS[p.swelling]}</td>}
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}
