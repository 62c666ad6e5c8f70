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
import { type Said, saidWith } from "../../units/said";
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
        name: { code: "review.session_error" },
        value: `± ${Math.round(100 * torqueErrorShare(t.isReliable))} %`,
        origin: t.isReliable ? "measured" : "estimated",
      },
    ],
    note: t.isReliable ? [] : [{ code: "review.never_agreed" }],
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
      const { name } = MOVEMENTS[m];
      return rowOf({
        id: `strength ${m} ${Math.round(deg)}`,
        name: saidWith("review.strength", {
          name,
          deg: m === "knee_extension" || m === "knee_flexion" ? Math.round(deg) : null,
        }),
        how: {
          formula: { code: "review.strength_formula" },
          source: { code: "review.strength_source" },
          confidence: "high",
          origin: "measured",
        },
        under: { code: "review.strength_under" },
        unit: "N·m",
        better: "up",
        least: 0,
        series: [
          {
            key: "own",
            name: saidWith("review.side_this", { side }),
            mark: "dot" as const,
            points: of(side),
          },
          {
            key: "other",
            name: saidWith("review.side_other", { side: side === "left" ? "right" : "left" }),
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
            {
              name: { code: "review.this_leg" },
              value: `${Math.round(pair.involvedNm)} N·m`,
              origin: "measured",
            },
            {
              name: { code: "review.other_leg" },
              value: `${Math.round(pair.otherNm)} N·m`,
              origin: "measured",
            },
          ],
          ...apartOf(wanted === null ? null : reaches(found, wanted)),
        },
      ];
    });
    if (points.length === 0) return [];
    return [
      rowOf({
        id: `symmetry ${m}`,
        name: saidWith("review.symmetry", { name: MOVEMENTS[m].name }),
        how: {
          formula: { code: "review.symmetry_formula" },
          source: { code: "review.symmetry_source" },
          confidence: "medium",
          origin: "measured",
          cannotTell: { code: "review.symmetry_cannot" },
        },
        under: { code: "review.symmetry_under" },
        unit: "%",
        better: "up",
        realChange: minimalDetectableChangePct(TYPICAL_ERROR_PCT) * Math.SQRT2,
        most: 100,
        marks: wanted === null ? [] : [{ value: wanted, words: saidWith("review.opens_next", { wanted }) }],
        series: [{ key: "own", name: { code: "review.of_other_leg" }, mark: "dot", points }],
      }),
    ];
  });
}

const SAYS: Record<Clear, Said> = {
  reached: { code: "review.reached" },
  below: { code: "review.clearly_below" },
  cannot_tell: { code: "review.cannot_tell" },
};

/** What one session tells of the wanted share. */
const apartOf = (clear: Clear | null): Pick<Point, "note" | "apart"> => ({
  note: clear ? [SAYS[clear]] : [],
  ...(clear === "cannot_tell" ? { apart: "open" as const } : {}),
});
