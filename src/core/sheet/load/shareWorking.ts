import { spreadFactor } from "../../isometrics/effortConversion";
import { plannedEnduranceS } from "../../isometrics/enduranceTime";
import type { PersonalFactor } from "../../isometrics/personalFactor";
import { dayInWords } from "../../units/dayInWords";
import { kgWords } from "../../units/mass";
import { type Said, saidWith } from "../../units/said";
import type { Computed, Origin } from "../../units/working/working";
import { jointOf } from "../effect/sessionFatigue";
import type { JudgedLine } from "../judge/judgeScore";
import { workKindOf } from "../line/workKind";
import type { LoadBasis } from "./lineSetting";

const FROM: Record<LoadBasis, { said: Said; origin: Origin }> = {
  sets: { said: { code: "work.from_sets" }, origin: "measured" },
  strength_test: { said: { code: "work.from_strength_test" }, origin: "estimated" },
  default_strength: { said: { code: "work.from_default" }, origin: "default" },
  felt: { said: { code: "work.from_felt" }, origin: "estimated" },
};

/** What a line's real load is of what the leg can do, with its working; null where nothing says. */
export function shareComputed({ load, line }: JudgedLine): Computed | null {
  if (!load || load.share === null || !load.setting) return null;
  const isHold = line.scheme.kind === "holds";
  const { basis, oneRepMax, setting, setUp } = load;
  return {
    value: 100 * load.share,
    unit: "%",
    doubt: 196 * load.share * load.shareError * 0.5,
    origin: "estimated",
    working: {
      formulaId: "dose.share",
      formula: isHold ? { code: "work.share_held" } : { code: "work.share_lifted" },
      inputs: [
        {
          name: { code: "work.set" },
          value: `${setting.how}${setting.load > 0 ? `, ${kgWords(setting.load)}` : ""}`,
          origin: "entered",
          from: { code: "work.rounding" },
        },
        ...(setUp
          ? [
              {
                name: { code: "work.largest_moment" },
                value: `${Math.round(setUp.momentNm)} N·m`,
                origin: "estimated" as const,
                from: { code: "work.set_up_model" },
              },
            ]
          : []),
        ...(oneRepMax
          ? [
              {
                name: { code: "work.one_rep_max" },
                value: `${kgWords(oneRepMax.kg, 0)} ± ${Math.round(oneRepMax.error * 100)} %`,
                origin: "estimated" as const,
                from: dayInWords(oneRepMax.takenOn),
              },
            ]
          : []),
        { name: { code: "work.counted_from" }, value: FROM[basis].said, origin: FROM[basis].origin },
        ...(load.wantedShare === null
          ? []
          : [
              {
                name: { code: "work.scheme_wants" },
                value: `${Math.round(load.wantedShare * 100)} %`,
                origin: "entered" as const,
              },
            ]),
      ],
      source: { code: "work.line_source" },
      confidence: basis === "sets" ? "medium" : "low",
      cannotTell: { code: "work.line_cannot" },
    },
  };
}

/** How long one fresh hold of this effort lasts, with its working; null where it is too light to end by the muscle. */
export function enduranceComputed(
  { load, line, exercise }: JudgedLine,
  personal: PersonalFactor,
): Computed | null {
  const kind = exercise && workKindOf(exercise);
  if (line.scheme.kind !== "holds" || !load?.share || !kind) return null;
  const joint = jointOf(kind);
  const value = plannedEnduranceS(joint, load.share, personal.k);
  if (!Number.isFinite(value)) return null;
  const spread = spreadFactor(personal.holds);
  return {
    value,
    unit: "s",
    doubt: value * (spread - 1),
    origin: "estimated",
    working: {
      formulaId: "dose.endurance",
      formula: saidWith("work.endurance", { joint }),
      inputs: [
        {
          name: { code: "work.share_of_strength" },
          value: `${Math.round(load.share * 100)} %`,
          origin: "estimated",
        },
        {
          name: { code: "work.persons_factor" },
          value: personal.k.toFixed(2),
          origin: personal.holds > 0 ? "measured" : "default",
          from:
            personal.holds > 0
              ? saidWith("work.timed_holds", { holds: personal.holds })
              : { code: "work.nobody_timed" },
        },
        { name: { code: "work.spread" }, value: `×/÷ ${spread.toFixed(2)}`, origin: "default" },
      ],
      source: { code: "work.endurance_source" },
      confidence: "medium",
      cannotTell: { code: "work.endurance_cannot" },
    },
  };
}
