import "server-only";
import { withOwn } from "@/core/rules/exercises";
import { exerciseUse } from "@/core/selection/fit/exerciseUse";
import { openOf, rowAt } from "@/core/selection/rank/rangeSheet";
import type { CardInput } from "@/core/selection/setUp/cardInput";
import { BODY_WEIGHT, realLoads, settingsAtNotches } from "@/core/selection/setUp/machineFor";
import type { ComputedSetUp } from "@/core/selection/setUp/row";
import type { Station } from "@/core/selection/setUp/station";
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

/** What a line is asked, a card is asked: the same two questions, and the load that was set. */
async function checked(ctx: Ctx, client: ClientEpisode, input: CardInput) {
  const facts = await chooseFacts(ctx, client);
  if (typeof facts === "string") throw new Refused("conflict", facts);
  const chair = chairRise(facts.body);
  const e = withOwn(facts.ownExercises).find((x) => x.id === input.exerciseId);
  if (!e || !chair || !exerciseUse(e))
    throw new InputError(
      "exerciseId",
      "There is no machine model for this exercise: write it into the note of the dose.",
    );
  const sheet = {
    ...facts,
    exercises: [],
    startCapIsLifted: Boolean(input.aboveStart),
    chair,
    tissue: facts.firstTissue,
    capTimes: null,
    basis: { kind: "load", kg: input.load } as const,
  };
  const open = openOf(e, sheet, { machineId: input.machineId, settings: input.settings });
  if ("reasons" in open) {
    const why = open.reasons.map(sayPlainly).join("; ");
    throw open.by === "bounds"
      ? attempted("plan.barred", new InputError("exerciseId", `${e.name} is barred, because of: ${why}.`))
      : new InputError("settings", `This set-up cannot be used: ${why}.`);
  }
  const { use, chosen, settings } = open.station as Station;
  if (input.machineId !== null && chosen.id !== input.machineId)
    throw new InputError("machineId", "This machine is not in use or cannot do it. Choose another.");
  const atNotches = settingsAtNotches(chosen, use, input.settings);
  for (const [key, value] of Object.entries(input.settings))
    if (atNotches[key] === undefined || Math.abs(atNotches[key] - value) > 1e-6)
      throw new InputError(
        `settings.${key}`,
        `${chosen.machine.name} has no notch there. Choose one that it has.`,
      );
  const loads = use.isUnloaded ? [{ load: 0, how: BODY_WEIGHT }] : realLoads(chosen.machine, chosen.family);
  const step = loads.find((l) => Math.abs(l.load - input.load) < 1e-6);
  if (!step) throw new InputError("load", `${chosen.machine.name} has no such step. Choose a real one.`);
  const row = rowAt(open, sheet, { load: input.load });
  if (Array.isArray(row))
    throw new InputError("settings", `This set-up cannot be used: ${row.map(sayPlainly).join("; ")}.`);
  const set = row.computed as ComputedSetUp;
  if (set.tooHeavyBecause) {
    const isStart = set.brokenCap === "start";
    throw attempted(
      "plan.barred",
      new InputError(
        isStart ? "aboveStart" : "load",
        `This is too heavy: ${sayPlainly(set.tooHeavyBecause)}. Choose ${chosen.family.isReversed ? "more help" : "a lighter step"}${isStart ? ", or say why more is right for this leg" : ""}.`,
      ),
    );
  }
  return { machineId: chosen.id, settings, how: step.how, ...row.arc };
}
