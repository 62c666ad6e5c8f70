import "server-only";
import { judgeScore } from "@/core/dose/judgeScore";
import { kneecapDose } from "@/core/dose/kneecapDose";
import { scoreContextOf } from "@/core/dose/scoreContextOf";
import type { ScoreInput, ScoreLine } from "@/core/dose/scoreInput";
import { itemsOf } from "@/core/dose/scoreItems";
import { scoreTotals } from "@/core/dose/sessionScore";
import type { PastLoad } from "@/core/dose/weekGuard";
import { daysBetween } from "@/core/units/days";
import { InputError } from "@/core/units/inputError";
import { audit } from "./audit";
import type { ClientEpisode } from "./clients";
import { type Ctx, dayOf, mustMay, today } from "./context";
import { lockEpisode } from "./lock";
import { planningBarred } from "./plans";
import { attempted, mustBeSame, Refused } from "./refused";
import { sessionFacts } from "./sessionContext";
import { type StoredScore, scoresOf } from "./storedScores";

/** What sessions of earlier days gave, the last version of each day. Planned, until the floor runs whole sessions. */
export async function pastLoads(ctx: Ctx, episodeId: string): Promise<PastLoad[]> {
  const byDay = new Map<string, StoredScore>();
  for (const s of await scoresOf(ctx, episodeId)) {
    const day = dayOf(ctx, s.at);
    if (day !== today(ctx) && !byDay.has(day)) byDay.set(day, s);
  }
  return [...byDay].flatMap(([day, s]) =>
    s.kneecapChairS === null
      ? []
      : [
          {
            daysAgo: daysBetween(day, today(ctx)),
            kneecapChairS: s.kneecapChairS,
            hardReps: s.hardReps,
          },
        ],
  );
}

/** Saves a new version. Every line is judged by the core again; what is barred is refused. */
export async function saveScore(ctx: Ctx, client: ClientEpisode, input: ScoreInput): Promise<number> {
  mustMay(ctx, "plan.write");
  const { tx, actor } = ctx;
  await lockEpisode(ctx, client.episodeId);
  const barred = await planningBarred(ctx, client);
  if (barred) throw attempted("plan.past", new Refused("conflict", barred));
  const { totals, chairSeconds } = await checked(ctx, client, input.items);
  const [newest] = await scoresOf(ctx, client.episodeId);
  if (newest?.id === input.id) {
    const isSame = JSON.stringify(newest.items) === JSON.stringify(input.items);
    mustBeSame(isSame, "score.repeat", "A session with this id was saved before, and differently");
    return newest.version;
  }
  const meanwhile = new Refused(
    "conflict",
    `${newest?.by ?? "Somebody"} saved version ${newest?.version ?? 1} of this session meanwhile. What you made is still here: compare, then save again.`,
  );
  if ((newest?.version ?? 0) !== input.baseVersion) throw meanwhile;
  const rows = await tx`
    insert into session_score (id, clinic_id, episode_id, version, items, seconds, hard_reps, kneecap_chair_s, made_by,
      made_at)
    values (${input.id}, ${actor.clinicId}, ${client.episodeId}, ${input.baseVersion + 1}, ${tx.json(input.items)},
      ${totals.seconds}, ${totals.hard}, ${chairSeconds}, ${actor.personId}, ${ctx.now})
    on conflict do nothing returning version`;
  if (rows.length === 0) throw meanwhile;
  await audit(
    ctx,
    "score.write",
    "episode",
    client.episodeId,
    newest ? { exercises: newest.items.map((i) => i.exerciseId) } : null,
    { exercises: input.items.map((i) => i.exerciseId), minutes: Math.round(totals.seconds / 60) },
  );
  return input.baseVersion + 1;
}

async function checked(ctx: Ctx, client: ClientEpisode, items: readonly ScoreLine[]) {
  const facts = await sessionFacts(ctx, client);
  if (typeof facts === "string") throw new Refused("conflict", facts);
  const context = scoreContextOf(facts);
  const judged = judgeScore(items, context);
  for (const [i, j] of judged.entries())
    if (j.bars.length > 0)
      throw attempted(
        "plan.barred",
        new InputError(
          `items.${i}`,
          `${j.exercise?.name ?? `Line ${i + 1}`} is barred, because of: ${j.bars.join("; ")}.`,
        ),
      );
  return {
    totals: scoreTotals(itemsOf(judged, (_, i) => String(i))),
    chairSeconds: kneecapDose(judged, facts.chair).chairSeconds,
  };
}
