import { spreadFactor } from "../../isometrics/effortConversion";
import { plannedEnduranceS } from "../../isometrics/enduranceTime";
import type { PersonalFactor } from "../../isometrics/personalFactor";
import { dayInWords } from "../../units/dayInWords";
import { kgWords } from "../../units/mass";
import type { Computed, Origin } from "../../units/working/working";
import { jointOf } from "../effect/sessionFatigue";
import type { JudgedLine } from "../judge/judgeScore";
import { workKindOf } from "../line/workKind";
import type { LoadBasis } from "./lineLoad";

const FROM: Record<LoadBasis, { words: string; origin: Origin }> = {
  repetition_test: { words: "one-repetition maximum from a set on this machine", origin: "measured" },
  strength_test: { words: "strength by load cell, 0.85 of it for moving", origin: "estimated" },
  default_strength: { words: "a usual strength, nobody tested this direction", origin: "default" },
  felt: { words: "found by feel", origin: "estimated" },
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
      formula: isHold
        ? "torque of the real setting at the held angle divided by what the leg can hold there"
        : "real load divided by the one-repetition maximum",
      inputs: [
        {
          name: "set",
          value: `${setting.how}${setting.load > 0 ? `, ${kgWords(setting.load)}` : ""}`,
          origin: "entered",
          from: "the step that the rounding rule allows",
        },
        ...(setUp
          ? [
              {
                name: "largest knee moment",
                value: `${Math.round(setUp.momentNm)} N·m`,
                origin: "estimated" as const,
                from: "model of this set-up",
              },
            ]
          : []),
        ...(oneRepMax
          ? [
              {
                name: "one-repetition maximum",
                value: `${kgWords(oneRepMax.kg, 0)} ± ${Math.round(oneRepMax.error * 100)} %`,
                origin: "estimated" as const,
                from: dayInWords(oneRepMax.takenOn),
              },
            ]
          : []),
        { name: "counted from", value: FROM[basis].words, origin: FROM[basis].origin },
        ...(load.wantedShare === null
          ? []
          : [
              {
                name: "the scheme wants",
                value: `${Math.round(load.wantedShare * 100)} %`,
                origin: "entered" as const,
              },
            ]),
      ],
      source: "load of a line (dosing rules D1, D3, E6)",
      confidence: basis === "repetition_test" ? "medium" : "low",
      cannotTell:
        "How it feels today, and what friction and the way of sitting make of it: find it in two light sets.",
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
      formula: `endurance curve of the ${joint} at this share of strength, times the person's own factor`,
      inputs: [
        { name: "share of strength", value: `${Math.round(load.share * 100)} %`, origin: "estimated" },
        {
          name: "person's factor",
          value: personal.k.toFixed(2),
          origin: personal.holds > 0 ? "measured" : "default",
          from: personal.holds > 0 ? `${personal.holds} timed holds` : "nobody was timed",
        },
        { name: "spread between people", value: `×/÷ ${spread.toFixed(2)}`, origin: "default" },
      ],
      source: "Frey-Law and Avin 2010, knee 19.38·f^−1.88 (isometrics)",
      confidence: "medium",
      cannotTell: "What pain, breath and patience make of it; it is about a fresh muscle.",
    },
  };
}
