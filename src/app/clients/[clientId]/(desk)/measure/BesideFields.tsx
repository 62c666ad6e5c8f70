import type { MeasuredWith } from "@/core/measure/measurementKinds";
import { readNumber } from "@/core/units/readNumber";
import { Field } from "@/ui/form/Field";
import { Pick } from "@/ui/form/Pick";

/** What is typed beside a value, as it stands in the fields. */
export interface Beside {
  chairCm: string;
  armsUsed: boolean;
  stepCm: string;
  steps: string;
  machineId: string;
}
export const NOTHING_TYPED: Beside = {
  chairCm: "43",
  armsUsed: false,
  stepCm: "20",
  steps: "10",
  machineId: "",
};

/** The same as it is sent with a value that has it. */
export const besideSent = (of: MeasuredWith | null, typed: Beside) => ({
  chairM: of === "chair" ? readNumber(typed.chairCm) / 100 : null,
  armsUsed: of === "chair" ? typed.armsUsed : null,
  stepM: of === "step" ? readNumber(typed.stepCm) / 100 : null,
  steps: of === "steps" ? readNumber(typed.steps) : null,
  machineId: of === "machine" ? typed.machineId || null : null,
});

/** What a value needs beside it: the chair's height and the arms, the step's height, the number of steps, the machine. */
export function BesideFields({
  of,
  machines,
  value,
  onChange,
}: {
  of: MeasuredWith | null;
  machines: readonly { id: string; name: string }[];
  value: Beside;
  onChange: (now: Beside) => void;
}) {
  const cm = (key: "chairCm" | "stepCm", label: string) => (
    <Field
      label={label}
      name={key}
      unit="cm high"
      inputMode="decimal"
      className="!w-16"
      value={value[key]}
      onChange={(e) => onChange({ ...value, [key]: e.target.value })}
    />
  );
  if (of === "step") return cm("stepCm", "step");
  if (of === "steps")
    return (
      <Field
        label="stairs of"
        name="steps"
        unit="steps"
        inputMode="numeric"
        className="!w-16"
        value={value.steps}
        onChange={(e) => onChange({ ...value, steps: e.target.value })}
      />
    );
  if (of === "machine")
    return (
      <Pick
        label="on the machine"
        name="machineId"
        options={[["", "choose"], ...machines.map((m): [string, string] => [m.id, m.name])]}
        value={value.machineId}
        onChange={(e) => onChange({ ...value, machineId: e.target.value })}
      />
    );
  if (of !== "chair") return null;
  return (
    <>
      {cm("chairCm", "chair")}
      <label className="flex items-center gap-2">
        <input
          type="checkbox"
          className="checkbox checkbox-primary checkbox-sm"
          checked={value.armsUsed}
          onChange={(e) => onChange({ ...value, armsUsed: e.target.checked })}
        />
        arms were used
      </label>
    </>
  );
}
