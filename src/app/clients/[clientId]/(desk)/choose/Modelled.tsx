"use client";
import { atAngle } from "@/core/selection/rank/compare";
import type { RangeRow } from "@/core/selection/rank/rangeSheet";
import { directionOf } from "@/core/selection/setUp/loadContext";
import type { ComputedSetUp } from "@/core/selection/setUp/row";
import type { ReferenceTask } from "@/core/selection/tissue/tissues";
import type { MassUnit } from "@/core/units/mass";
import { asKept } from "@/core/units/said";
import type { ChooseFacts } from "@/server/facts/choose";
import { Pose } from "@/ui/pose/Pose";
import { Said } from "@/ui/reader";
import { Figure } from "@/ui/working/Figure";
import { tissuePhrase } from "@/words/en/plan/choose";
import { hipMoment, kneecapLoad, kneeMoment, shareWords, shinPull } from "./figures";
import { MachineChoice, Settings } from "./Settings";
import type { Choose } from "./useChoose";

/** A set-up with a model: the pose, what is set, and what it does at the angle looked at. */
export function Modelled({
  choose,
  facts,
  chair,
  row,
  setUp,
  massUnit,
}: {
  choose: Choose;
  facts: ChooseFacts;
  chair: ReferenceTask;
  row: RangeRow;
  setUp: ComputedSetUp;
  massUnit: MassUnit;
}) {
  const { state, setState } = choose;
  const here = atAngle(facts.body, setUp, chair, state.angle);
  const hip = here && hipMoment(setUp, here, facts.body.measured?.hip || facts.body.measured?.raise);
  return (
    <>
      <Pose
        body={facts.body}
        chosen={setUp.chosen}
        settings={setUp.settings}
        share={setUp.share}
        phase={setUp.phase}
        load={setUp.load}
        angle={state.angle}
        arc={setUp.arc}
        pelvicTuckDeg={here?.pelvicTuckDeg ?? 0}
        onSetting={choose.turn}
        onAngle={(angle) => setState({ angle })}
      />
      <MachineChoice choose={choose} facts={facts} row={row} setUp={setUp} />
      <Settings choose={choose} setUp={setUp} massUnit={massUnit} />
      {here ? (
        <div className="mt-2 grid grid-cols-2 gap-x-4 gap-y-1 border-t border-rule pt-2">
          <Figure
            label={`knee gives at ${here.deg}°`}
            computed={kneeMoment(setUp, here)}
            under={shareWords(facts, directionOf(row.e), here)}
          />
          <Figure
            label="kneecap joint"
            computed={kneecapLoad(setUp, here)}
            digits={1}
            under="one is a chair of 46 cm"
          />
          {hip ? (
            <Figure
              label="hip gives"
              computed={hip}
              under={`bent ${Math.round(here.hipFlexionDeg)}°, about ${Math.round(here.hipAvailableDeg)}° there${facts.body.measured?.hip || facts.body.measured?.raise ? "" : ", not measured"}`}
            />
          ) : (
            <p>
              <span className="quiet block">hip</span>
              rests on the seat: not computed
            </p>
          )}
          <Figure
            label="shin pulled"
            computed={shinPull(setUp, here)}
            under={
              here.pelvicTuckDeg >= 2.5
                ? tissuePhrase("back", here.pelvicTuckDeg)
                : "the low back stays, ±10 to 15°"
            }
          />
        </div>
      ) : (
        <p className="mt-2 border-t border-rule pt-2">
          The model of this set-up says nothing at {state.angle}°: it covers {setUp.chosen.family.range[0]}°
          to {setUp.chosen.family.range[1]}°, and nothing is extrapolated.
        </p>
      )}
      {here && (here.slides || here.heelLifts) && (
        <p className="mt-1 text-accent">
          {here.slides && "The feet would slide: they need more grip than a floor gives. Bring them nearer. "}
          {here.heelLifts &&
            `The heel would lift: more ankle bend than ${facts.body.measured?.ankle ? "was measured" : "is usual"}. Feet higher, a wedge, or less depth.`}
        </p>
      )}
      {setUp.tooHeavyBecause && (
        <p className="mt-1 text-accent">
          Too heavy, because <Said>{setUp.tooHeavyBecause}</Said>.{" "}
          {setUp.brokenCap === "start"
            ? "Take a repetition test on this machine, a lighter step, or go above the start with a reason on the card."
            : `Choose ${setUp.chosen.family.isReversed ? "more help" : "a lighter step"} or means, or a smaller arc.`}
        </p>
      )}
      {setUp.isAboveWish && !setUp.tooHeavyBecause && (
        <p className="small mt-1">
          {setUp.chosen.family.isReversed ? "The most help there is" : "The lightest step there is"} asks for
          more than the share that rows are compared at: no limit, but no easy start.
        </p>
      )}
      {setUp.leant && (
        <p className="small mt-1 border-l-4 border-rule pl-3">
          <Said>{setUp.leant}</Said>
        </p>
      )}
      {setUp.cautions.map((c) => (
        <p key={asKept(c)} className="small mt-1 border-l-4 border-rule pl-3">
          <Said>{c}</Said>
        </p>
      ))}
    </>
  );
}
