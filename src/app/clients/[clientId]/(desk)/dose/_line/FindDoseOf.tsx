"use client";
import type { RefObject } from "react";
import type { Irritability, School } from "@/core/progression/painRule";
import { jointOf } from "@/core/sheet/effect/sessionFatigue";
import type { JudgedLine, ScoreContext } from "@/core/sheet/judge/judgeScore";
import { workKindOf } from "@/core/sheet/line/workKind";
import { effortCap } from "@/core/sheet/load/effortCap";
import type { Scheme } from "@/core/sheet/schemes/scheme";
import { FindDose } from "./FindDose";

/** Where nothing says how much a hold asks. */
const USUAL_SHARE = 0.4;

/** The search for a dose of the picked hold, inside what bounds it. */
export function FindDoseOf({
  ref,
  judged,
  context,
  who,
  onScheme,
}: {
  ref: RefObject<HTMLDialogElement | null>;
  /** null: nothing is picked */
  judged: JudgedLine | null;
  context: ScoreContext;
  who: { school: School; irritability: Irritability };
  onScheme: (scheme: Scheme) => void;
}) {
  const kind = judged?.exercise ? workKindOf(judged.exercise) : null;
  const scheme = judged?.line.scheme.kind === "holds" ? judged.line.scheme : null;
  const { limits } = context.sheet;
  return (
    <FindDose
      ref={ref}
      joint={kind ? jointOf(kind) : "general"}
      shareOfMax={scheme ? (judged?.load?.share ?? USUAL_SHARE) : USUAL_SHARE}
      cap={effortCap(who.school, who.irritability, limits)}
      k={context.personal.k}
      mostHoldS={limits.hold_seconds?.high ?? null}
      onUse={({ sets, reps, holdS, restS, setRestS, shareOfMax }) => {
        if (!scheme) return;
        const effort = { kind: "percent" as const, percent: Math.floor(shareOfMax * 100) };
        onScheme({ ...scheme, sets, reps, holdS, restS, setRestS, effort });
      }}
    />
  );
}
