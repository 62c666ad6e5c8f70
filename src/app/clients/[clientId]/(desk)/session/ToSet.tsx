import { half } from "@/core/dose/holdFeasibility";
import type { JudgedLine } from "@/core/dose/judgeScore";
import type { SetPrediction } from "@/core/dose/sessionFatigue";
import { setLoads } from "@/core/dose/setLoads";
import { dayInWords } from "@/core/units/dayInWords";

/** What to set, what that really asks, where it comes from and how sure it is. */
export function ToSet({ judged }: { judged: JudgedLine }) {
  const { load, line } = judged;
  const setUp = load?.setUp;
  if (!load || !setUp || load.tooHeavyBecause) return null;
  const isReversed = setUp.chosen.family.isReversed;
  const of = line.scheme.kind === "holds" ? "what it can hold here" : "one repetition at most";
  return (
    <div className="mt-1" role="status">
      <p>
        {load.basis === "repetition test" ? "set " : "start with "}
        <b className="display text-[18px]">{setUp.how}</b>
        {load.share !== null && (
          <span className="small quiet">
            {" "}
            {Math.round(load.share * 100)} % of {of}
            {load.wantedShare !== null && load.basis !== "felt"
              ? `, ${Math.round(load.wantedShare * 100)} wanted`
              : ""}
          </span>
        )}
      </p>
      <p className="small quiet">
        {load.basis === "repetition test" && load.oneRepMax
          ? `From the repetition test of ${dayInWords(load.oneRepMax.takenOn)}: about ${Math.round(load.oneRepMax.kg)} kg at most, ± ${Math.round(load.oneRepMax.error * 100)} %.`
          : load.basis === "strength test"
            ? "Estimated from the strength test: find the real load in two light sets. The step at or below is chosen."
            : load.basis === "default strength"
              ? "This direction was not tested: a default strength stands in. Find the real load in two light sets."
              : "Found by feel: begin with the least."}
        {isReversed && " It is help: less of it is harder, and it falls where loads would rise."}
      </p>
    </div>
  );
}

/** The sets one under the other: what is set, repetitions or holds, how it is predicted to feel. */
export function SetList({
  judged,
  predictions,
}: {
  judged: JudgedLine;
  predictions: readonly SetPrediction[];
}) {
  const loads = setLoads(judged);
  if (judged.sets.length === 0) return null;
  return (
    <table className="small mt-2 w-full">
      <caption className="sr-only">Sets of this line</caption>
      <thead>
        <tr className="quiet text-left">
          <th className="font-normal">set</th>
          <th className="font-normal">with</th>
          <th className="font-normal">does</th>
          <th className="text-right font-normal">felt, predicted</th>
        </tr>
      </thead>
      <tbody>
        {judged.sets.map((s, i) => {
          const p = predictions.find((x) => x.set === i && x.leg !== "second");
          const does = s.holds ? `${s.holds.reps} × ${s.holds.holdS} s` : `${s.reps}`;
          return (
            // biome-ignore lint/suspicious/noArrayIndexKey: a set is its place in the order
            <tr key={i} className="border-t border-rule">
              <td>
                {s.role === "ramp" ? "ramp" : i + 1 - judged.sets.filter((x) => x.role === "ramp").length}
              </td>
              <td>{loads[i]?.how ?? (s.loadShare === 1 ? "" : `${Math.round(s.loadShare * 100)} %`)}</td>
              <td>{does}</td>
              <td className="text-right">{p ? feltWords(p) : ""}</td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

function feltWords(p: SetPrediction): string {
  if (p.endsAt)
    return "repetition" in p.endsAt
      ? `ends at ${p.endsAt.repetition}`
      : `hold ${p.endsAt.hold} ends at ${Math.floor(p.endsAt.second)} s`;
  const band = p.effort.high - p.effort.low >= 0.5 ? ` (${half(p.effort.low)}–${half(p.effort.high)})` : "";
  return `${half(p.effort.value)}${band}`;
}
