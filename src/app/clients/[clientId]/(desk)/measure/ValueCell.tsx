import { type MeasurementKind, measurementKind } from "@/core/measure/measurementKinds";
import { type Side, SWELLING_WORDS } from "@/core/units/fields";
import type { StoredMeasurement } from "@/server/measure/otherMeasurements";
import { relativeDay } from "@/ui/dates";
import { useMassUnit } from "@/ui/reader";
import { valueWords } from "./valueWords";

/** One field of the table with the last value beside it. */
export function ValueCell({
  kind,
  side,
  earlier,
  value,
  onType,
  onSensor,
  problem,
  today,
  mayRecord,
}: {
  kind: MeasurementKind;
  side: Side | "both";
  /** of this kind and side, newest first */
  earlier: readonly StoredMeasurement[];
  value: string;
  onType: (text: string) => void;
  onSensor: (() => void) | null;
  problem?: string;
  today: string;
  mayRecord: boolean;
}) {
  const spec = measurementKind(kind);
  const massUnit = useMassUnit();
  const last = earlier[0];
  const name = `${spec.name}${side === "both" ? "" : `, ${side}`}`;
  const id = `${kind}-${side}`;
  const lastWords = last
    ? `${valueWords(kind, last.value, { massUnit })}, ${relativeDay(last.takenOn, today)}`
    : kind === "body_mass"
      ? "as in the story"
      : "never measured";
  return (
    <>
      <span className="flex flex-wrap items-center gap-1.5">
        {mayRecord &&
          (kind === "swelling" ? (
            <select
              id={id}
              aria-label={name}
              className="select select-sm w-24 border-rule bg-base-100 text-[15px]"
              value={value}
              onChange={(e) => onType(e.target.value)}
            >
              <option value="">–</option>
              {SWELLING_WORDS.map((w, i) => (
                <option key={w} value={i}>
                  {w}
                </option>
              ))}
            </select>
          ) : (
            <>
              <input
                id={id}
                aria-label={name}
                aria-invalid={problem ? true : undefined}
                aria-describedby={problem ? `${id}-about` : undefined}
                inputMode="decimal"
                autoComplete="off"
                className={`input input-sm w-16 border bg-base-100 text-right text-[15px] font-bold ${problem ? "border-error" : "border-rule"}`}
                value={value}
                onChange={(e) => onType(e.target.value)}
              />
              <span className="small quiet">{kind === "body_mass" ? massUnit : spec.unit}</span>
            </>
          ))}
        {onSensor && mayRecord && (
          <button
            type="button"
            className="small cursor-pointer underline"
            aria-label={`Read ${name} from the sensor`}
            onClick={onSensor}
          >
            read
          </button>
        )}
        {side === "both" && <span className="small quiet ml-3">{lastWords}</span>}
      </span>
      {side !== "both" && <span className="small quiet block">{lastWords}</span>}
      {problem && (
        <span id={`${id}-about`} role="alert" className="small block text-error">
          {problem}
        </span>
      )}
    </>
  );
}
