import { bandFor } from "@/core/equipment/bands";
import { spreadFactor } from "@/core/isometrics/effortConversion";
import { plannedEnduranceS, shareOfEndurance } from "@/core/isometrics/enduranceTime";
import type { PersonalFactor } from "@/core/isometrics/personalFactor";
import { jointOf, type SetPrediction } from "@/core/sheet/effect/sessionFatigue";
import type { JudgedLine } from "@/core/sheet/judge/judgeScore";
import { setLoads } from "@/core/sheet/judge/setLoads";
import { massBeside } from "@/core/sheet/line/massBeside";
import { workKindOf } from "@/core/sheet/line/workKind";
import { enduranceComputed, shareComputed } from "@/core/sheet/load/shareWorking";
import { loweredByOneLeg } from "@/core/sheet/schemes/kinds/twoUpOneDown";
import type { Scheme } from "@/core/sheet/schemes/scheme";
import { dayInWords } from "@/core/units/dayInWords";
import { formatMass, GRAVITY_M_S2, type MassUnit } from "@/core/units/mass";
import { Opens } from "@/ui/working/Figure";
import { half } from "@/words/en/plan/line";

/** What a fresh hold of this effort lasts by the endurance curve alone, and what share of it one hold takes. */
function EnduranceWords({ judged, personal }: { judged: JudgedLine; personal: PersonalFactor }) {
  const { line, load, exercise } = judged;
  const kind = exercise && workKindOf(exercise);
  if (line.scheme.kind !== "holds" || !load?.share || !kind) return null;
  const joint = jointOf(kind);
  const used = shareOfEndurance(joint, load.share, line.scheme.holdS, personal.k);
  if (used === null)
    return (
      <p className="small quiet">
        So light that local endurance is not what ends it; circulation and patience are.
      </p>
    );
  const lasts = plannedEnduranceS(joint, load.share, personal.k);
  const spread = spreadFactor(personal.holds);
  const working = enduranceComputed(judged, personal);
  return (
    <div className="small quiet">
      A fresh hold lasts about{" "}
      {working ? (
        <Opens label="how long a fresh hold lasts" computed={working}>
          {tens(lasts)} s
        </Opens>
      ) : (
        `${tens(lasts)} s`
      )}{" "}
      ({tens(lasts / spread)} to {tens(lasts * spread)}
      {personal.holds > 0 && ", by own timed holds"}): each takes {Math.round(used * 100)} %.
    </div>
  );
}

const tens = (s: number): number => (s >= 50 ? Math.round(s / 10) * 10 : Math.round(s));

/** The same force as a band's stretch, where a band is what is used. */
function BandWords({ judged }: { judged: JudgedLine }) {
  const setUp = judged.load?.setUp;
  if (!setUp || !judged.exercise?.equipment.includes("band") || setUp.load <= 0) return null;
  const found = bandFor(setUp.load * GRAVITY_M_S2);
  return (
    <p className="small quiet">
      {found
        ? `As a band: ${found.band.name} of ${Math.round(found.band.restLengthM * 100)} cm, stretched by ${Math.round(found.stretchM * 100)} cm. Estimated from usual bands: check yours with the load cell.`
        : "No usual band gives just that inside its stretch: use hands, a strap or another band, with the load cell."}
    </p>
  );
}

/** What one leg takes in lowering of what it lifts alone. */
function OverloadWords({ scheme }: { scheme: Scheme }) {
  if (scheme.kind !== "two_up_one_down") return null;
  const { overloadVsSingle, limit } = loweredByOneLeg(scheme.reps, scheme.reserve);
  return (
    <p className="small quiet">
      Two legs lift, one lowers {Math.round(overloadVsSingle * 100)} % of what it lifts alone
      {overloadVsSingle > 1 ? ": a true overload" : ": no overload yet, fewer repetitions would be"}; the{" "}
      {limit === "lowering_leg" ? "lowering leg" : "lift with two"} sets the limit. Estimated.
    </p>
  );
}

/** What to set, what that really asks, where it comes from and how sure it is. */
export function ToSet({
  judged,
  personal,
  massUnit,
}: {
  judged: JudgedLine;
  personal: PersonalFactor;
  massUnit: MassUnit;
}) {
  const { load, line } = judged;
  if (!load || load.tooHeavyBecause) return null;
  const { setting, setUp } = load;
  if (!setting) return <EnduranceWords judged={judged} personal={personal} />;
  const of = line.scheme.kind === "holds" ? "what it can hold there" : "its one-repetition maximum";
  const share = shareComputed(judged);
  return (
    <div className="mt-1" role="status">
      <div>
        {load.basis === "sets" ? "set " : "start with "}
        <b className="display text-[18px]">{setting.how}</b> {massBeside(setting, massUnit)}
        {load.share !== null && (
          <span className="small quiet">
            {" "}
            {setUp && line.scheme.kind === "holds" ? `${Math.round(setUp.momentNm)} N·m, ` : ""}
            {share ? (
              <Opens label="share of strength" computed={share}>
                {Math.round(load.share * 100)} %
              </Opens>
            ) : (
              `${Math.round(load.share * 100)} %`
            )}{" "}
            of {of}
            {load.wantedShare !== null && load.basis !== "felt"
              ? `; the scheme wants ${Math.round(load.wantedShare * 100)}`
              : ""}
          </span>
        )}
      </div>
      <p className="small quiet">
        {load.basis === "sets" && load.oneRepMax
          ? `Learnt from sets, the last on ${dayInWords(load.oneRepMax.takenOn)}: about ${formatMass(load.oneRepMax.kg, massUnit, 0)} at most, ± ${Math.round(load.oneRepMax.error * 100)} %.`
          : load.basis === "sets"
            ? "Learnt from sets on other machines: the first set tells what it is here."
            : load.basis === "strength_test"
              ? "Estimated from the strength test: the first set tells what it is on this machine."
              : load.basis === "default_strength"
                ? "Nothing of this leg was seen yet: the low end of people like this one stands in, and the first set tells more."
                : setting.load === 0 && !load.setUp
                  ? "The body alone to begin with: what is left after the sets tells what may be added."
                  : "Found by feel: begin with the least."}
        {setting.isHelp && " It is help: less of it is harder, and it falls where loads would rise."}
      </p>
      <BandWords judged={judged} />
      <EnduranceWords judged={judged} personal={personal} />
      <OverloadWords scheme={line.scheme} />
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
  const rising = p.byHold && p.byHold.length > 1 ? `${half(p.byHold[0] as number)} to ` : "";
  const band = p.effort.high - p.effort.low >= 0.5 ? ` (${half(p.effort.low)}–${half(p.effort.high)})` : "";
  const left =
    p.repetitionsLeft === null || p.repetitionsLeft > 5
      ? ""
      : `, ${Math.floor(p.repetitionsLeft)} in reserve`;
  return `${rising}${half(p.effort.value)}${band}${left}`;
}
