import "server-only";
import type { ClientSchemeFacts } from "@/core/dose/schemeFacts";
import { schemeFactsOf } from "@/core/dose/schemeFacts";
import { schemeBars } from "@/core/dose/schemeGates";
import { type ScoreInput, type ScoreLine, scoreLine } from "@/core/dose/scoreInput";
import { scoreTotals } from "@/core/dose/sessionScore";
import { withOwn } from "@/core/rules/exercises";
import { rowOf } from "@/core/selection/rangeSheet";
import { chairRise } from "@/core/selection/tissues";
import { daysBetween } from "@/core/units/days";
import { InputError } from "@/core/units/inputError";
import { audit } from "./audit";
import { chooseFacts } from "./choose";
import type { ClientEpisode } from "./clients";
import { type Ctx, dayOf, mustMay, today } from "./context";
import { planningBarred } from "./plans";
import { Refused } from "./refused";
import { sessionsOf } from "./sessions";

/** A session as it was saved last. */
export interface StoredScore {
  id: string;
  version: number;
  items: ScoreLine[];
  by: string;
  at: Date;
}

/** The newest saved session of an episode, and the ones before it, newest first. */
export async function scoresOf(ctx: Ctx, episodeId: string): Promise<StoredScore[]> {
  const rows = await ctx.tx`
    select s.*, p.name from session_score s join person p on p.id = s.made_by
    where s.episode_id = ${episodeId} order by s.version desc limit 20`;
  return rows.map((r) => ({
    id: r.id,
    version: r.version,
    items: scoreLine.array().parse(r.items),
    by: r.name,
    at: r.made_at,
  }));
}

/** With fewer sessions behind them people count as novices [own]. */
const NOVICE_SESSIONS = 8;

/** What decides which schemes may be used for a client. */
export async function schemeFactsFor(ctx: Ctx, client: ClientEpisode): Promise<ClientSchemeFacts> {
  const sessions = await sessionsOf(ctx, client.episodeId);
  const last = sessions.filter((s) => s.end).at(-1);
  const pains = last?.records.map((r) => r.painAfter ?? 0) ?? [];
  const accumulated = (await scoresOf(ctx, client.episodeId)).find(
    (s) => dayOf(ctx, s.at) !== today(ctx) && s.items.some((i) => i.scheme.kind === "accumulated"),
  );
  return {
    isPostOp: client.school === "post_op",
    isNovice: sessions.length < NOVICE_SESSIONS,
    irritability: client.irritability,
    lastPain: pains.length ? Math.max(...pains) : null,
    daysSinceAccumulated: accumulated ? daysBetween(dayOf(ctx, accumulated.at), today(ctx)) : null,
  };
}

/** Saves a new version. Every exercise and scheme is asked of the core again; what is barred is refused. */
export async function saveScore(ctx: Ctx, client: ClientEpisode, input: ScoreInput): Promise<number> {
  mustMay(ctx, "plan.write");
  const { tx, actor } = ctx;
  const barred = await planningBarred(ctx, client);
  if (barred) throw new Refused("conflict", barred);
  const items = await checked(ctx, client, input);
  const [newest] = await scoresOf(ctx, client.episodeId);
  if (newest?.id === input.id) return newest.version;
  const meanwhile = new Refused(
    "conflict",
    `${newest?.by ?? "Somebody"} saved version ${newest?.version ?? 1} of this session meanwhile. What you made is still here: compare, then save again.`,
  );
  if ((newest?.version ?? 0) !== input.baseVersion) throw meanwhile;
  const totals = scoreTotals(items);
  const rows = await tx`
    insert into session_score (id, clinic_id, episode_id, version, items, seconds, hard_reps, made_by, made_at)
    values (${input.id}, ${actor.clinicId}, ${client.episodeId}, ${input.baseVersion + 1}, ${tx.json(input.items)},
      ${totals.seconds}, ${totals.hard}, ${actor.personId}, ${ctx.now})
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

async function checked(ctx: Ctx, client: ClientEpisode, input: ScoreInput) {
  const facts = await chooseFacts(ctx, client);
  if (typeof facts === "string") throw new Refused("conflict", facts);
  const chair = chairRise(facts.body);
  if (!chair) throw new Refused("conflict", "A usual chair is out of the model's reach for this body.");
  const exercises = withOwn(facts.ownExercises);
  const known = await schemeFactsFor(ctx, client);
  let accumulated = 0;
  return input.items.map((line, i) => {
    const exercise = exercises.find((e) => e.id === line.exerciseId);
    if (!exercise) throw new InputError(`items.${i}.exerciseId`, "This exercise is not in the library.");
    const row = rowOf(exercise, {
      ...facts,
      exercises,
      chair,
      tissue: facts.firstTissue,
      capTimes: null,
      basis: { kind: "effort", share: 0.5 },
    });
    if (Array.isArray(row))
      throw new InputError(
        `items.${i}.exerciseId`,
        `${exercise.name} is barred, because of: ${row.join("; ")}. Take it out or choose another.`,
      );
    const bars = schemeBars(line.scheme.kind, schemeFactsOf(known, exercise, accumulated));
    if (bars.length > 0)
      throw new InputError(
        `items.${i}.scheme`,
        `${exercise.name}: this scheme is barred, because ${bars.join("; ")}.`,
      );
    if (line.scheme.kind === "accumulated") accumulated += 1;
    return { id: String(i), exercise, scheme: line.scheme, sides: line.sides };
  });
}
