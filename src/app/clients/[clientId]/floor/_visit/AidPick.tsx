import { type Aid, HELP_IDS, type Help, WORN_IDS, type Worn } from "@/core/selection/setUp/aid";
import { HELP, WORN_SHORT } from "@/words/en/plan/setUp";

/** What is worn and held in this line from now on. */
export function AidPick({ aid, onAid }: { aid: Aid; onAid: (aid: Aid) => void }) {
  return (
    <p className="mt-2 flex flex-wrap items-center gap-x-3 gap-y-1 text-[15px] lg:text-[17px]">
      <label className="flex items-center gap-2">
        worn
        <select
          className={SELECT}
          value={aid.worn}
          onChange={(e) => onAid({ ...aid, worn: e.target.value as Worn })}
        >
          {WORN_IDS.map((id) => (
            <option key={id} value={id}>
              {WORN_SHORT[id]}
            </option>
          ))}
        </select>
      </label>
      <label className="flex items-center gap-2">
        help
        <select
          className={SELECT}
          value={aid.help}
          onChange={(e) => onAid({ ...aid, help: e.target.value as Help })}
        >
          {HELP_IDS.map((id) => (
            <option key={id} value={id}>
              {HELP[id]}
            </option>
          ))}
        </select>
      </label>
    </p>
  );
}

const SELECT = "select min-h-[44px] w-auto border-rule bg-base-100 text-[15px] lg:text-[17px]";
