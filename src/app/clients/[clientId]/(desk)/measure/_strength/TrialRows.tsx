import { torqueErrorShare } from "@/core/strength/measurementError";
import type { TrialResult } from "@/core/strength/pickTrials";
import type { EvaluatedTrial } from "@/core/strength/testInput";
import { Term } from "@/ui/help/Term";
import { FLAG_SENTENCES } from "@/words/en/strength";

export const ORDINAL = ["first", "second", "third", "fourth"];

/** The trials taken: torque, force, how steady or why it does not count. */
export function TrialRows({
  evaluated,
  pains,
  showing,
  onShow,
  onTakeBack,
}: {
  evaluated: readonly EvaluatedTrial[];
  /** joint pain in each; null: not asked yet */
  pains: readonly (number | null | undefined)[];
  showing: number | null;
  onShow: (index: number) => void;
  onTakeBack: (index: number) => void;
}) {
  return (
    <ol className="mt-2">
      {evaluated.map((t, i) => (
        <li key={t.id} className="flex items-baseline gap-3 border-t border-rule py-1">
          <button
            type="button"
            className={`w-16 cursor-pointer text-left ${i === showing ? "font-bold text-primary" : ""}`}
            onClick={() => onShow(i)}
          >
            {ORDINAL[i]}
          </button>
          <span className="w-20 text-right font-bold">{t.torqueNm?.toFixed(0) ?? "–"} N·m</span>
          <span className="w-16 text-right quiet">{t.forceN?.toFixed(0) ?? "–"} N</span>
          <span className={`small flex-1 ${t.isValid ? "quiet" : "text-accent"}`}>
            {trialWords(t)}
            {typeof pains[i] === "number" && `; joint pain ${pains[i]}`}
          </span>
          <button type="button" className="small cursor-pointer underline" onClick={() => onTakeBack(i)}>
            take back
          </button>
        </li>
      ))}
    </ol>
  );
}

/** The result with its doubt, or what is still missing for one. */
export function ResultWords({
  result,
  what,
}: {
  result: TrialResult | null;
  /** what was tested, in words */
  what: string;
}) {
  if (!result) return <>Two valid trials within 10 % of each other make a result.</>;
  if (result.status === "need-more")
    return (
      <>
        {result.diffPct === null
          ? "One more valid trial is needed."
          : `The two best differ by ${result.diffPct.toFixed(0)} %: one more trial.`}
      </>
    );
  return (
    <>
      {what}: <b className="display text-[22px]">{result.value.toFixed(0)}</b>{" "}
      <b>
        <Term id="newtonMetre">N·m</Term>
      </b>{" "}
      <span className="quiet">± {(result.value * torqueErrorShare(result.status === "ok")).toFixed(0)}</span>{" "}
      <span className="small quiet">
        {result.status === "ok"
          ? `mean of the two best, ${result.diffPct.toFixed(0)} % apart`
          : `unreliable: the best two are ${result.diffPct.toFixed(0)} % apart, the second is taken`}
      </span>
    </>
  );
}

function trialWords(t: EvaluatedTrial): string {
  if (!t.analysis) return "typed in, no trace";
  const flags = t.analysis.flags.map((f) => FLAG_SENTENCES[f]).join("; ");
  const steady =
    t.analysis.variationPct === null ? "" : `varies ${t.analysis.variationPct.toFixed(1)} % on the plateau`;
  if (!t.isValid) return `does not count: ${flags}`;
  return flags ? `${steady}; ${flags}` : steady;
}
