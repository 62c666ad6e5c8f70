import type { MassUnit } from "@/core/units/mass";
import { Choice } from "@/ui/form/Choice";
import { Field } from "@/ui/form/Field";
import { Words } from "@/ui/form/Words";
import type { StoryPart } from "./StoryForm";

/** Who it is. */
export function PersonFields({ part, massUnit }: { part: StoryPart; massUnit: MassUnit }) {
  const { draft, set, problem } = part;
  return (
    <div className="grid content-start gap-2">
      <h2 className="text-[17px]">1 The person</h2>
      <Words
        isNeeded
        label="name or initials"
        name="name"
        autoComplete="off"
        value={draft.name}
        onChange={(e) => set({ name: e.target.value })}
        problem={problem("person.name")}
      />
      <Words
        label="works as"
        name="occupation"
        autoComplete="off"
        value={draft.occupation}
        onChange={(e) => set({ occupation: e.target.value })}
        problem={problem("person.occupation")}
      />
      <Field
        isNeeded
        label="born in"
        name="birthYear"
        inputMode="numeric"
        value={draft.birthYear}
        onChange={(e) => set({ birthYear: e.target.value })}
        problem={problem("person.birthYear")}
      />
      <Field
        isNeeded
        label="height"
        name="heightM"
        unit="m"
        inputMode="decimal"
        value={draft.heightM}
        onChange={(e) => set({ heightM: e.target.value })}
        problem={problem("person.heightM")}
      />
      <Field
        isNeeded
        label="body mass"
        name="bodyMass"
        unit={massUnit}
        inputMode="decimal"
        value={draft.bodyMass}
        onChange={(e) => set({ bodyMass: e.target.value })}
        problem={problem("person.bodyMassKg")}
      />
      <Field
        label="shank"
        name="shankCm"
        unit="cm"
        inputMode="decimal"
        value={draft.shankCm}
        onChange={(e) => set({ shankCm: e.target.value })}
        problem={problem("person.shankLengthM")}
        hint={
          draft.shankCm.trim() === ""
            ? "joint line to outer ankle; empty: 24.6 % of height"
            : "joint line to outer ankle; tests taken keep their torque"
        }
      />
      <Choice
        legend="norms read for strength and sit-to-stands, nothing else"
        name="normSex"
        isInline={false}
        options={[
          ["female", "women"],
          ["male", "men"],
          ["none", "none"],
        ]}
        value={draft.normSex}
        onChange={(normSex) => set({ normSex })}
      />
    </div>
  );
}
