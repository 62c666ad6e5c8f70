import "server-only";
import { type InForce, inForce, mostOf } from "@/core/bounds/inForce";
import { boundKind } from "@/core/bounds/kinds";
import { isInForce, type Limit, limit } from "@/core/bounds/limit";
import { missingWeightOrder } from "@/core/bounds/weightOrders";
import { NEEDED_BY_HAND, type WrittenLimit } from "@/core/bounds/written";
import { combineConditions } from "@/core/phases/combineConditions";
import { phaseLimits } from "@/core/phases/phaseLimits";
import { painLimit } from "@/core/progression/painRule";
import { limitsOfRecord } from "@/core/rules/limitsOfRecord";
import type { LimitsRecord } from "@/core/rules/limitsRecord";
import { notCovered } from "@/core/rules/uncovered";
import { limitsOfSigns } from "@/core/screening/screeningState";
import type { LaterLimits } from "@/core/selection/rank/rangeSheet";
import { dayInWords } from "@/core/units/dayInWords";
import { lowerFirst } from "@/core/units/lowerFirst";
import { type Said, saidWith } from "@/core/units/said";
import { sayPlainly } from "@/words/say";
import { audit } from "../base/audit";
import { rowsOf } from "../base/batch";
import { type Ctx, dayOf, mustMay, once, today } from "../base/context";
import { Refused } from "../base/refused";
import { idIsTaken, isRepeat } from "../base/sameId";
import type { ClientEpisode } from "../client/clients";
import { conditionsOf, type EpisodeCondition } from "../client/conditions";
import { screeningStateOf } from "../client/screenings";

/** A limit as somebody wrote it, with who and when. */
export interface WrittenRow extends Limit {
  by: string | null;
  on: string;
}

/** What surgeon and therapists wrote and nobody has replaced or lifted; also what has ended. */
export const writtenLimits = (ctx: Ctx, episodeId: string): Promise<WrittenRow[]> =>
  once(ctx, `written limits ${episodeId}`, () => readWrittenLimits(ctx, episodeId));

async function readWrittenLimits(ctx: Ctx, episodeId: string): Promise<WrittenRow[]> {
  const rows = await rowsOf(
    ctx,
    "written limits",
    episodeId,
    (keys) => ctx.tx`
    select l.episode_id as of, l.id, l.kind, lower(l.bound) as low, upper(l.bound) as high, l.word, l.origin, l.reason,
      l.ends_on as "endsOn", l.set_at, p.name
    from episode_limit l left join person p on p.id = l.set_by
    where l.episode_id = any(${keys}::uuid[]) and not l.is_lifted
      and not exists (select 1 from episode_limit r where r.replaces = l.id)
    order by l.set_at, l.id`,
  );
  return rows.map((r) => ({ ...limit.parse(r), by: r.name, on: dayOf(ctx, r.set_at) }));
}

/**
 * All limits of an episode: those that were written (also if they have ended: the core asks for a date), those that its
 * conditions and their phases bring, and those of standing warning signs. Each keeps its origin; where they are merged
 * the tightest wins. A client whom the rule base does not cover gets nothing from it.
 */
export const limitsOf = (ctx: Ctx, client: ClientEpisode): Promise<Limit[]> =>
  once(ctx, `limits ${client.episodeId}`, () => readLimitsOf(ctx, client));

async function readLimitsOf(ctx: Ctx, client: ClientEpisode): Promise<Limit[]> {
  return limitsWith(ctx, client, await conditionsOf(ctx, client.episodeId));
}

/** The same with the conditions in other phases or under other stances than today's. */
export async function limitsWith(
  ctx: Ctx,
  client: ClientEpisode,
  conditions: readonly EpisodeCondition[],
): Promise<Limit[]> {
  const written = await writtenLimits(ctx, client.episodeId);
  const signs = limitsOfSigns((await screeningStateOf(ctx, client)).standing);
  const always = [...written, ...signs, painLimit(client.school, client.irritability)];
  if (coverOf(ctx, client).length > 0) return always;
  const ids = conditions.map((c) => c.condition.id);
  const noOrder = missingWeightOrder(ids, written, today(ctx));
  return [...always, ...limitsOfConditions(conditions), ...(noOrder ? [noOrder] : [])];
}

/** What all limits leave today, with who made it so: the one answer that every page and route asks. */
export const boundsOf = (ctx: Ctx, client: ClientEpisode): Promise<InForce> =>
  once(ctx, `bounds ${client.episodeId}`, async () => inForce(await limitsOf(ctx, client), today(ctx)));

/** What would bound the client in each later phase of each condition, soonest first. */
export async function laterBoundsOf(ctx: Ctx, client: ClientEpisode): Promise<LaterLimits[]> {
  const conditions = await conditionsOf(ctx, client.episodeId);
  const later: (LaterLimits & { inWeeks: number })[] = [];
  for (const c of conditions)
    for (const { said, inWeeks, limits } of laterPhases(c)) {
      const then = conditions.map((x) => (x === c ? { ...c, limits } : x));
      later.push({ said, inWeeks, bounds: inForce(await limitsWith(ctx, client, then), today(ctx)) });
    }
  return later.sort((a, b) => a.inWeeks - b.inWeeks).map(({ said, bounds }) => ({ said, bounds }));
}

/** The sentence why nothing can be chosen by rule; null when it can. */
export async function noRuleFor(ctx: Ctx, client: ClientEpisode): Promise<string | null> {
  const uncovered = coverOf(ctx, client);
  if (uncovered.length > 0) return `The rules do not cover ${uncovered.join(" and ")}.`;
  const conditions = await conditionsOf(ctx, client.episodeId);
  return conditions.length === 0 ? "No condition of the rules is named for this client in Story." : null;
}

/** Later phases of a condition with their limits at their first week. */
function laterPhases(c: EpisodeCondition): { said: Said; inWeeks: number; limits: LimitsRecord }[] {
  const at = c.condition.phases.findIndex((p) => p.id === c.phase.id);
  return c.condition.phases.slice(at + 1).map((phase) => {
    const week = Math.max(c.week, phase.weeks.from);
    const limits = phaseLimits(c.condition, phase, { variantId: c.variantId, choices: c.choices, week });
    return {
      said: saidWith("bound.opens", {
        phase: phase.name,
        fromWeek: phase.weeks.from > c.week ? phase.weeks.from : null,
      }),
      inWeeks: Math.max(0, phase.weeks.from - c.week),
      limits,
    };
  });
}

/** What conditions in their phases bring, contradictions included. */
export function limitsOfConditions(conditions: readonly EpisodeCondition[]): Limit[] {
  const each = conditions.flatMap(({ condition, phase, limits }) =>
    limitsOfRecord(limits, `${condition.name}, ${lowerFirst(phase.name)}`, condition.id),
  );
  if (conditions.length < 2) return each;
  const parts = conditions.map(({ condition, limits }) => ({ conditionId: condition.id, limits }));
  const { limits, conflicts } = combineConditions(parts);
  const [first] = conflicts;
  return first ? [...each, ...limitsOfRecord(limits, `${first.why}: ask ${first.ask}`, "conflict")] : each;
}

/** Why the rule base does not cover this client; empty when it does. */
export const coverOf = (ctx: Ctx, client: ClientEpisode): string[] =>
  notCovered(client.birthYear, today(ctx), client.uncovered);

/**
 * Why nothing may be dosed: the rule base does not cover the client and a therapist has not written the limits that
 * work needs. Null when nothing stands in the way.
 */
export async function limitsBar(ctx: Ctx, client: ClientEpisode): Promise<string | null> {
  const why = coverOf(ctx, client);
  if (why.length === 0) return null;
  const inForce = (await writtenLimits(ctx, client.episodeId)).filter((l) => isInForce(l, today(ctx)));
  const missing = NEEDED_BY_HAND.filter((kind) => !inForce.some((l) => l.kind === kind));
  if (missing.length === 0) return null;
  return `The rules do not cover ${why.join(" and ")}, so no limits are computed. A therapist writes ${missing.map((k) => boundKind(k).name).join(", ")} by hand in Limits first.`;
}

/** Why nothing can be planned: warning signs, or no limits for what the rules do not cover. Null when it can. */
export async function planningBarred(ctx: Ctx, client: ClientEpisode): Promise<string | null> {
  const { barsPlanning } = await screeningStateOf(ctx, client);
  return barsPlanning ? sayPlainly(barsPlanning) : await limitsBar(ctx, client);
}

/** The most joint pain allowed for this client today: the pain rule, the phase or a written limit, the strictest. */
export const painMaxFor = async (ctx: Ctx, client: ClientEpisode): Promise<number> =>
  mostOf(await boundsOf(ctx, client), "joint_pain");

/**
 * Writes a limit, changes one (`replaces`) or lifts one. If somebody replaced the same limit meanwhile nothing is
 * written, and the sentence says who and what.
 */
export async function writeLimit(ctx: Ctx, client: ClientEpisode, input: WrittenLimit): Promise<void> {
  mustMay(ctx, "limit.write");
  if (await isRepeat(ctx, "limit", client.episodeId, input)) return;
  const replaces =
    input.replaces !== null && input.evenIfChanged
      ? await newestOfChain(ctx, client, input.replaces)
      : input.replaces;
  const before = replaces === null ? null : await ownLimit(ctx, client, replaces);
  if (input.endsOn !== null && input.endsOn < today(ctx))
    throw new Refused("conflict", "The last day of this limit is past: choose today or later.");
  const bound = input.low === null && input.high === null ? null : `[${input.low ?? ""},${input.high ?? ""}]`;
  const rows = await ctx.tx`
    insert into episode_limit (id, clinic_id, episode_id, kind, bound, word, origin, reason, ends_on, is_lifted,
      replaces, set_by, set_at)
    values (${input.id}, ${ctx.actor.clinicId}, ${client.episodeId}, ${input.kind}, ${bound}::numrange, ${input.word},
      ${input.origin}, ${input.reason}, ${input.endsOn}, ${input.isLifted}, ${replaces}, ${ctx.actor.personId},
      ${ctx.now})
    on conflict do nothing returning id`;
  if (rows.length === 0) throw replaces === null ? idIsTaken() : await changedMeanwhile(ctx, replaces);
  const deed = input.isLifted ? "limit.lift" : replaces ? "limit.change" : "limit.write";
  const { kind, low, high, word, origin, reason, endsOn } = input;
  const after = input.isLifted ? { kind, reason } : { kind, low, high, word, origin, reason, endsOn };
  await audit(ctx, deed, "episode_limit", client.episodeId, before, after);
}

/** The newest row of a limit that was changed since, also if it was lifted. */
async function newestOfChain(ctx: Ctx, client: ClientEpisode, id: string): Promise<string> {
  const [r] = await ctx.tx`
    with recursive chain as (
      select id, 0 as step from episode_limit where id = ${id} and episode_id = ${client.episodeId}
      union all select l.id, c.step + 1 from episode_limit l join chain c on l.replaces = c.id)
    select id from chain order by step desc limit 1`;
  return r?.id ?? id;
}

async function ownLimit(ctx: Ctx, client: ClientEpisode, id: string): Promise<object> {
  const [r] = await ctx.tx`
    select kind, lower(bound) as low, upper(bound) as high, word, origin, reason, ends_on as "endsOn"
    from episode_limit where id = ${id} and episode_id = ${client.episodeId}`;
  if (!r) throw new Refused("missing", "This limit is not there. Reload the page.");
  return r;
}

async function changedMeanwhile(ctx: Ctx, id: string | null): Promise<Refused> {
  const [r] = await ctx.tx`
    select l.kind, lower(l.bound) as low, upper(l.bound) as high, l.word, l.ends_on, l.is_lifted, p.name
    from episode_limit l join person p on p.id = l.set_by where l.replaces = ${id}`;
  if (!r) return new Refused("conflict", "This limit changed meanwhile. Reload the page.");
  const ends = [r.low, r.high].filter((x) => x !== null).join(" to ");
  const what = r.is_lifted
    ? "lifted this limit"
    : `changed this limit to ${[ends, r.word].filter(Boolean).join(" ")}${r.ends_on ? ` until ${dayInWords(r.ends_on)}` : ""}`;
  return new Refused(
    "conflict",
    `${r.name} ${what} meanwhile. What you typed is still here: save it over theirs, or close this and reload the page.`,
  );
}
