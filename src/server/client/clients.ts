import "server-only";
import { type Body, bodyFrom } from "@/core/body/segments";
import { schoolOf } from "@/core/phases/painSchool";
import { type Irritability, irritability, type School, school } from "@/core/progression/painRule";
import { conditionById } from "@/core/rules/conditions";
import { stanceId, stancesOf } from "@/core/rules/stances";
import { type Part, partOf } from "@/core/story/part";
import { ageYearsOn, fullWeeksBetween } from "@/core/units/days";
import type { Side } from "@/core/units/fields";
import type { Language } from "@/core/units/language";
import { type Ctx, dayOf, today } from "../base/context";
import { Refused } from "../base/refused";
import { clinicStances, optionInForce, type StanceChoice, type StancesInForce } from "./stances";

/** A client in one episode of care: what the header shows and the rules need. */
export interface ClientEpisode {
  clientId: string;
  episodeId: string;
  name: string;
  occupation: string;
  birthYear: number;
  heightM: number;
  bodyMassKg: number;
  shankLengthM: number | null;
  normSex: "female" | "male" | null;
  side: Side;
  /** where the problem is: "right knee", "left hip", "back, left leg" */
  where: string;
  part: Part;
  /** of the client's own pages and papers */
  language: Language;
  condition: string;
  beganOn: string;
  beganWith: "surgery" | "onset";
  school: School;
  irritability: Irritability;
  usualPain: number;
  /** the day on which pain and swelling of the story were asked */
  storyOn: string;
  swellingApplies: boolean;
  firstSwelling: number;
  goal: string;
  /** conditions the rule base does not cover */
  uncovered: string[];
  /** of the story; rises with each change of it */
  version: number;
}

const isUuid = (text: string): boolean => /^[0-9a-f]{8}-([0-9a-f]{4}-){3}[0-9a-f]{12}$/i.test(text);

/** The client's open episode. */
export async function clientEpisode(ctx: Ctx, clientId: string): Promise<ClientEpisode> {
  const found = isUuid(clientId) ? await clientEpisodes(ctx, { clientId }) : [];
  if (!found[0])
    throw new Refused("missing", "There is no such client in care in this clinic. Go back to Today.");
  return found[0];
}

/** All open episodes of the clinic, of one client, or those that are named; closed ones too where they are asked for. */
export async function clientEpisodes(
  ctx: Ctx,
  {
    clientId = null,
    episodeIds = null,
    closedToo = false,
  }: { clientId?: string | null; episodeIds?: string[] | null; closedToo?: boolean } = {},
): Promise<ClientEpisode[]> {
  const rows = await ctx.tx`
    select c.id as client_id, e.id as episode_id, c.name, c.occupation, c.birth_year, c.height_m, body_mass_of(c) as body_mass_kg,
      c.shank_length_m, c.norm_sex, c.language, e.side, e.condition, e.began_on, e.began_with, e.pain_school, e.irritability,
      e.usual_pain, e.story_at, e.swelling_applies, e.first_swelling, e.goal, e.uncovered, e.version,
      (select json_agg(json_build_object('conditionId', k.condition_id, 'variantId', k.variant_id, 'phaseId', k.phase_id)
          order by k.set_at, k.condition_id)
        from episode_condition k where k.episode_id = e.id and k.ended_on is null) as conditions,
      (select json_agg(json_build_object('stanceId', s.stance_id, 'optionId', s.option_id))
        from stance_choice s where s.episode_id = e.id
          and not exists (select 1 from stance_choice r where r.replaces = s.id)) as stances
    from client c join episode e on e.client_id = c.id
    where (e.closed_on is null or ${closedToo}) and (${clientId}::uuid is null or c.id = ${clientId})
      and (${episodeIds}::uuid[] is null or e.id = any(${episodeIds}::uuid[]))
    order by c.name`;
  if (rows.length === 0) return [];
  const clinic = await clinicStances(ctx);
  return rows.map((r) => {
    const conditions = (r.conditions ?? []) as ConditionRow[];
    const own = ((r.stances ?? []) as StanceChoice[]).map((s) => [s.stanceId, s] as const);
    return {
      clientId: r.client_id,
      episodeId: r.episode_id,
      name: r.name,
      occupation: r.occupation,
      birthYear: r.birth_year,
      heightM: r.height_m,
      bodyMassKg: r.body_mass_kg,
      shankLengthM: r.shank_length_m,
      normSex: r.norm_sex,
      side: r.side,
      part: partOfRows(conditions),
      where: whereOf(r.side, partOfRows(conditions)),
      language: r.language,
      condition: r.condition,
      beganOn: r.began_on,
      beganWith: r.began_with,
      school:
        derivedSchool(conditions, r.began_with, { client: new Map(own), clinic }) ??
        school.parse(r.pain_school),
      irritability: irritability.parse(r.irritability),
      usualPain: r.usual_pain,
      storyOn: dayOf(ctx, r.story_at),
      swellingApplies: r.swelling_applies,
      firstSwelling: r.first_swelling,
      goal: r.goal,
      uncovered: r.uncovered,
      version: r.version,
    };
  });
}

interface ConditionRow {
  conditionId: string;
  variantId: string;
  phaseId: string;
}

const partOfRows = (rows: readonly ConditionRow[]): Part =>
  partOf(rows.flatMap((c) => conditionById(c.conditionId)?.main_region ?? []));

const whereOf = (side: Side, part: Part): string =>
  part === "back" ? `back, ${side} leg` : `${side} ${part}`;

/** The pain rule that follows from conditions and stances; null without a condition of the rule base. */
function derivedSchool(
  rows: readonly ConditionRow[],
  beganWith: "surgery" | "onset",
  stances: StancesInForce,
): School | null {
  return schoolOf(
    rows.flatMap((r) => {
      const condition = conditionById(r.conditionId);
      if (!condition) return [];
      const id = stanceId(condition.id, "pain_school");
      const standard = stancesOf(condition, r.variantId).find((s) => s.id === id)?.defaultId ?? "";
      return [
        { condition, phaseId: r.phaseId, beganWith, painStance: optionInForce(stances, id) ?? standard },
      ];
    }),
  );
}

export const ageYearsOf = (ctx: Ctx, c: Pick<ClientEpisode, "birthYear">): number =>
  ageYearsOn(today(ctx), c.birthYear);

/** Full weeks since surgery; null where nothing was operated. */
export const weeksAfterSurgery = (
  ctx: Ctx,
  c: Pick<ClientEpisode, "beganWith" | "beganOn">,
): number | null => (c.beganWith === "surgery" ? fullWeeksBetween(c.beganOn, today(ctx)) : null);

export const bodyOf = (c: Pick<ClientEpisode, "bodyMassKg" | "heightM" | "shankLengthM">): Body =>
  bodyFrom(c.bodyMassKg, c.heightM, c.shankLengthM ?? undefined);
