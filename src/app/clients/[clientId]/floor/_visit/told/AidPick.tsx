import { type Aid, HELP_IDS, WORN_IDS } from "@/core/selection/setUp/aid";
import { HELP, WORN_SHORT } from "@/words/en/plan/setUp";
import { FloorSelect } from "./FloorSelect";

const WORN_OPTIONS = WORN_IDS.map((id) => [id, WORN_SHORT[id]] as const);
const HELP_OPTIONS = HELP_IDS.map((id) => [id, HELP[id]] as const);

/** What is worn and held in this line from now on. */
export function AidPick({ aid, onAid }: { aid: Aid; onAid: (aid: Aid) => void }) {
  return (
    <div className="mt-2 flex flex-wrap items-center gap-x-3 gap-y-1">
      <FloorSelect
        label="worn"
        value={aid.worn}
        options={WORN_OPTIONS}
        onPick={(worn) => onAid({ ...aid, worn })}
      />
      <FloorSelect
        label="help"
        value={aid.help}
        options={HELP_OPTIONS}
        onPick={(help) => onAid({ ...aid, help })}
      />
    </div>
  );
}
