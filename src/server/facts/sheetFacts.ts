import "server-only";
import { leading } from "@/core/drafts/leading";
import { personalFactor } from "@/core/isometrics/personalFactor";
import { type WeakerLeg, weakerLeg } from "@/core/measure/weakerLeg";
import type { Direction } from "@/core/selection/setUp/strengthKnown";
import { chairRise } from "@/core/selection/tissue/tissues";
import { factsOfSheet } from "@/core/sheet/judge/atHome";
import type { ScoreContext } from "@/core/sheet/judge/judgeScore";
import type { ClientSchemeFacts } from "@/core/sheet/judge/schemeFacts";
import { type PlainScoreFacts, scoreContextOf } from "@/core/sheet/judge/scoreContextOf";
import { type OrderSchool, USUAL_ORDER } from "@/core/sheet/order/sessionScore";
import { isNovice, NOVICE_VISITS } from "@/core/story/daily";
import type { Side } from "@/core/units/fields";
import { InputError } from "@/core/units/inputError";
import { type Ctx, once } from "../base/context";
import type { ClientEpisode } from "../client/clients";
import { conditionsOf } from "../client/conditions";
import { optionInForce, stancesInForce } from "../client/stances";
import { backgroundOf } from "../client/story";
import { holdsBelongOf } from "../history/markers";
import { daysSinceAccumulated, lastWorstPain, timedHolds, visitsDone } from "../history/past";
import { testsOf } from "../measure/measurements";
import { type ChooseFacts, knownFacts } from "./choose";

/** All that a sheet of a client is judged by, as plain data for the page. */
export interface SheetFacts extends PlainScoreFacts {
  choose: ChooseFacts;
  school: OrderSchool;
  /** the side that this is about, and which leg is clearly weaker in each direction */
  side: Side;
  weaker: Record<Direction, WeakerLeg | null>;
}

/** What decides which schemes may be used for a client: from what was done, never from what was planned. */
export async function schemeFactsFor(ctx: Ctx, client: ClientEpisode): Promise<ClientSchemeFacts> {
  const stage = leading(await conditionsOf(ctx, client.episodeId))?.phase.stage ?? null;
  return {
    isPostOp: client.school === "post_op",
    isLate: stage === "strong" || stage === "keep",
    isNovice: isNovice(
      await backgroundOf(ctx, client.episodeId),
      await visitsDone(ctx, client.episodeId, NOVICE_VISITS),
    ),
    irritability: client.irritability,
    lastPain: await lastWorstPain(ctx, client.episodeId),
    daysSinceAccumulated: await daysSinceAccumulated(ctx, client.episodeId),
  };
}

/** What every line of a client is judged by. Throws InputError where a usual chair is out of the model's reach. */
export const sheetFacts = (ctx: Ctx, client: ClientEpisode): Promise<SheetFacts> =>
  once(ctx, `sheet facts ${client.episodeId}`, async () => {
    const choose = await knownFacts(ctx, client);
    const chair = chairRise(choose.body);
    if (!chair) throw new InputError("body", "A usual chair is out of the model's reach for this body.");
    const tests = await testsOf(ctx, client.episodeId);
    return {
      choose,
      chair,
      known: await schemeFactsFor(ctx, client),
      personal: personalFactor("knee", await timedHolds(ctx, client.episodeId)),
      school: await orderSchool(ctx, client.episodeId),
      side: client.side,
      weaker: {
        extension: weakerLeg(tests, "knee_extension", client.side),
        flexion: weakerLeg(tests, "knee_flexion", client.side),
      },
    };
  });

/** The same for a sheet that was saved: at home there is what people have there. */
export const contextOfSheet = async (
  ctx: Ctx,
  client: ClientEpisode,
  sheet: Parameters<typeof factsOfSheet>[1],
): Promise<ScoreContext> => scoreContextOf(factsOfSheet(await sheetFacts(ctx, client), sheet));

/** The second view of each question: calves first, isolation before the press; `otherwise`: one answered so. */
export async function orderSchool(
  ctx: Ctx,
  episodeId: string,
  otherwise: { id: string; optionId: string } | null = null,
): Promise<OrderSchool> {
  const stances = await stancesInForce(ctx, episodeId);
  const answer = (id: string) => (otherwise?.id === id ? otherwise.optionId : optionInForce(stances, id));
  return {
    ...USUAL_ORDER,
    calvesFirst: answer("d_calves_order") === "view_2",
    isolationFirst: answer("d_ext_before_press") === "view_1",
    holds: await holdsBelongOf(ctx, episodeId),
  };
}
