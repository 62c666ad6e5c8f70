import { isKneeMovement, MOVEMENTS, type Movement } from "@/core/strength/movements";
import { Field } from "@/ui/form/Field";
import { TestFigure } from "./TestFigure";
import type { StrengthTest } from "./useStrengthTest";

/** How the test is set up; side and angle are fixed once a force was taken with them. */
export function TestSetUpFields({ test }: { test: StrengthTest }) {
  const { fields, problems, isLocked, setUp } = test;
  const spec = MOVEMENTS[setUp.movement];
  const isKnee = isKneeMovement(setUp.movement);
  return (
    <div className="grid content-start gap-2">
      {isKnee && (
        <TestFigure
          movement={setUp.movement}
          kneeFlexionDeg={setUp.kneeFlexionDeg}
          leverArmM={setUp.leverArmM}
          pullAngleDeg={setUp.pullAngleDeg}
        />
      )}
      <fieldset className="flex items-baseline justify-between" disabled={isLocked}>
        <legend className="sr-only">Side</legend>
        <span>side</span>
        <span className="flex gap-3">
          {(["left", "right"] as const).map((s) => (
            <label key={s} className="flex items-center gap-1">
              <input
                type="radio"
                name="side"
                className="radio radio-primary radio-xs"
                checked={fields.side === s}
                onChange={() => fields.setSide(s)}
              />
              {s}
            </label>
          ))}
        </span>
      </fieldset>
      <Field
        label="knee angle"
        name="kneeFlexionDeg"
        unit="°"
        inputMode="decimal"
        value={fields.angleText}
        onChange={(e) => fields.editAngle(e.target.value)}
        disabled={isLocked}
        hint={isLocked ? "take the trials back to change it" : undefined}
        problem={problems.kneeFlexionDeg}
      />
      {!isKnee && (
        <Field
          label={`${spec.joint} angle`}
          name="jointAngleDeg"
          unit="°"
          inputMode="decimal"
          value={fields.jointText}
          onChange={(e) => fields.setJointText(e.target.value)}
          disabled={isLocked}
          problem={problems.jointAngleDeg}
        />
      )}
      <Field
        label="lever arm"
        name="leverArmM"
        unit="cm"
        inputMode="decimal"
        value={fields.leverText}
        onChange={(e) => fields.setLeverText(e.target.value)}
        problem={problems.leverArmM}
        hint={spec.leverWords}
      />
      <Field
        label="pull angle"
        name="pullAngleDeg"
        unit="°"
        inputMode="decimal"
        value={fields.pullText}
        onChange={(e) => fields.setPullText(e.target.value)}
        problem={problems.pullAngleDeg}
      />
      <label className="flex items-start gap-2">
        <input
          type="checkbox"
          className="checkbox checkbox-primary checkbox-sm mt-0.5"
          checked={fields.zeroed}
          onChange={(e) => fields.setZeroed(e.target.checked)}
        />
        <span>
          zeroed with the leg relaxed
          <span className="small quiet block">{zeroWords(fields.zeroed, setUp.movement)}</span>
          {problems.zeroedRelaxed && (
            <span role="alert" className="small block text-error">
              {problems.zeroedRelaxed}
            </span>
          )}
        </span>
      </label>
    </div>
  );
}

/** What happens to the lower leg's own weight. */
function zeroWords(isZeroed: boolean, m: Movement): string {
  if (isZeroed) return "no leg weight added";
  return m === "knee_flexion" ? "the lower leg's weight is taken off" : "the lower leg's weight is added";
}
