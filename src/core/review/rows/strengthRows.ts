import { type DatedStrength, pairedStrength } from "../../measure/findings";
import {
  minimalDetectableChangePct,
  TYPICAL_ERROR_PCT,
  torqueErrorShare,
} from "../../strength/measurementError";
import { MOVEMENTS, movement } from "../../strength/movements";
import { isSameAngle } from "../../strength/sameAngle";
import { type Clear, limbSymmetry, reaches } from "../../strength/symmetry";
import type { Side } from "../../units/fields";
import { lowerFirst } from "../../units/lowerFirst";
import type { ReviewFacts } from "../facts";
import { type Point, type Row, rowOf } from "../row";

const withError = (t: DatedStrength): Point => {
  const half = t.torqueNm * torqueErrorShare(t.isReliable);
  return {
    on: t.takenOn,
    value: t.torqueNm,
    low: t.torqueNm - half,
    high: t.torqueNm + half,
    inputs: [
      {
        name: "error of one session",
        value: `± ${Math.round(100 * torqueErrorShare(t.isReliable))} %`,
        origin: t.isReliable ? "measured" : "estimated",
      },
    ],
    note: t.isReliable ? "" : "the trials never agreed",
  };
};

/** Strength of both legs at every angle that was tested, each with its error. */
export function strengthRows({ strength, side }: Pick<ReviewFacts, "strength" | "side">): Row[] {
  const sorted = [...strength].sort((a, b) => a.takenOn.localeCompare(b.takenOn));
  return movement.options.flatMap((m) => {
    const own = sorted.filter((t) => t.movement === m);
    const angles = own
      .map((t) => t.kneeFlexionDeg)
      .filter((deg, i, all) => all.findIndex((x) => isSameAngle(x, deg)) === i)
      .sort((a, b) => a - b);
    return angles.map((deg) => {
      const here = own.filter((t) => isSameAngle(t.kneeFlexionDeg, deg));
      const of = (s: Side) => here.filter((t) => t.side === s).map(withError);
      const name = lowerFirst(MOVEMENTS[m].name);
      return rowOf({
        id: `strength ${m} ${Math.round(deg)}`,
        name: m === "knee_extension" || m === "knee_flexion" ? `${name} at ${Math.round(deg)}°` : name,
        how: {
          formula:
            "force × lever arm × sine of the angle of pull, with the shin's own weight; the best of the trials that agree",
          source: "the strength test of that day; docs/rules.md, Strength",
          confidence: "high",
          origin: "measured",
        },
        under: "dot: this leg; diamond: the other; line: error of a session",
        unit: "N·m",
        better: "up",
        least: 0,
        series: [
          { name: `${side}, this leg`, mark: "dot" as const, points: of(side) },
          {
            name: `${side === "left" ? "right" : "left"}, the other`,
            mark: "diamond" as const,
            points: of(side === "left" ? "right" : "left"),
          },
        ].filter((s) => s.points.length > 0),
      });
    });
  });
}

/** Strength of this leg as a share of the other, against what opens the next phase; "cannot tell" where one session cannot. */
export function symmetryRows(f: Pick<ReviewFacts, "strength" | "side" | "criterion">): Row[] {
  return (["knee_extension", "knee_flexion"] as const).flatMap((m) => {
    const wanted = f.criterion[m];
    const days = [
      ...new Set(f.strength.filter((t) => t.movement === m && t.side === f.side).map((t) => t.takenOn)),
    ].sort();
    const points = days.flatMap((on): Point[] => {
      const pair = pairedStrength(
        f.strength.filter((t) => t.takenOn <= on),
        m,
        f.side,
      );
      const found = pair && pair.on === on && limbSymmetry(pair.involvedNm, pair.otherNm);
      if (!found) return [];
      return [
        {
          on,
          value: found.lsiPct,
          low: found.lowPct,
          high: found.highPct,
          inputs: [
            { name: "this leg", value: `${Math.round(pair.involvedNm)} N·m`, origin: "measured" },
            { name: "the other leg", value: `${Math.round(pair.otherNm)} N·m`, origin: "measured" },
          ],
          ...apartOf(wanted === null ? null : reaches(found, wanted)),
        },
      ];
    });
    if (points.length === 0) return [];
    return [
      rowOf({
        id: `symmetry ${m}`,
        name: `${lowerFirst(MOVEMENTS[m].name)}, share of the other leg`,
        how: {
          formula: "this leg ÷ the other leg × 100, both at the same angle",
          source: "docs/rules.md, Strength: limb symmetry with the error of a session",
          confidence: "medium",
          origin: "measured",
          cannotTell: "how strong the other leg is for its body: it may be weak too",
        },
        under: "dot with what one session can tell",
        unit: "%",
        better: "up",
        realChange: minimalDetectableChangePct(TYPICAL_ERROR_PCT) * Math.SQRT2,
        most: 100,
        marks: wanted === null ? [] : [{ value: wanted, words: `${wanted} % opens the next phase` }],
        series: [{ name: "of the other leg", mark: "dot", points }],
      }),
    ];
  });
}

const SAYS: Record<Clear, string> = {
  reached: "clearly at or above",
  below: "clearly below",
  cannot_tell: "cannot tell",
};

/** What one session tells of the wanted share. */
const apartOf = (clear: Clear | null): Pick<Point, "note" | "apart"> => ({
  note: clear ? SAYS[clear] : "",
  ...(clear === "cannot_tell" ? { apart: "open" as const } : {}),
});
