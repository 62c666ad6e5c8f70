import { MUSCLES, type Muscle } from "@/core/schedule/balance";
import { isMuchSore, type Soreness } from "@/core/schedule/soreness";
import { ScoreKeys } from "@/ui/pain/ScoreKeys";
import { MUSCLE_WORDS } from "@/words/en/plan/muscles";

/** How sore the muscles were, if it was asked; where it was a lot, which of them. Soreness is not joint pain. */
export function SoreField({
  value,
  upTo,
  onChange,
}: {
  value: Soreness;
  /** so much is expected: more is asked where */
  upTo: number;
  onChange: (now: Soreness) => void;
}) {
  const has = (m: Muscle) => value?.muscles.includes(m) ?? false;
  return (
    <div>
      <ScoreKeys
        label="Muscle soreness, if asked"
        value={value?.level ?? null}
        onPick={(level) =>
          onChange(
            level === value?.level
              ? null
              : { level, muscles: isMuchSore(level, upTo) ? (value?.muscles ?? []) : [] },
          )
        }
      />
      {value && isMuchSore(value.level, upTo) && (
        <fieldset className="mt-2">
          <legend className="small quiet">
            where; none named means everywhere, and the next visit has a set less there
          </legend>
          <div className="flex flex-wrap gap-x-5 gap-y-1">
            {MUSCLES.map((m) => (
              <label key={m} className="flex items-center gap-1.5">
                <input
                  type="checkbox"
                  className="checkbox checkbox-primary checkbox-sm"
                  checked={has(m)}
                  onChange={() =>
                    onChange({
                      ...value,
                      muscles: has(m) ? value.muscles.filter((x) => x !== m) : [...value.muscles, m],
                    })
                  }
                />
                {MUSCLE_WORDS[m]}
              </label>
            ))}
          </div>
        </fieldset>
      )}
    </div>
  );
}
