import "server-only";
import { fitExercise } from "@/core/selection/fit/fitExercise";
import { barredByWeight, weightOnLeg } from "@/core/selection/fit/weightOnLeg";
import { boundsToday, swapCandidates } from "@/core/selection/swap/swap";
import type { SwapInput } from "@/core/selection/swap/swapInput";
import { InputError } from "@/core/units/inputError";
import { asKept, fromKept, type Said } from "@/core/units/said";
import { sayPlainly } from "@/words/say";
import { audit } from "../base/audit";
import { type Ctx, mustMay } from "../base/context";
import { Refused } from "../base/refused";
import { idIsTaken, isRepeat } from "../base/sameId";
import { boundsOf, noRuleFor } from "../bounds/limits";
import type { ClientEpisode } from "../client/clients";
import { loadingBarred } from "../client/screenings";
import { exercisesOf } from "../clinic/exercises";

/** A swap as it was taken. */
export interface StoredSwap {
  id: string;
  planned: string;
  /** null: left out */
  chosen: string | null;
  why: string;
  pain: number | null;
  words: string;
  changes: Said[];
  by: string;
  at: Date;
}

export async function swapsOf(ctx: Ctx, episodeId: string): Promise<StoredSwap[]> {
  const rows = await ctx.tx`
    select s.*, p.name from exercise_swap s join person p on p.id = s.made_by
    where s.episode_id = ${episodeId} order by s.made_at desc limit 40`;
  return rows.map((r) => ({
    id: r.id,
    planned: r.planned,
    chosen: r.chosen,
    why: r.why,
    pain: r.pain,
    words: r.reason,
    changes: r.changes.map(fromKept),
    by: r.name,
    at: r.made_at,
  }));
}

/** Records a swap after asking the core again: only what fits today's tightened limits can be taken. */
export async function takeSwap(ctx: Ctx, client: ClientEpisode, input: SwapInput): Promise<void> {
  mustMay(ctx, "swap.take");
  if (await isRepeat(ctx, "swap", client.episodeId, input)) return;
  const { tx, actor } = ctx;
  const barred = await loadingBarred(ctx, client);
  if (barred) throw new Refused("conflict", barred);
  const noRule = await noRuleFor(ctx, client);
  if (noRule) throw new Refused("conflict", `${noRule} A therapist swaps by hand.`);
  const bounds = await boundsOf(ctx, client);
  const weight = weightOnLeg(bounds);
  const exercises = (await exercisesOf(ctx)).map((x) => x.exercise);
  const planned = exercises.find((e) => e.id === input.planned);
  if (!planned) throw new InputError("planned", "The planned exercise is not in the library.");
  const chosen = exercises.find((e) => e.id === input.chosen) ?? null;
  if (input.chosen !== null && !chosen)
    throw new InputError("chosen", "The chosen exercise is not in the library.");
  let changes: Said[] = [];
  if (chosen) {
    const found = swapCandidates({
      planned,
      exercises,
      limits: bounds,
      reason: input.reason,
      families: null,
      weight,
    }).find((c) => c.e.id === chosen.id);
    if (!found) {
      const byWeight = barredByWeight(chosen, weight);
      if (byWeight) throw new Refused("conflict", sayPlainly(byWeight));
      const fit = fitExercise(chosen, boundsToday(bounds, input.reason));
      throw new Refused(
        "conflict",
        fit.status === "blocked"
          ? `${chosen.name} is barred today, because of: ${fit.reasons.map(sayPlainly).join("; ")}. Choose another, or leave it out.`
          : `${chosen.name} does not stand in for ${planned.name}: it trains something else or has to be unlocked.`,
      );
    }
    changes = found.changes;
  }
  const rows = await tx`
    insert into exercise_swap (id, clinic_id, episode_id, planned, chosen, why, pain, reason, changes, made_by, made_at)
    values (${input.id}, ${actor.clinicId}, ${client.episodeId}, ${input.planned}, ${input.chosen}, ${input.reason},
      ${input.pain}, ${input.words}, ${changes.map(asKept)}, ${actor.personId}, ${ctx.now})
    on conflict do nothing returning id`;
  if (rows.length === 0) throw idIsTaken();
  await audit(ctx, "swap.take", "episode", client.episodeId, null, {
    what: planned.name,
    chosen: chosen?.name ?? "left out",
    why: input.reason,
    pain: input.pain,
    words: input.words,
    changes: changes.map(sayPlainly),
  });
}
