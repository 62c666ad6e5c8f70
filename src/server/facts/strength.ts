import "server-only";
import type { Body } from "@/core/body/segments";
import { type CapacityEvent, STATION_SD } from "@/core/capacity/learn";
import type { Care } from "@/core/capacity/shows";
import type { GymMachine } from "@/core/selection/setUp/machineFor";
import type {
  CurvesKnown,
  Direction,
  KnownStrength,
  MovementKnown,
} from "@/core/selection/setUp/strengthKnown";
import { movementOf, shapeAt } from "@/core/selection/setUp/strengthKnown";
import { testStation } from "@/core/selection/setUp/testStation";
import { noviceVisits } from "@/core/story/daily";
import { fitTorqueAngle } from "@/core/strength/fitTorqueAngle";
import { testsForCurve } from "@/core/strength/testsForCurve";
import { type UntestedPerson, untestedStrength } from "@/core/strength/untestedStrength";
import type { Side } from "@/core/units/fields";
import { capacityEvents, earlierStationId } from "@/core/visit/capacity/capacityEvents";
import { strengthKnown } from "@/core/visit/capacity/strengthKnown";
import type { Ctx } from "../base/context";
import type { ClientEpisode } from "../client/clients";
import { backgroundOf } from "../client/story";
import { type MachinePast, machinePasts } from "../clinic/machineChanges";
import { awaysOf } from "../history/away";
import { confirmedVisits } from "../history/confirmed";
import { linesDone } from "../history/linesDone";
import { type StoredTest, testsOf } from "../measure/measurements";
import { measurementsOf } from "../measure/otherMeasurements";

/** After surgery and where a knee is easily stirred up loads are set strictly. Rule L6. */
export const careOf = (client: Pick<ClientEpisode, "irritability" | "school">): Care =>
  client.irritability === "high" || client.school === "post_op" ? "strict" : client.irritability;

/** Fewer tests than this never move the peak of a curve. */
const CURVE_TESTS = 3;
const UNRELIABLE = 0.1;

/** Where the curves of a leg have their peaks: their own where enough angles were tested. */
function curvesOf(
  tests: readonly StoredTest[],
): Readonly<Record<Direction, Pick<MovementKnown, "peakDeg" | "testedDeg">>> {
  const of = (d: Direction) => {
    const own = testsForCurve(tests.filter((t) => t.movement === movementOf(d)));
    return {
      peakDeg: own.length < CURVE_TESTS ? null : fitTorqueAngle(movementOf(d), own).peakDeg,
      testedDeg: own.map((t) => t.kneeFlexionDeg),
    };
  };
  return { extension: of("extension"), flexion: of("flexion") };
}

const trialsOf = (tests: readonly StoredTest[], d: Direction, curves: CurvesKnown): CapacityEvent[] =>
  tests
    .filter((t) => t.movement === movementOf(d) && t.torqueNm > 0)
    .map((t) => ({
      kind: "trial",
      on: t.takenOn,
      id: t.id,
      torqueNm: t.torqueNm,
      shape: shapeAt(curves, d, t.kneeFlexionDeg),
      disagree: t.isReliable ? 0 : UNRELIABLE,
    }));

/**
 * What a client's leg can do: everything that was tested, done and answered, folded in the order of the clinic's days. The
 * one answer that loads, limits and reviews ask. Rules L1 to L7.
 */
export async function knownStrength(
  ctx: Ctx,
  client: ClientEpisode,
  facts: {
    side: Side;
    body: Body;
    person: UntestedPerson;
    machines: readonly GymMachine[];
    k: number;
    /** the last day that is looked at */
    until: string;
  },
): Promise<KnownStrength> {
  const { body, side } = facts;
  const tests = (await testsOf(ctx, client.episodeId)).filter((t) => t.side === side);
  const curves = curvesOf(tests);
  const care = careOf(client);
  const pasts = await machinePasts(ctx);
  const events = capacityEvents(await linesDone(ctx, client.episodeId), {
    side,
    isStrict: care === "strict",
    k: facts.k,
    machines: pasts,
    confirmed: await confirmedVisits(ctx, client.episodeId),
    noviceVisits: noviceVisits(await backgroundOf(ctx, client.episodeId)),
  });
  for (const t of await repetitionTests(ctx, client, facts, curves, pasts)) {
    if (t.direction) events[t.direction].push(t.event);
    else events.quiet.set(t.event.station.id, [...(events.quiet.get(t.event.station.id) ?? []), t.event]);
  }
  return strengthKnown(
    {
      prior: untestedStrength(body, facts.person),
      care,
      storyOn: client.storyOn,
      trials: {
        extension: trialsOf(tests, "extension", curves),
        flexion: trialsOf(tests, "flexion", curves),
      },
      curves,
      away: (await awaysOf(ctx, client.episodeId)).map((a) => ({ kind: "away", ...a })),
      hipNm: tests.find((t) => t.movement === "hip_extension")?.torqueNm ?? null,
    },
    events,
    facts.until,
  );
}

/** "Bay press, seat 4": the machine's name, and what was set. */
const isOn = (apparatus: string, name: string): boolean =>
  apparatus.trim() === name || apparatus.startsWith(`${name},`);

const changedSince = (past: MachinePast | undefined, on: string): number =>
  (past?.changedOn ?? []).filter((day) => on < day).length;

/** Repetition tests are visits of one set on the machine as it is usually set. */
async function repetitionTests(
  ctx: Ctx,
  client: ClientEpisode,
  { side, body, machines }: { side: Side; body: Body; machines: readonly GymMachine[] },
  curves: CurvesKnown,
  pasts: ReadonlyMap<string, MachinePast>,
) {
  const found = [];
  for (const m of await measurementsOf(ctx, client.episodeId)) {
    if (m.kind !== "repetition_test" || !m.apparatus || m.reps === null || m.reserve === null) continue;
    const twoLegs = m.twoLegs ?? false;
    if (!twoLegs && m.side !== side) continue;
    const machine = machines.find((x) => isOn(m.apparatus ?? "", x.name));
    const on = machine && testStation(machine, twoLegs, body, curves);
    if (!on) continue;
    found.push({
      direction: on.direction,
      event: {
        kind: "sets" as const,
        on: m.takenOn,
        id: m.id,
        station: {
          ...on.station,
          id: earlierStationId(on.station.id, changedSince(pasts.get(machine.id), m.takenOn)),
        },
        stationSd: STATION_SD,
        sets: [{ loadKg: m.value, reps: m.reps, reserve: m.reserve, ended: "planned" as const }],
        isTrusted: true,
        doneKg: m.value,
      },
    });
  }
  return found;
}
