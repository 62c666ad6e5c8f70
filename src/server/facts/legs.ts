import "server-only";
import { withReach } from "@/core/body/reach";
import type { Body } from "@/core/body/segments";
import type { DoesDaily } from "@/core/demand/cost";
import { personalFactor } from "@/core/isometrics/personalFactor";
import { newestOf } from "@/core/measure/findings";
import type { MeasurementKind } from "@/core/measure/measurementKinds";
import type { KnownStrength } from "@/core/selection/setUp/strengthKnown";
import { weakenedBy } from "@/core/strength/weakenedBy";
import type { Side } from "@/core/units/fields";
import { type Ctx, today } from "../base/context";
import { untilChanged } from "../base/untilChanged";
import { ageYearsOf, bodyOf, type ClientEpisode, weeksAfterSurgery } from "../client/clients";
import { conditionsOf } from "../client/conditions";
import { machinesOf } from "../clinic/machines";
import { timedHolds } from "../history/past";
import { measurementsOf } from "../measure/otherMeasurements";
import { knownStrength } from "./strength";

/** What a leg can do, and what it is known by. */
export interface LegKnown {
  body: Body;
  strength: KnownStrength;
  does: DoesDaily;
}

// ten years of sets are folded once, until something of the episode changes
const kept = untilChanged<LegKnown>("leg", 240);

/** What a leg can do, the treated one where nothing is said: everything that was tested, done and told, up to a day. */
export const legKnown = (
  ctx: Ctx,
  client: ClientEpisode,
  { side = client.side, until = today(ctx) }: { side?: Side; until?: string } = {},
): Promise<LegKnown> =>
  kept(ctx, client.episodeId, () => foldedLeg(ctx, client, side, until), `${side} ${until}`);

async function foldedLeg(ctx: Ctx, client: ClientEpisode, side: Side, until: string): Promise<LegKnown> {
  const measured = await measurementsOf(ctx, client.episodeId);
  const newest = (kind: MeasurementKind) => newestOf(measured, kind, side)?.value ?? null;
  // newest first: the first of a machine is what was seen there last
  const rolls = measured.filter((m) => m.kind === "pelvis_rolls" && m.machineId !== null).reverse();
  const body = withReach(bodyOf(client), {
    hipBendDeg: newest("hip_bend"),
    straightLegRaiseDeg: newest("straight_leg_raise"),
    kneeToWallCm: newest("knee_to_wall"),
    pelvisRollsDeg: Object.fromEntries(rolls.map((m) => [m.machineId, m.value])),
  });
  const [story] = await ctx.tx`select rises, climbs, is_inactive from episode where id = ${client.episodeId}`;
  const risesByTest = measured.some(
    (m) => m.kind === "sit_to_stand_30s" && m.value > 0 && m.armsUsed === false,
  );
  const does = { chair: story?.rises === "yes" || risesByTest, stairs: story?.climbs === "yes" };
  const conditions = await conditionsOf(ctx, client.episodeId);
  const machines = (await machinesOf(ctx)).map(({ version: _version, isRetired: _retired, ...m }) => m);
  const strength = await knownStrength(ctx, client, {
    side,
    body,
    person: {
      ageYears: ageYearsOf(ctx, client),
      normSex: client.normSex,
      has: weakenedBy(
        conditions.map((c) => c.condition),
        side === client.side,
        story?.is_inactive === true,
      ),
      weeksAfterSurgery: side === client.side ? weeksAfterSurgery(ctx, client) : null,
      daily: does,
    },
    machines,
    k: personalFactor("knee", await timedHolds(ctx, client.episodeId)).k,
    until,
  });
  return { body, strength, does };
}
