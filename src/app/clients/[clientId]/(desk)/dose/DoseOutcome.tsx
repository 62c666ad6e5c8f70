"use client";
import type { DosedHold } from "@/core/dose/doseHold";
import { half } from "@/core/dose/holdFeasibility";
import type { Means } from "@/core/dose/holdPlan";
import type { MeansResult } from "@/core/dose/settingsByMeans";
import { formatMass, type MassUnit } from "@/core/units/mass";
import type { Computed } from "@/core/units/working";
import { Figure } from "@/ui/working/Figure";
import type { PlanForm } from "./planForm";

const MEANS_WORDS: Record<Means, string> = { machine: "machine", cuff: "ankle cuff", strap: "strap" };

/** What to set, by each means, and what the chosen one really achieves. */
export function DoseOutcome({
  outcome,
  form,
  onMeans,
  massUnit,
  disabled,
  setUp,
}: {
  outcome: DosedHold | null;
  form: PlanForm;
  onMeans: (means: Means) => void;
  massUnit: MassUnit;
  disabled: boolean;
  setUp: string;
}) {
  if (!outcome)
    return <p className="mt-4 border-t border-rule pt-3">Mend the marked fields to see what to set.</p>;
  const chosen = outcome.byMeans[form.means];
  return (
    <section className="mt-3 border-t border-rule pt-3">
      <fieldset>
        <legend className="small quiet">set it with</legend>
        {(["machine", "cuff", "strap"] as const).map((means) => {
          const result = outcome.byMeans[means];
          return (
            <label key={means} className="flex items-baseline gap-2 py-0.5">
              <input
                type="radio"
                name="means"
                className="radio radio-primary radio-xs"
                checked={form.means === means}
                disabled={disabled}
                onChange={() => onMeans(means)}
              />
              <span className="w-20">{MEANS_WORDS[means]}</span>
              <span className={`small ${result.possible ? "" : "quiet"}`}>
                {result.possible ? settingWords(result, massUnit) : result.short}
              </span>
            </label>
          );
        })}
      </fieldset>
      {chosen.possible && outcome.achieved ? (
        <>
          <p className="mt-2">
            <span className="display text-[26px]" data-testid="setting">
              {chosen.how}
            </span>{" "}
            {chosen.loadKg !== null && <b>{formatMass(chosen.loadKg, massUnit)}</b>}
          </p>
          {form.means === "machine" && <p className="small quiet">{setUp}</p>}
          <div className="mt-2 grid grid-cols-2 gap-x-4 gap-y-2">
            <Figure
              label="knee holds"
              computed={achievedTorque(outcome, chosen)}
              under={`aim ${outcome.targetTorque.value.toFixed(0)}, ${signed(chosen.errorPct)} %`}
            />
            <Figure
              label="it can at this angle"
              computed={outcome.capacity}
              under={`so ${(outcome.achieved.shareOfMax * 100).toFixed(0)} % of its maximum`}
            />
            <Figure
              label="shin is pushed with"
              computed={shinForce(outcome, chosen)}
              under="across the shin"
            />
            <Figure label="wanted torque" computed={outcome.targetTorque} under={enduranceWords(outcome)} />
          </div>
        </>
      ) : (
        <p className="mt-2 border-l-4 border-accent pl-3">{chosen.possible ? "" : chosen.why}</p>
      )}
    </section>
  );
}

const signed = (x: number): string => `${x >= 0 ? "+" : "−"}${Math.abs(x).toFixed(0)}`;

function settingWords(r: Extract<MeansResult, { possible: true }>, unit: MassUnit): string {
  const mass = r.loadKg === null ? `pull ${r.shinForceN.toFixed(0)} N` : formatMass(r.loadKg, unit);
  return `${r.how}, ${mass}, ${signed(r.errorPct)} %`;
}

function enduranceWords(o: DosedHold): string {
  const share = o.achieved?.enduranceShare;
  if (share === null || share === undefined) return "local endurance is no limit";
  return `uses ${Math.min(9.9, share).toFixed(1)} of its endurance`;
}

function achievedTorque(o: DosedHold, r: Extract<MeansResult, { possible: true }>): Computed {
  return {
    value: r.torqueNm,
    unit: "N·m",
    doubt: r.frictionDoubtNm || null,
    origin: "estimated",
    working: {
      formulaId: "dose.achieved-torque",
      formula: "torque of the real setting at this angle + the lower leg's own weight",
      inputs: [
        { name: "setting", value: r.how, origin: "entered", from: "real step of the machine" },
        {
          name: "outside torque",
          value: `${(r.torqueNm - o.limbTorqueNm).toFixed(0)} N·m`,
          origin: "estimated",
        },
        {
          name: "lower leg's weight",
          value: `${o.limbTorqueNm.toFixed(0)} N·m`,
          origin: "estimated",
          from: "body mass and shank length",
        },
        { name: "felt effort, last hold", value: half(o.achieved?.felt.value ?? 0), origin: "estimated" },
      ],
      source: "lever x cam (mechanics 5.1), Winter's segment fractions",
      confidence: "medium",
      cannotTell: "Friction of the lever and a knee that is not in line with the axis.",
    },
  };
}

function shinForce(o: DosedHold, r: Extract<MeansResult, { possible: true }>): Computed {
  const leverCm = ((r.torqueNm - o.limbTorqueNm) / r.shinForceN) * 100;
  return {
    value: r.shinForceN,
    unit: "N",
    doubt: r.frictionDoubtNm ? (r.frictionDoubtNm / (r.torqueNm - o.limbTorqueNm)) * r.shinForceN : null,
    origin: "estimated",
    working: {
      formulaId: "dose.shin-force",
      formula: "outside torque ÷ distance from the knee",
      inputs: [
        {
          name: "outside torque",
          value: `${(r.torqueNm - o.limbTorqueNm).toFixed(0)} N·m`,
          origin: "estimated",
        },
        {
          name: "effective distance",
          value: `${leverCm.toFixed(0)} cm`,
          origin: "default",
          from: "machine or cuff",
        },
      ],
      source: "definition of torque",
      confidence: "high",
      cannotTell: "How the pad's pressure spreads over the shin.",
    },
  };
}
