import "server-only";
import { withOwn } from "@/core/rules/exercises";
import { allowedArc } from "@/core/selection/fit/allowedArc";
import { exerciseUse } from "@/core/selection/fit/exerciseUse";
import { fitExercise } from "@/core/selection/fit/fitExercise";
import { barredByWeight } from "@/core/selection/fit/weightOnLeg";
import type { CardInput } from "@/core/selection/setUp/cardInput";
import { BODY_WEIGHT, machineFor, realLoads, settingsAtNotches } from "@/core/selection/setUp/machineFor";
import { computeSetUp } from "@/core/selection/setUp/row";
import { chairRise } from "@/core/selection/tissue/tissues";
import { InputError } from "@/core/units/inputError";
import { sayPlainly } from "@/words/say";
import { audit } from "../base/audit";
import { type Ctx, mustMay, once } from "../base/context";
import { lockEpisode } from "../base/lock";
import { attempted, Refused } from "../base/refused";
import { isRepeat } from "../base/sameId";
import { planningBarred } from "../bounds/limits";
import type { ClientEpisode } from "../client/clients";
import { chooseFacts } from "../facts/choose";

/** A set-up card: the newest version for an exercise of an episode. */
export interface SetUpCard extends Omit<CardInput, "baseVersion"> {
  version: number;
  machineId: string | null;
  how: string;
  fromDeg: number;
  toDeg: number;
  by: string;
  at: Date;
}

/** The newest card of each exercise, newest first. */
export const cardsOf = (ctx: Ctx, episodeId: string): Promise<SetUpCard[]> =>
  once(ctx, `cards ${episodeId}`, async () => {
    const rows = await ctx.tx`
      select distinct on (c.exercise_id) c.*, lower(c.arc_deg) as from_deg, upper(c.arc_deg) as to_deg, p.name
      from set_up_card c join person p on p.id = c.made_by
      where c.episode_id = ${episodeId} order by c.exercise_id, c.version desc`;
    return rows
      .map((r) => ({
        id: r.id,
        exerciseId: r.exercise_id,
        version: r.version,
        machineId: r.machine_id,
        settings: r.settings,
        load: r.load_kg,
        how: r.load_how,
        fromDeg: r.from_deg,
        toDeg: r.to_deg,
        axisChecked: r.axis_checked,
        feet: r.feet,
        support: r.support,
        cues: r.cues,
        stopSigns: r.stop_signs,
        note: r.note,
        aboveStart: r.above_start,
        by: r.name,
        at: r.made_at,
      }))
      .sort((a, b) => b.at.getTime() - a.at.getTime());
  });

/**
 * Saves a card. The core computes the set-up again: a barred exercise, a setting between notches, a load that is no
 * real step or an effort above the limit is refused with the reason.
 */
export async function saveCard(ctx: Ctx, client: ClientEpisode, input: CardInput): Promise<void> {
  mustMay(ctx, "card.write");
  const { tx, actor } = ctx;
  const barred = await planningBarred(ctx, client);
  if (barred) throw attempted("plan.past", new Refused("conflict", barred));
  await lockEpisode(ctx, client.episodeId);
  if (await isRepeat(ctx, "card", client.episodeId, input)) return;
  const set = await checked(ctx, client, input);
  const known = (await cardsOf(ctx, client.episodeId)).find((c) => c.exerciseId === input.exerciseId);
  const meanwhile = new Refused(
    "conflict",
    `${known?.by ?? "Somebody"} saved a card for this exercise meanwhile. What you entered is still here: look at theirs, then save again.`,
  );
  if ((known?.version ?? 0) !== input.baseVersion) throw meanwhile;
  const rows = await tx`
    insert into set_up_card (id, clinic_id, episode_id, exercise_id, version, machine_id, settings, load_kg, load_how,
      arc_deg, axis_checked, feet, support, cues, stop_signs, note, above_start, made_by, made_at)
    values (${input.id}, ${actor.clinicId}, ${client.episodeId}, ${input.exerciseId}, ${input.baseVersion + 1},
      ${set.machineId}, ${tx.json(set.settings)}, ${input.load}, ${set.how},
      numrange(${set.fromDeg}, ${set.toDeg}, '[]'), ${input.axisChecked}, ${input.feet}, ${input.support},
      ${input.cues}, ${input.stopSigns}, ${input.note}, ${input.aboveStart ?? null}, ${actor.personId}, ${ctx.now})
    on conflict do nothing returning id`;
  if (rows.length === 0) throw meanwhile;
  await audit(
    ctx,
    "card.write",
    "episode",
    client.episodeId,
    known ? { what: known.exerciseId, settings: known.settings, load: known.load, note: known.note } : null,
    {
      what: input.exerciseId,
      settings: set.settings,
      load: input.load,
      note: input.note,
      aboveStart: input.aboveStart ?? null,
    },
  );
}

async function checked(ctx: Ctx, client: ClientEpisode, input: CardInput) {
  const facts = await chooseFacts(ctx, client);
  if (typeof facts === "string") throw new Refused("conflict", facts);
  const e = withOwn(facts.ownExercises).find((x) => x.id === input.exerciseId);
  const use = e && exerciseUse(e);
  if (!e || !use)
    throw new InputError(
      "exerciseId",
      "There is no machine model for this exercise: write it into the note of the dose.",
    );
  const fit = fitExercise(e, facts.limits);
  if (fit.status === "blocked")
    throw attempted(
      "plan.barred",
      new InputError(
        "exerciseId",
        `${e.name} is barred, because of: ${fit.reasons.map(sayPlainly).join("; ")}.`,
      ),
    );
  const byWeight = barredByWeight(e, facts.weight);
  if (byWeight) throw new InputError("exerciseId", byWeight);
  const allowed = allowedArc(e, facts.limits, facts.motion);
  const chair = chairRise(facts.body);
  if (!allowed || !chair) throw new InputError("exerciseId", "Limits leave no knee angle for it.");
  const chosen = machineFor(use, facts.machines, input.machineId);
  if (input.machineId !== null && chosen.id !== input.machineId)
    throw new InputError("machineId", "This machine is not in use or cannot do it. Choose another.");
  const atNotches = settingsAtNotches(chosen, use, input.settings);
  for (const [key, value] of Object.entries(input.settings))
    if (Math.abs((atNotches[key] ?? Number.NaN) - value) > 1e-6 || atNotches[key] === undefined)
      throw new InputError(
        `settings.${key}`,
        `${chosen.machine.name} has no notch there. Choose one that it has.`,
      );
  const step = (
    use.isUnloaded ? [{ load: 0, how: BODY_WEIGHT }] : realLoads(chosen.machine, chosen.family)
  ).find((l) => Math.abs(l.load - input.load) < 1e-6);
  if (!step) throw new InputError("load", `${chosen.machine.name} has no such step. Choose a real one.`);
  const set = computeSetUp(
    e,
    use,
    chosen,
    allowed,
    {
      ...facts,
      startCapIsLifted: Boolean(input.aboveStart),
      chair,
      tissue: "kneecap",
      capTimes: null,
      basis: { kind: "load", kg: input.load },
    },
    { settings: input.settings, load: input.load },
  );
  if ("code" in set) throw new InputError("settings", `This set-up cannot be used: ${sayPlainly(set)}.`);
  if (set.tooHeavyBecause)
    throw attempted(
      "plan.barred",
      new InputError(
        set.brokenCap === "start" ? "aboveStart" : "load",
        `This is too heavy: ${sayPlainly(set.tooHeavyBecause)}. Choose ${chosen.family.isReversed ? "more help" : "a lighter step"}${set.brokenCap === "start" ? ", or say why more is right for this leg" : ""}.`,
      ),
    );
  return {
    machineId: chosen.id,
    settings: set.settings,
    how: step.how,
    fromDeg: set.arc.fromDeg,
    toDeg: set.arc.toDeg,
  };
}
