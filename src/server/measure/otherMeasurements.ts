import "server-only";
import type { DatedMeasurement } from "@/core/measure/findings";
import { massJump } from "@/core/measure/massJump";
import type { MeasuredBeside } from "@/core/measure/measured";
import type { MeasurementInput } from "@/core/measure/measurementInput";
import { measurementKind } from "@/core/measure/measurementKinds";
import { painfulArcsNow } from "@/core/measure/painfulArcs";
import { withStory } from "@/core/measure/storyFindings";
import type { PainfulArc } from "@/core/strength/painfulArc";
import { InputError } from "@/core/units/inputError";
import { audit } from "../base/audit";
import { rowsOf } from "../base/batch";
import { type Ctx, dayOf, mustMay, once, today } from "../base/context";
import { Refused } from "../base/refused";
import { idIsTaken, isRepeat } from "../base/sameId";
import type { ClientEpisode } from "../client/clients";
import { loadingBarred } from "../client/screenings";
import { machinesOf } from "../clinic/machines";

/** A measurement that stands. */
export interface StoredMeasurement extends MeasuredBeside {
  id: string;
  source: "typed" | "angle_sensor";
  apparatus: string | null;
  reps: number | null;
  reserve: number | null;
  twoLegs: boolean | null;
  chairM: number | null;
  by: string;
}

/** Measurements of an episode that stand, newest first. */
export const measurementsOf = (ctx: Ctx, episodeId: string): Promise<StoredMeasurement[]> =>
  once(ctx, `measurements ${episodeId}`, () => readMeasurementsOf(ctx, episodeId));

/** The same with what the story took on its day: pain and swelling that were asked are not "never measured". */
export const findingsOnFile = async (ctx: Ctx, client: ClientEpisode): Promise<DatedMeasurement[]> =>
  withStory(await measurementsOf(ctx, client.episodeId), {
    takenOn: client.storyOn,
    side: client.side,
    painNow: client.usualPain,
    swellingGrade: client.swellingApplies ? client.firstSwelling : null,
  });

/** Where the treated knee hurts now, by the way it is moved. Rule K27. */
export const painfulArcsOf = async (ctx: Ctx, client: ClientEpisode): Promise<PainfulArc[]> =>
  painfulArcsNow(await measurementsOf(ctx, client.episodeId), client.side, today(ctx));

async function readMeasurementsOf(ctx: Ctx, episodeId: string): Promise<StoredMeasurement[]> {
  const rows = await rowsOf(
    ctx,
    "measurements",
    episodeId,
    (keys) => ctx.tx`
      select m.episode_id as of, m.*, p.name from measurement m join person p on p.id = m.taken_by
      where m.episode_id = any(${keys}::uuid[]) and m.voided_at is null order by m.taken_at desc, m.id`,
  );
  return rows.map((r) => ({
    id: r.id,
    kind: r.kind,
    side: r.side,
    value: r.value,
    way: r.way,
    source: r.source,
    apparatus: r.apparatus,
    reps: r.reps,
    reserve: r.reserve,
    twoLegs: r.two_legs,
    chairM: r.chair_m,
    armsUsed: r.arms_used,
    moved: r.moved,
    fromDeg: r.from_deg,
    toDeg: r.to_deg,
    loadKg: r.load_kg,
    stepM: r.step_m,
    steps: r.steps,
    machineId: r.machine_id,
    test:
      r.test_name === null
        ? null
        : { name: r.test_name, unit: r.test_unit, better: r.test_better, error: r.test_error },
    takenOn: dayOf(ctx, r.taken_at),
    by: r.name,
  }));
}

/** Records a measurement. Sending the same one twice changes nothing. */
export async function recordMeasurement(ctx: Ctx, client: ClientEpisode, m: MeasurementInput): Promise<void> {
  mustMay(ctx, "measurement.record");
  if (await isRepeat(ctx, "measurement", client.episodeId, m)) return;
  const isRepetition = m.kind === "repetition_test";
  const isChair = m.kind === "sit_to_stand_30s";
  const isArc = m.kind === "painful_arc";
  const beside = measurementKind(m.kind).with;
  const test = beside === "name" ? m.test : null;
  if (beside === "machine" && !(await machinesOf(ctx)).some((x) => x.id === m.machineId))
    throw new InputError("machineId", "This machine is not in the clinic's gym. Choose another.");
  const jump = m.kind === "body_mass" ? massJump(client.bodyMassKg, m.value) : null;
  if (jump) throw new InputError("value", jump);
  // none found has no angles
  const isFound = isArc && m.value > 0;
  const barred = isRepetition ? await loadingBarred(ctx, client) : null;
  if (barred) throw new Refused("conflict", barred);
  const [fresh] = await ctx.tx`
    insert into measurement (id, clinic_id, episode_id, kind, side, value, way, source, apparatus, reps, reserve,
      two_legs, chair_m, arms_used, moved, from_deg, to_deg, load_kg, step_m, steps,
      machine_id, test_name, test_unit, test_better, test_error, taken_at, taken_by)
    values (${m.id}, ${ctx.actor.clinicId}, ${client.episodeId}, ${m.kind},
      ${measurementKind(m.kind).isSided && !(isRepetition && m.twoLegs) ? m.side : null}, ${m.value}, ${m.way},
      ${m.source}, ${isRepetition ? m.apparatus : null}, ${isRepetition ? m.reps : null},
      ${isRepetition ? m.reserve : null}, ${isRepetition ? (m.twoLegs ?? false) : null}, ${isChair ? m.chairM : null},
      ${isChair ? m.armsUsed : null}, ${isArc ? m.moved : null}, ${isFound ? m.fromDeg : null},
      ${isFound ? m.toDeg : null}, ${isArc ? m.loadKg : null}, ${beside === "step" ? m.stepM : null},
      ${beside === "steps" ? m.steps : null}, ${beside === "machine" ? m.machineId : null}, ${test?.name ?? null},
      ${test?.unit ?? null}, ${test?.better ?? null}, ${test?.error ?? null}, ${ctx.now}, ${ctx.actor.personId})
    on conflict (id) do nothing returning id`;
  if (!fresh) throw idIsTaken();
  await audit(ctx, "measurement.record", "measurement", client.episodeId, null, {
    what: test?.name ?? measurementKind(m.kind).name,
    side: m.side,
    value: m.value,
  });
}

/** Takes a measurement back; it stays in the record with the reason. */
export async function voidMeasurement(
  ctx: Ctx,
  client: ClientEpisode,
  id: string,
  reason: string,
): Promise<void> {
  mustMay(ctx, "measurement.record");
  const rows = await ctx.tx`
    update measurement set voided_at = ${ctx.now}, voided_by = ${ctx.actor.personId}, void_reason = ${reason}
    where id = ${id} and episode_id = ${client.episodeId} and voided_at is null returning kind, value`;
  if (!rows[0]) throw new Refused("missing", "This measurement is not there any more. Reload the page.");
  await audit(ctx, "measurement.void", "measurement", client.episodeId, rows[0], { reason });
}
