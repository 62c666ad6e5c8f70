import { isAlike } from "@/core/measure/measured";
import { type MeasurementKind, measurementKind, realChangeFrom } from "@/core/measure/measurementKinds";
import { powerComputed } from "@/core/measure/otherWorkings";
import { sitToStandBelow } from "@/core/measure/sitToStand";
import { ageYearsOn } from "@/core/units/days";
import { formatMass, type MassUnit } from "@/core/units/mass";
import type { ClientEpisode } from "@/server/client/clients";
import type { StoredMeasurement } from "@/server/measure/otherMeasurements";
import { shortDay } from "@/ui/dates";
import { useMassUnit } from "@/ui/reader";
import { Opens } from "@/ui/working/Figure";
import { MOVE_WORDS } from "@/words/en/plan/painfulArc";
import { TakeBack } from "./TakeBack";
import { valueWords } from "./valueWords";

const MOST_SHOWN = 24;
/** The newest, in sight; what is older stands folded. */
const SHOWN_AT_ONCE = 3;

/** What was measured before, newest first: the change against measurement error, and a way to take one back. */
export function MeasurementHistory({
  client,
  kinds,
  measurements,
  machines = [],
  locale,
  mayVoid,
  today,
}: {
  client: ClientEpisode;
  kinds: readonly MeasurementKind[];
  measurements: readonly StoredMeasurement[];
  machines?: readonly { id: string; name: string }[];
  locale: string;
  mayVoid: boolean;
  today: string;
}) {
  const massUnit = useMassUnit();
  const of = measurements.filter((m) => kinds.includes(m.kind));
  if (of.length === 0)
    return (
      <p className="quiet mt-4">
        Nothing on record yet: what is typed above becomes the first of the series.
      </p>
    );
  const rows = (some: readonly StoredMeasurement[]) => (
    <table className="mt-1 w-full text-left text-[14px]">
      <tbody>
        {some.map((m) => (
          <tr key={m.id} className="border-t border-rule">
            <td className="whitespace-nowrap py-1 pr-3">{shortDay(m.takenOn, locale)}</td>
            <td className="py-1 pr-3">
              {m.test?.name ?? measurementKind(m.kind).name}
              {m.side && `, ${m.side}`}
              {m.way && <span className="quiet"> {m.way}</span>}
              {m.source === "angle_sensor" && <span className="quiet"> by sensor</span>}
            </td>
            <td className="py-1 pr-3 font-bold">
              {valueWords(m.kind, m.value, { ownUnit: m.test?.unit, massUnit })}
            </td>
            <td className="small quiet py-1 pr-3">
              {[changeWords(m, measurements), extraWords(m, { client, today, massUnit, machines })]
                .filter(Boolean)
                .join(" · ")}
              <Power m={m} client={client} />
            </td>
            <td className="small quiet py-1 pr-3">{m.by}</td>
            <td className="py-1 text-right">
              {mayVoid && (
                <TakeBack
                  path={`/api/clients/${client.clientId}/measurements/${m.id}/void`}
                  what={`${m.test?.name ?? measurementKind(m.kind).name} of ${shortDay(m.takenOn, locale)}`}
                />
              )}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
  return (
    <section className="mt-5">
      <h2 className="text-[16px]">On record</h2>
      {rows(of.slice(0, SHOWN_AT_ONCE))}
      {of.length > SHOWN_AT_ONCE && (
        <details>
          <summary className="cursor-pointer border-t border-rule py-1">
            {Math.min(of.length, MOST_SHOWN) - SHOWN_AT_ONCE} earlier
          </summary>
          {rows(of.slice(SHOWN_AT_ONCE, MOST_SHOWN))}
        </details>
      )}
    </section>
  );
}

/** Against the one before it, and whether that is more than measurement error. */
function changeWords(m: StoredMeasurement, all: readonly StoredMeasurement[]): string {
  const before = all.find(
    (b) => isAlike(b, m) && b.side === m.side && b.way === m.way && b.takenOn < m.takenOn,
  );
  if (!before) return "";
  const real = m.test ? m.test.error : realChangeFrom(m.kind, before.value);
  const by = Math.round((m.value - before.value) * 100) / 100;
  if (by === 0) return "no change";
  const signed = `${by > 0 ? "+" : ""}${by}`;
  if (real === null) return signed;
  return `${signed}, ${Math.abs(by) >= real ? "more than measurement error" : "within measurement noise"}`;
}

/** Where it hurt, how it was moved and with what. */
const arcWords = (m: StoredMeasurement, massUnit: MassUnit): string =>
  [
    m.moved && MOVE_WORDS[m.moved],
    m.fromDeg === null ? "none found" : `${m.fromDeg}° to ${m.toDeg}°`,
    m.loadKg !== null && `with ${formatMass(m.loadKg, massUnit)}`,
  ]
    .filter(Boolean)
    .join(", ");

/** What a count of rising means for the age, or where it hurt. */
function extraWords(
  m: StoredMeasurement,
  {
    client,
    today,
    massUnit,
    machines,
  }: {
    client: ClientEpisode;
    today: string;
    massUnit: MassUnit;
    machines: readonly { id: string; name: string }[];
  },
): string {
  if (m.kind === "painful_arc") return arcWords(m, massUnit);
  if (m.stepM !== null) return `from ${Math.round(m.stepM * 100)} cm`;
  if (m.steps !== null) return `${m.steps} steps`;
  if (m.machineId !== null)
    return `on ${machines.find((x) => x.id === m.machineId)?.name ?? "a machine that is gone"}`;
  if (m.kind !== "sit_to_stand_30s") return "";
  if (m.armsUsed) return "arms used: counts as none";
  const age = ageYearsOn(today, client.birthYear);
  const norm = client.normSex ? sitToStandBelow(client.normSex === "female" ? "F" : "M", age, m.value) : null;
  return [
    norm
      ? norm.below
        ? `below average for the age (${norm.cut})`
        : `at least average for the age (${norm.cut})`
      : "",
  ]
    .filter(Boolean)
    .join(", ");
}

/** What rising gives in watts, where arms were not used and the chair is known. */
function Power({ m, client }: { m: StoredMeasurement; client: ClientEpisode }) {
  if (m.kind !== "sit_to_stand_30s" || m.armsUsed || !m.chairM || m.value <= 0) return null;
  const { bodyMassKg, heightM } = client;
  const power = powerComputed({ bodyMassKg, heightM, chairM: m.chairM, times: m.value });
  if (!power) return null;
  return (
    <>
      {" · about "}
      <Opens label="power of rising" computed={power}>
        {power.value} W
      </Opens>
    </>
  );
}
