import { hamstringQuadriceps } from "../strength/hamstringQuadriceps";
import { TYPICAL_ERROR_PCT, torqueErrorShare } from "../strength/measurementError";
import { MOVEMENTS, type Movement, movement } from "../strength/movements";
import { isSameAngle } from "../strength/sameAngle";
import { limbSymmetry } from "../strength/symmetry";
import { dayInWords } from "../units/dayInWords";
import type { Side } from "../units/fields";
import { kgWords } from "../units/mass";
import { saidWith } from "../units/said";
import type { Computed } from "../units/working/working";
import { type DatedStrength, pairedStrength } from "./findings";

export interface StrengthSummary {
  movement: Movement;
  /** one side as a share of the other */
  symmetry: Computed | null;
  /** of the involved side, newest test */
  perBodyMass: Computed | null;
  /** what the symmetry compares, or the newest test of each side that was tested */
  sides: SideTorque[];
  /** the involved side at the newest test's angle, oldest first */
  history: number[];
}

/** Torque of one side with the half-width of its 95 % interval. */
export interface SideTorque {
  side: Side;
  torqueNm: number;
  doubtNm: number;
}

/** Symmetry and torque per body mass of every movement that was tested, each with its doubt and working. */
export function strengthSummary(
  tests: readonly DatedStrength[],
  involved: Side,
  bodyMassKg: number,
): StrengthSummary[] {
  return movement.options
    .filter((m) => tests.some((t) => t.movement === m))
    .map((m) => ({
      movement: m,
      symmetry: symmetryOf(tests, m, involved),
      perBodyMass: perBodyMass(tests, m, involved, bodyMassKg),
      sides: sidesOf(tests, m, involved),
      history: historyOf(tests, m, involved),
    }));
}

const otherOf = (side: Side): Side => (side === "left" ? "right" : "left");

function sidesOf(tests: readonly DatedStrength[], m: Movement, involved: Side): SideTorque[] {
  const pair = pairedStrength(tests, m, involved);
  const found = pair
    ? [
        { side: involved, torqueNm: pair.involvedNm, isReliable: pair.isReliable },
        { side: otherOf(involved), torqueNm: pair.otherNm, isReliable: pair.isReliable },
      ]
    : [involved, otherOf(involved)].flatMap((side) => {
        const last = newest(tests.filter((t) => t.movement === m && t.side === side));
        return last ? [{ side, torqueNm: last.torqueNm, isReliable: last.isReliable }] : [];
      });
  return found
    .map(({ side, torqueNm, isReliable }) => ({
      side,
      torqueNm,
      doubtNm: torqueNm * torqueErrorShare(isReliable),
    }))
    .sort((a, b) => a.side.localeCompare(b.side));
}

function historyOf(tests: readonly DatedStrength[], m: Movement, involved: Side): number[] {
  const own = tests.filter((t) => t.movement === m && t.side === involved);
  const last = newest(own);
  return last
    ? own
        .filter((t) => isSameAngle(t.kneeFlexionDeg, last.kneeFlexionDeg))
        .sort((a, b) => a.takenOn.localeCompare(b.takenOn))
        .map((t) => t.torqueNm)
    : [];
}

function symmetryOf(tests: readonly DatedStrength[], m: Movement, involved: Side): Computed | null {
  const pair = pairedStrength(tests, m, involved);
  const found = pair && limbSymmetry(pair.involvedNm, pair.otherNm);
  if (!pair || !found) return null;
  return {
    value: found.lsiPct,
    unit: "%",
    doubt: found.highPct - found.lsiPct,
    origin: "estimated",
    working: {
      formulaId: "strength.symmetry",
      formula: saidWith("work.symmetry_formula", {
        name: MOVEMENTS[m].name,
        side: involved,
        deg: pair.kneeFlexionDeg,
      }),
      inputs: [
        {
          name: involved,
          value: `${pair.involvedNm.toFixed(0)} N·m`,
          origin: "measured",
          from: dayInWords(pair.on),
        },
        {
          name: { code: "work.other_side" },
          value: `${pair.otherNm.toFixed(0)} N·m`,
          origin: "measured",
          from: { code: "work.highest" },
        },
        { name: { code: "work.typical_error" }, value: `${TYPICAL_ERROR_PCT} %`, origin: "default" },
      ],
      source: { code: "work.symmetry_source" },
      confidence: "medium",
      cannotTell: pair.isReliable ? { code: "work.symmetry_cannot" } : { code: "work.trials_one" },
    },
  };
}

const newest = (tests: readonly DatedStrength[]): DatedStrength | undefined =>
  [...tests].sort((a, b) => b.takenOn.localeCompare(a.takenOn))[0];

function perBodyMass(
  tests: readonly DatedStrength[],
  m: Movement,
  involved: Side,
  bodyMassKg: number,
): Computed | null {
  const last = newest(tests.filter((t) => t.movement === m && t.side === involved));
  if (!last) return null;
  const value = last.torqueNm / bodyMassKg;
  return {
    value,
    unit: "N·m/kg",
    doubt: value * torqueErrorShare(last.isReliable),
    origin: "measured",
    working: {
      formulaId: "strength.per-body-mass",
      formula: saidWith("work.per_mass", { deg: last.kneeFlexionDeg }),
      inputs: [
        {
          name: "torque",
          value: `${last.torqueNm.toFixed(0)} N·m`,
          origin: "measured",
          from: dayInWords(last.takenOn),
        },
        { name: { code: "work.body_mass" }, value: kgWords(bodyMassKg), origin: "entered" },
      ],
      source: "definition",
      confidence: "high",
      cannotTell: { code: "work.per_mass_cannot" },
    },
  };
}

export interface RatioSummary {
  side: Side;
  kneeFlexionDeg: number;
  ratio: Computed;
  band: "low" | "usual" | "quadriceps_first";
}

/** Hamstring-to-quadriceps ratio of each side at an angle where both were tested; the newest such pair. */
export function ratioSummary(tests: readonly DatedStrength[]): RatioSummary[] {
  return (["left", "right"] as const).flatMap((side) => {
    const own = tests.filter((t) => t.side === side);
    const hamstrings = own
      .filter((t) => t.movement === "knee_flexion")
      .sort((a, b) => b.takenOn.localeCompare(a.takenOn));
    for (const h of hamstrings) {
      const q = newest(
        own.filter((t) => t.movement === "knee_extension" && isSameAngle(t.kneeFlexionDeg, h.kneeFlexionDeg)),
      );
      const found = q && hamstringQuadriceps(h.torqueNm, q.torqueNm);
      if (!q || !found) continue;
      const doubt = found.ratio * Math.hypot(torqueErrorShare(h.isReliable), torqueErrorShare(q.isReliable));
      return [
        {
          side,
          kneeFlexionDeg: h.kneeFlexionDeg,
          band: found.band,
          ratio: {
            value: found.ratio,
            unit: "",
            doubt,
            origin: "estimated",
            working: {
              formulaId: "strength.hamstring-quadriceps",
              formula: saidWith("work.ratio_formula", { side, deg: h.kneeFlexionDeg }),
              inputs: [
                {
                  name: "flexion",
                  value: `${h.torqueNm.toFixed(0)} N·m`,
                  origin: "measured",
                  from: dayInWords(h.takenOn),
                },
                {
                  name: "extension",
                  value: `${q.torqueNm.toFixed(0)} N·m`,
                  origin: "measured",
                  from: dayInWords(q.takenOn),
                },
              ],
              source: { code: "work.ratio_source" },
              confidence: "medium",
              cannotTell: { code: "work.ratio_cannot" },
            },
          },
        },
      ];
    }
    return [];
  });
}
