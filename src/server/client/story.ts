import "server-only";
import { z } from "zod";
import { conditionById } from "@/core/rules/conditions";
import { GOALS } from "@/core/rules/goals";
import { UNCOVERED, type Uncovered } from "@/core/rules/uncovered";
import { regularActivity } from "@/core/schedule/activity";
import type { Background } from "@/core/story/daily";
import { irritabilityFrom } from "@/core/story/irritabilityFrom";
import { markers } from "@/core/story/markers";
import { followedRegions } from "@/core/story/regions";
import type { EpisodeInput, NewClientInput, PersonInput, StoryGoal } from "@/core/story/storyInput";
import { InputError } from "@/core/units/inputError";
import { lowerFirst } from "@/core/units/lowerFirst";
import { audit } from "../base/audit";
import { type Ctx, mustMay, once, today } from "../base/context";
import { Refused } from "../base/refused";
import { idIsTaken, isRepeat } from "../base/sameId";
import type { ClientEpisode } from "./clients";

/** The story as it was entered; what was never asked is null. */
export type Story = { [K in keyof EpisodeInput]: EpisodeInput[K] | null } & Pick<
  EpisodeInput,
  | "side"
  | "conditions"
  | "uncovered"
  | "goals"
  | "painMarks"
  | "weekdays"
  | "activities"
  | "markers"
  | "regions"
>;

const goals = z.array(
  z.object({ goalId: z.string().nullable(), words: z.string(), hard: z.number(), on: z.string().nullish() }),
) as unknown as z.ZodType<StoryGoal[]>;

const activities = z.array(regularActivity);

/** Strength training before the episode; null: not asked. Rule Background. */
export const backgroundOf = (ctx: Ctx, episodeId: string): Promise<Background | null> =>
  once(ctx, `background ${episodeId}`, async () => {
    const [r] = await ctx.tx<{ background: Background | null }[]>`
      select background from episode where id = ${episodeId}`;
    return r?.background ?? null;
  });

export async function storyOf(ctx: Ctx, client: ClientEpisode): Promise<Story> {
  const [r] = await ctx.tx`select * from episode where id = ${client.episodeId}`;
  if (!r) throw new Refused("missing", "There is no such episode. Go back to Today.");
  const conditions = await ctx.tx`
    select condition_id as "conditionId", variant_id as "variantId", began_on as "beganOn" from episode_condition
    where episode_id = ${client.episodeId} and ended_on is null order by set_at, condition_id`;
  return {
    side: r.side,
    conditions: conditions.map((c) => ({
      conditionId: c.conditionId,
      variantId: c.variantId,
      beganOn: c.beganOn === r.began_on ? null : c.beganOn,
    })),
    uncovered: r.uncovered,
    calledAs: r.condition,
    beganWith: r.began_with,
    beganOn: r.began_on,
    details: r.details,
    surgeonNote: r.surgeon_note,
    painMarks: r.pain_marks,
    painNow: r.pain_now,
    painWorst: r.pain_worst,
    painBest: r.pain_best,
    bringsOn: r.brings_on,
    settlesIn: r.settles_in,
    swellingApplies: r.swelling_applies,
    firstSwelling: r.first_swelling,
    goals: goals.parse(r.goals),
    rises: r.rises,
    climbs: r.climbs,
    isInactive: r.is_inactive,
    background: r.background,
    isAlone: r.is_alone,
    activities: activities.parse(r.activities),
    markers: markers.parse(r.markers),
    regions: followedRegions.parse(r.regions),
    support: r.support,
    trainsAt: r.trains_at,
    weekdays: r.weekdays,
  };
}

/** Enters a new client with the first episode. Sending the same client twice changes nothing. */
export async function createClient(ctx: Ctx, input: NewClientInput): Promise<void> {
  mustMay(ctx, "story.write");
  if (await isRepeat(ctx, "client", null, input, input.clientId)) return;
  const { person } = input;
  mustBePast(ctx, person, input.episode);
  const [fresh] = await ctx.tx`
    insert into client (id, clinic_id, name, occupation, birth_year, height_m, body_mass_kg, shank_length_m,
      norm_sex)
    values (${input.clientId}, ${ctx.actor.clinicId}, ${person.name}, ${person.occupation}, ${person.birthYear},
      ${person.heightM}, ${person.bodyMassKg}, ${person.shankLengthM}, ${person.normSex})
    on conflict (id) do nothing returning id`;
  if (!fresh) throw idIsTaken();
  await insertEpisode(ctx, input.clientId, input.episodeId, input.episode);
  await audit(ctx, "client.create", "client", input.clientId, null, { ...person, ...input.episode });
}

/** Begins another episode for a client whose earlier ones are closed. */
export async function beginEpisode(
  ctx: Ctx,
  clientId: string,
  input: { episodeId: string; person: PersonInput; episode: EpisodeInput },
): Promise<void> {
  mustMay(ctx, "story.write");
  if (await isRepeat(ctx, "episode", clientId, input, input.episodeId)) return;
  const { person: before } = await episodesOf(ctx, clientId);
  mustBePast(ctx, input.person, input.episode);
  await ctx.tx`select pg_advisory_xact_lock(hashtext(${clientId}))`;
  const open = await ctx.tx`select id from episode where client_id = ${clientId} and closed_on is null`;
  if (open.length > 0)
    throw new Refused("conflict", "An episode is still open: close it first, or add the condition to it.");
  await writePerson(ctx, clientId, input.person);
  await insertEpisode(ctx, clientId, input.episodeId, input.episode);
  await audit(ctx, "episode.begin", "episode", input.episodeId, before, {
    ...input.person,
    ...input.episode,
  });
}

/** Changes the story. `version` is the one the person started from. */
export async function changeStory(
  ctx: Ctx,
  client: ClientEpisode,
  input: { version: number; evenIfChanged: boolean; person: PersonInput; episode: EpisodeInput },
): Promise<void> {
  mustMay(ctx, "story.write");
  const { person, episode } = input;
  mustBePast(ctx, person, episode);
  const before = await storyOf(ctx, client);
  const columns = columnsOf(episode);
  const rows = await ctx.tx`
    update episode set ${ctx.tx({ ...columns, ...listsOf(ctx, episode) } as never)},
      story_at = case when usual_pain = ${columns.usual_pain} and first_swelling = ${columns.first_swelling}
        then story_at else ${ctx.now} end,
      version = version + 1
    where id = ${client.episodeId} and (version = ${input.version} or ${input.evenIfChanged}) and closed_on is null
    returning id`;
  if (rows.length === 0) throw await changedMeanwhile(ctx, client);
  await writePerson(ctx, client.clientId, person);
  await syncConditions(ctx, client.episodeId, episode);
  await audit(
    ctx,
    "story.change",
    "episode",
    client.episodeId,
    { ...personOf(client), ...before },
    { ...person, ...episode },
  );
}

async function writePerson(ctx: Ctx, clientId: string, person: PersonInput): Promise<void> {
  await ctx.tx`
    update client set name = ${person.name}, occupation = ${person.occupation}, birth_year = ${person.birthYear},
      height_m = ${person.heightM},
      body_mass_at = case when abs(body_mass_of(client) - ${person.bodyMassKg}) < 0.25 then body_mass_at else ${ctx.now} end,
      body_mass_kg = case when abs(body_mass_of(client) - ${person.bodyMassKg}) < 0.25 then body_mass_kg else ${person.bodyMassKg} end,
      shank_length_m = ${person.shankLengthM},
      norm_sex = ${person.normSex}
    where id = ${clientId}`;
}

async function changedMeanwhile(ctx: Ctx, client: ClientEpisode): Promise<Refused> {
  const [r] = await ctx.tx`
    select p.name from audit a join person p on p.id = a.person_id
    where a.subject_id = ${client.episodeId} and a.deed in ('story.change', 'episode.close')
    order by a.id desc limit 1`;
  return new Refused(
    "conflict",
    `${r?.name ?? "Somebody"} changed this story meanwhile. What you typed is still here: save it over theirs, or open the story in another tab and compare first.`,
  );
}

/** Closes an episode with a reason; it stays in the record. */
export async function closeEpisode(
  ctx: Ctx,
  client: ClientEpisode,
  input: { version: number; because: string },
): Promise<void> {
  mustMay(ctx, "story.write");
  const [running] = await ctx.tx`
    select 1 from visit s where s.episode_id = ${client.episodeId}
      and not exists (select 1 from visit_end e where e.visit_id = s.id)`;
  if (running) throw new Refused("conflict", "A session is still open on the floor: end it first.");
  const rows = await ctx.tx`
    update episode set closed_on = ${today(ctx)}, closed_because = ${input.because}, version = version + 1
    where id = ${client.episodeId} and version = ${input.version} and closed_on is null returning id`;
  if (rows.length === 0)
    throw new Refused("conflict", "Somebody changed this story meanwhile. Reload the page and look again.");
  await audit(ctx, "episode.close", "episode", client.episodeId, null, { because: input.because });
}

const personOf = (c: ClientEpisode): PersonInput => ({
  name: c.name,
  occupation: c.occupation,
  birthYear: c.birthYear,
  heightM: c.heightM,
  bodyMassKg: c.bodyMassKg,
  shankLengthM: c.shankLengthM,
  normSex: c.normSex,
});

function mustBePast(ctx: Ctx, person: Pick<PersonInput, "birthYear">, e: EpisodeInput): void {
  if (e.beganOn > today(ctx))
    throw new InputError("episode.beganOn", "This date is in the future: check the year.");
  const late = e.conditions.findIndex((c) => c.beganOn !== null && c.beganOn > today(ctx));
  if (late >= 0)
    throw new InputError(`episode.conditions.${late}.beganOn`, "This date is in the future: check the year.");
  const year = Number(today(ctx).slice(0, 4));
  if (person.birthYear > year)
    throw new InputError("person.birthYear", "The birth year is in the future: check it.");
  if (Number(e.beganOn.slice(0, 4)) < person.birthYear)
    throw new InputError("episode.beganOn", "This date is before the client was born: check the year.");
}

/** What the diagnosis is called: the clinic's words, or the names of the conditions. */
function calledAs(e: EpisodeInput): string {
  if (e.calledAs) return e.calledAs;
  const named = e.conditions.flatMap((c) => {
    const found = conditionById(c.conditionId);
    return found ? [lowerFirst(found.name)] : [];
  });
  return [...named, ...e.uncovered.map((id) => UNCOVERED[id as Uncovered])].join(", ");
}

function headGoal(e: EpisodeInput): string {
  const hardest = e.goals.reduce((a, b) => (b.hard > a.hard ? b : a));
  return hardest.words || (GOALS.find((g) => g.id === hardest.goalId)?.name ?? "");
}

/** Lists of the story as they are written. */
const listsOf = (ctx: Ctx, e: EpisodeInput) => ({
  goals: ctx.tx.json(e.goals as never),
  activities: ctx.tx.json(e.activities as never),
  markers: ctx.tx.json(e.markers as never),
  regions: ctx.tx.json(e.regions as never),
});

/** The columns of an episode from what was entered; lists are added as JSON by who writes. */
function columnsOf(e: EpisodeInput) {
  return {
    side: e.side,
    condition: calledAs(e),
    began_on: e.beganOn,
    began_with: e.beganWith,
    irritability: irritabilityFrom(e.bringsOn, e.settlesIn),
    // the usual level that the decision compares with is what it is now, before any work
    usual_pain: e.painNow,
    swelling_applies: e.swellingApplies,
    first_swelling: e.firstSwelling,
    goal: headGoal(e),
    pain_now: e.painNow,
    pain_worst: e.painWorst,
    pain_best: e.painBest,
    pain_marks: e.painMarks,
    brings_on: e.bringsOn,
    settles_in: e.settlesIn,
    details: e.details,
    surgeon_note: e.surgeonNote,
    rises: e.rises,
    climbs: e.climbs,
    is_inactive: e.isInactive,
    background: e.background,
    is_alone: e.isAlone,
    support: e.support,
    trains_at: e.trainsAt,
    weekdays: e.weekdays,
    uncovered: e.uncovered,
  };
}

async function insertEpisode(ctx: Ctx, clientId: string, episodeId: string, e: EpisodeInput): Promise<void> {
  const row = {
    id: episodeId,
    clinic_id: ctx.actor.clinicId,
    client_id: clientId,
    // holds where no condition of the rule base gives a rule
    pain_school: e.beganWith === "surgery" ? "post_op" : "monitoring",
    ...columnsOf(e),
    story_at: ctx.now,
    ...listsOf(ctx, e),
  };
  await ctx.tx`insert into episode ${ctx.tx(row as never)}`;
  await syncConditions(ctx, episodeId, e);
}

/** New conditions begin in their first phase: weeks alone open nothing. What is no longer named ends. */
async function syncConditions(ctx: Ctx, episodeId: string, e: EpisodeInput): Promise<void> {
  for (const { conditionId, variantId, beganOn } of e.conditions) {
    const first = conditionById(conditionId)?.phases[0];
    if (!first) throw new InputError("episode.conditions", { code: "input.choose_condition" });
    await ctx.tx`
      insert into episode_condition (id, clinic_id, episode_id, condition_id, variant_id, phase_id, phase_since, began_on,
        set_by, set_at)
      values (${crypto.randomUUID()}, ${ctx.actor.clinicId}, ${episodeId}, ${conditionId}, ${variantId}, ${first.id},
        ${today(ctx)}, ${beganOn ?? e.beganOn}, ${ctx.actor.personId}, ${ctx.now})
      on conflict (episode_id, condition_id) do update
        set variant_id = excluded.variant_id, began_on = excluded.began_on, ended_on = null,
          version = episode_condition.version + 1`;
  }
  const kept = e.conditions.map((c) => c.conditionId);
  await ctx.tx`
    update episode_condition set ended_on = ${today(ctx)}, version = version + 1
    where episode_id = ${episodeId} and ended_on is null and not (condition_id = any(${kept}))`;
}

/** An episode of the past, or the open one, as the list of a client's episodes shows it. */
export interface EpisodeSummary {
  episodeId: string;
  side: string;
  condition: string;
  beganOn: string;
  closedOn: string | null;
  closedBecause: string | null;
  tests: number;
  sessions: number;
  goal: string;
}

/** All episodes of a client, newest first. */
export async function episodesOf(
  ctx: Ctx,
  clientId: string,
): Promise<{ name: string; person: PersonInput; episodes: EpisodeSummary[] }> {
  const [client] =
    await ctx.tx`select c.*, body_mass_of(c) as mass_now from client c where c.id = ${clientId}`;
  if (!client) throw new Refused("missing", "There is no such client in this clinic. Go back to Today.");
  const rows = await ctx.tx`
    select e.*, (select count(*)::int from strength_test t where t.episode_id = e.id and t.voided_at is null) as tests,
      (select count(*)::int from visit s where s.episode_id = e.id) as sessions
    from episode e where e.client_id = ${clientId} order by e.closed_on is null desc, e.began_on desc`;
  return {
    name: client.name,
    person: {
      name: client.name,
      occupation: client.occupation,
      birthYear: client.birth_year,
      heightM: client.height_m,
      bodyMassKg: client.mass_now,
      shankLengthM: client.shank_length_m,
      normSex: client.norm_sex,
    },
    episodes: rows.map((r) => ({
      episodeId: r.id,
      side: r.side,
      condition: r.condition,
      beganOn: r.began_on,
      closedOn: r.closed_on,
      closedBecause: r.closed_because,
      tests: r.tests,
      sessions: r.sessions,
      goal: r.goal,
    })),
  };
}
