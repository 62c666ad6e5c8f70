"use client";
import { parseAsString, useQueryState } from "nuqs";
import type { StanceQuestion } from "@/server/explain/sides";
import { MiniRail } from "@/ui/rail/MiniRail";

/** What two schools would do with the same knee on the same day, side by side; what differs is bold. */
export function Sides({ questions }: { questions: StanceQuestion[] }) {
  const [asked, setAsked] = useQueryState("question", parseAsString);
  const q = questions.find((x) => x.id === asked) ?? questions.find(differs) ?? questions[0];
  if (!q) return <p className="mt-6 text-[28px]">On this condition the schools do not differ here.</p>;
  const same = (of: (s: StanceQuestion["sides"][number]) => unknown): boolean =>
    new Set(q.sides.map((s) => JSON.stringify(of(s)))).size === 1;
  const strong = (of: (s: StanceQuestion["sides"][number]) => unknown): string =>
    same(of) ? "quiet" : "font-bold";
  return (
    <>
      <label className="mt-2">
        <span className="sr-only">Question</span>
        <select
          className="select w-[520px] max-w-full text-[17px]"
          value={q.id}
          onChange={(e) => void setAsked(e.target.value)}
        >
          {questions.map((x) => (
            <option key={x.id} value={x.id}>
              {x.question}
              {differs(x) ? "" : " (no difference today)"}
            </option>
          ))}
        </select>
      </label>
      <div className="mt-5 grid grid-cols-2 gap-x-12 gap-y-8">
        {q.sides.map((s) => (
          <section key={s.optionId} className="border-t-2 border-base-content pt-3">
            <h2 className="text-[24px] leading-snug">
              {s.option}{" "}
              {s.isInForce && (
                <span className="font-sans text-[16px] font-normal text-primary">what we do</span>
              )}
            </h2>
            <MiniRail fromDeg={s.window?.fromDeg ?? 0} toDeg={s.window?.toDeg ?? 0} holdDeg={null} />
            <p className={`mt-2 text-[22px] ${strong((x) => x.window)}`}>
              {s.window
                ? `The knee works from ${s.window.fromDeg}° to ${s.window.toDeg}°.`
                : "No angle is open under load."}
            </p>
            <p className={`text-[22px] ${strong((x) => x.painMax)}`}>Joint pain up to {s.painMax} of 10.</p>
            <p className={`text-[22px] ${strong((x) => x.extension)}`}>
              Straightening on the machine: {s.extension}.
            </p>
            <p className={`text-[22px] ${strong((x) => x.exercises)}`}>
              {s.exercises} exercises stay possible.
            </p>
          </section>
        ))}
      </div>
      <p className="quiet mt-6 max-w-[70ch]">
        Good clinicians differ on this. The surgeon's own orders and written limits hold under both.
      </p>
    </>
  );
}

const differs = (q: StanceQuestion): boolean =>
  new Set(
    q.sides.map(({ window, painMax, extension, exercises }) =>
      JSON.stringify([window, painMax, extension, exercises]),
    ),
  ).size > 1;
