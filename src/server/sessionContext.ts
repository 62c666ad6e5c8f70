import "server-only";
import type { ClientSchemeFacts } from "@/core/dose/schemeFacts";
import type { PlainScoreFacts } from "@/core/dose/scoreContextOf";
import { type OrderSchool, USUAL_ORDER } from "@/core/dose/sessionScore";
import type { DraftFacts } from "@/core/drafts/draftFacts";
import { personalFactor } from "@/core/isometrics/personalFactor";
import { type WeakerLeg, weakerLeg } from "@/core/measure/weakerLeg";
import type { Direction } from "@/core/selection/strengthKnown";
import { chairRise } from "@/core/selection/tissues";
import { timedHoldsFrom } from "@/core/session/sessionSummary";
import { daysBetween } from "@/core/units/days";
import type { Side } from "@/core/units/fields";
import { type ChooseFacts, chooseFacts } from "./choose";
import type { ClientEpisode } from "./clients";
import { type Ctx, dayOf, today } from "./context";
import { draftFacts } from "./drafts";
import { recordsByPlan } from "./floor/holdRecords";
import { sessionsOf } from "./floor/sessions";
import { testsOf } from "./measurements";
import { optionInForce, stancesInForce } from "./stances";
import { scoresOf } from "./storedScores";

/** All that a session of a client is judged by, as plain data for the page. */
export interface SessionFacts extends PlainScoreFacts {
  choose: ChooseFacts;
  school: OrderSchool;
  /** the side that this is about, and which leg is clearly weaker in each direction */
  side: Side;
  weaker: Record<Direction, WeakerLeg | null>;
  /** what a first draft is made from, or why none is made today */
  draft: DraftFacts | string;
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

/** The facts, or the sentence why no session can be drafted. */
export async function sessionFacts(ctx: Ctx, client: ClientEpisode): Promise<SessionFacts | string> {
  const choose = await chooseFacts(ctx, client);
  if (typeof choose === "string") return choose;
  const chair = chairRise(choose.body);
  if (!chair) return "A usual chair is out of the model's reach for this body.";
  const runs = await recordsByPlan(ctx, client.episodeId);
  const tests = await testsOf(ctx, client.episodeId);
  return {
    choose,
    chair,
    known: await schemeFactsFor(ctx, client),
    personal: personalFactor("knee", timedHoldsFrom(runs)),
    school: await orderSchool(ctx, client.episodeId),
    side: client.side,
    weaker: {
      extension: weakerLeg(tests, "knee_extension", client.side),
      flexion: weakerLeg(tests, "knee_flexion", client.side),
    },
    draft: await draftFacts(ctx, client),
  };
}

/** The second view of each question: calves first, isolation before the press. */
async function orderSchool(ctx: Ctx, episodeId: string): Promise<OrderSchool> {
  const stances = await stancesInForce(ctx, episodeId);
  return {
    ...USUAL_ORDER,
    calvesFirst: optionInForce(stances, "d_calves_order") === "view_2",
    isolationFirst: optionInForce(stances, "d_ext_before_press") === "view_1",
  };
}
