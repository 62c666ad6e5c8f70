"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { daysAfter } from "@/core/units/days";
import { longDay } from "@/ui/dates";
import { Problem } from "@/ui/form/Problem";
import { ScoreKeys } from "@/ui/pain/ScoreKeys";
import { useSendOnce } from "@/ui/useSendOnce";

const BACK = Array.from({ length: 15 }, (_, i) => i);

/** What the client ticked on paper, entered day by day; it counts as a visit of that day. */
export function EnterTicks({
  clientId,
  sheetId,
  today,
  locale,
  lines,
}: {
  clientId: string;
  sheetId: string;
  today: string;
  locale: string;
  lines: readonly { lineId: string; name: string }[];
}) {
  const router = useRouter();
  const [on, setOn] = useState(daysAfter(today, -1));
  const [ticked, setTicked] = useState<readonly string[]>(lines.map((l) => l.lineId));
  const [pain, setPain] = useState<number | null>(null);
  const [after, setAfter] = useState<number | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [said, setSaid] = useState("");
  const sendOnce = useSendOnce();
  const enter = async () => {
    if (pain === null || after === null) return setProblem("Choose the pain in it and afterwards.");
    const sent = await sendOnce(`/api/clients/${clientId}/ticks-of-paper`, (id) => ({
      id,
      sheetId,
      on,
      lineIds: ticked,
      pain,
      painAtEnd: after,
    }));
    if (!sent.ok) return setProblem(sent.problems[0]?.sentence ?? "Nothing was entered.");
    setProblem(null);
    setSaid(`${longDay(on, locale)} is entered. The morning after it is asked in Morning.`);
    router.refresh();
  };
  return (
    <section
      data-theme="paper"
      className="mt-8 border-t-2 border-rule bg-base-100 pt-4 text-base-content print:hidden"
    >
      <h2 className="text-[19px]">Enter the ticks of a day</h2>
      <div className="mt-2 grid gap-3">
        <label className="flex items-center gap-3">
          day
          <select className="select select-sm w-[220px]" value={on} onChange={(e) => setOn(e.target.value)}>
            {BACK.map((n) => {
              const day = daysAfter(today, -n);
              return (
                <option key={day} value={day}>
                  {longDay(day, locale)}
                </option>
              );
            })}
          </select>
        </label>
        <fieldset className="flex flex-wrap gap-x-5 gap-y-1">
          <legend className="sr-only">What was ticked</legend>
          {lines.map((l) => (
            <label key={l.lineId} className="flex items-center gap-2">
              <input
                type="checkbox"
                className="checkbox checkbox-sm border-base-content/60"
                checked={ticked.includes(l.lineId)}
                onChange={(e) =>
                  setTicked(e.target.checked ? [...ticked, l.lineId] : ticked.filter((x) => x !== l.lineId))
                }
              />
              {l.name}
            </label>
          ))}
        </fieldset>
        <ScoreKeys label="Joint pain in it" value={pain} onPick={setPain} />
        <ScoreKeys label="Joint pain afterwards" value={after} onPick={setAfter} />
        <Problem sentence={problem} />
        <p className="flex items-baseline gap-4">
          <button type="button" className="btn btn-primary" onClick={enter}>
            Enter this day
          </button>
          <span aria-live="polite">{said}</span>
        </p>
      </div>
    </section>
  );
}
