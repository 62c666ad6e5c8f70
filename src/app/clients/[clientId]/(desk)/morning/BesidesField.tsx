import { type Activity, type BesidesSaid, USUAL_BESIDES } from "@/core/schedule/activity";
import { Choice } from "@/ui/form/Choice";
import { Words } from "@/ui/form/Words";
import { ScoreKeys } from "@/ui/pain/ScoreKeys";
import { LoadedBoxes } from "../../../_story/LoadedBoxes";

/** What stands for "something that nobody named before". */
const OWN = "own";

/** What else the client did on the day of the visit, and how hard it was. */
export function BesidesField({
  value,
  activities,
  onChange,
  problem,
}: {
  value: BesidesSaid;
  /** what this client does besides, by the story */
  activities: readonly Pick<Activity, "what" | "loads">[];
  onChange: (said: BesidesSaid) => void;
  problem: string | undefined;
}) {
  const named = [...activities, ...USUAL_BESIDES];
  const isOwn = value.what !== null && value.what !== "" && !named.some((a) => a.what === value.what);
  return (
    <div className="grid gap-2">
      <Choice<string>
        legend="What else that day"
        name="besides"
        isInline={false}
        options={[
          ["", "nothing much"],
          ...named.map((a): [string, string] => [a.what, a.what]),
          [OWN, "something else"],
        ]}
        value={isOwn ? OWN : value.what}
        onChange={(v) =>
          onChange({
            what: v === OWN ? " " : v,
            hard: v === "" ? null : value.hard,
            loads: named.find((a) => a.what === v)?.loads ?? [],
          })
        }
      />
      {isOwn && (
        <div className="flex flex-wrap items-end gap-x-4 gap-y-1">
          <div className="w-[260px]">
            <Words
              label="what it was"
              name="besidesWhat"
              value={value.what?.trimStart() ?? ""}
              onChange={(e) => onChange({ ...value, what: e.target.value || " " })}
            />
          </div>
          <LoadedBoxes value={value.loads} onChange={(loads) => onChange({ ...value, loads })} />
        </div>
      )}
      {value.what && (
        <ScoreKeys
          label="How hard it was"
          value={value.hard}
          onPick={(hard) => onChange({ ...value, hard })}
        />
      )}
      <p className="small text-error" role="alert">
        {problem}
      </p>
    </div>
  );
}
