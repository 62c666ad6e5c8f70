import { LOADED, type Loaded } from "@/core/schedule/activity";
import { LOADED_WORDS } from "@/words/en/story";

/** What an activity loads, to mark. */
export function LoadedBoxes({
  value,
  onChange,
}: {
  value: readonly Loaded[];
  onChange: (loads: Loaded[]) => void;
}) {
  return LOADED.map((x) => (
    <label key={x} className="flex items-center gap-1">
      <input
        type="checkbox"
        className="checkbox checkbox-primary checkbox-xs"
        checked={value.includes(x)}
        onChange={() => onChange(value.includes(x) ? value.filter((l) => l !== x) : [...value, x])}
      />
      on the {LOADED_WORDS[x]}
    </label>
  ));
}
