import { PLACES, SUPPORTS } from "@/core/story/places";
import type { MassUnit } from "@/core/units/mass";
import { Choice } from "@/ui/form/Choice";
import { Field } from "@/ui/form/Field";
import { Pick } from "@/ui/form/Pick";
import { Words } from "@/ui/form/Words";
import type { StoryPart } from "./StoryForm";

const DAYS = ["Mon", "Tue", "Wed", "Thu", "Fri", "Sat", "Sun"];

/** Who it is, and where and when they can train. */
export function PersonFields({ part, massUnit }: { part: StoryPart; massUnit: MassUnit }) {
  const { draft, set, problem } = part;
  return (
    <div className="grid content-start gap-2">
      <h2 className="text-[17px]">Who</h2>
      <Words
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
        label="born in"
        name="birthYear"
        inputMode="numeric"
        value={draft.birthYear}
        onChange={(e) => set({ birthYear: e.target.value })}
        problem={problem("person.birthYear")}
      />
      <Field
        label="height"
        name="heightM"
        unit="m"
        inputMode="decimal"
        value={draft.heightM}
        onChange={(e) => set({ heightM: e.target.value })}
        problem={problem("person.heightM")}
      />
      <Field
        label="body mass"
        name="bodyMass"
        unit={massUnit}
        inputMode="decimal"
        value={draft.bodyMass}
        onChange={(e) => set({ bodyMass: e.target.value })}
        problem={problem("person.bodyMassKg")}
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
      <h2 className="mt-2 text-[17px]">Where and when</h2>
      <Pick
        label="trains at"
        name="trainsAt"
        options={Object.entries(PLACES)}
        value={draft.trainsAt}
        onChange={(e) => set({ trainsAt: e.target.value })}
      />
      <fieldset>
        <legend className="small quiet">days available</legend>
        <span className="flex flex-wrap gap-x-2.5 gap-y-1">
          {DAYS.map((day, i) => (
            <label key={day} className="flex items-center gap-1">
              <input
                type="checkbox"
                className="checkbox checkbox-primary checkbox-xs"
                checked={draft.weekdays.includes(i + 1)}
                onChange={() =>
                  set({
                    weekdays: draft.weekdays.includes(i + 1)
                      ? draft.weekdays.filter((d) => d !== i + 1)
                      : [...draft.weekdays, i + 1].sort(),
                  })
                }
              />
              {day}
            </label>
          ))}
        </span>
      </fieldset>
      <Pick
        label="wrap or brace"
        name="support"
        options={[["", "choose"], ...Object.entries(SUPPORTS)]}
        value={draft.support}
        onChange={(e) => set({ support: e.target.value })}
        problem={problem("episode.support")}
      />
    </div>
  );
}
