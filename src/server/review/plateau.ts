import "server-only";
import { PLATEAU_DAYS, type Plateau, plateauOf, wasTried } from "@/core/capacity/plateau";
import type { Direction } from "@/core/selection/setUp/strengthKnown";
import { bandOf } from "@/core/sheet/effect/setBand";
import { daysAfter } from "@/core/units/days";
import { isSore } from "@/core/visit/between/offersAreOpen";
import { leftOver } from "@/core/visit/leftOver";
import { type Ctx, today } from "../base/context";
import { painMaxFor } from "../bounds/limits";
import type { ClientEpisode } from "../client/clients";
import { legKnown } from "../facts/legs";
import { linesDone } from "../history/linesDone";
import { setsDoneWithin } from "../history/setsDone";
import { recentVisits } from "../history/visits";
import { blockOf } from "../week/blocks";
import { muscleCredits, setAimOf } from "../week/weekSets";

const WEEKS = PLATEAU_DAYS / 7;
const MUSCLE = { extension: "quads", flexion: "hams" } as const satisfies Record<Direction, string>;

/** Movements of the knee that four weeks of work did not make stronger, with what fits, in phases that are for strength. Rule P5. */
export async function plateausOf(
  ctx: Ctx,
  client: ClientEpisode,
): Promise<(Plateau & { direction: Direction })[]> {
  const aim = await setAimOf(ctx, client);
  if (!aim || (aim.stage !== "build" && aim.stage !== "strong")) return [];
  const now = today(ctx);
  const since = daysAfter(now, -PLATEAU_DAYS);
  const visits = (await recentVisits(ctx, client.episodeId)).filter((v) => v.day > since);
  const block = await blockOf(ctx, client.episodeId);
  const planned = block?.days.filter((d) => d.on > since && d.on < now).length || null;
  const tried = { visits: new Set(visits.map((v) => v.day)).size, planned };
  if (!wasTried(tried)) return [];
  const { credit } = await muscleCredits(ctx);
  const done = await setsDoneWithin(ctx, client.episodeId, PLATEAU_DAYS);
  const byMuscle = credit(done.filter((d) => d.on > since));
  const pain = { painMax: await painMaxFor(ctx, client), usualPain: client.usualPain };
  const soreMornings = visits.filter((v) => isSore(v, pain)).length;
  const { strength } = await legKnown(ctx, client);
  const lines = (await linesDone(ctx, client.episodeId)).filter((l) => l.on > since);
  return (["extension", "flexion"] as const).flatMap((direction) => {
    const muscle = MUSCLE[direction];
    const found = plateauOf({
      moved: strength[direction].moved,
      today: now,
      ...tried,
      setsAWeek: (byMuscle[muscle] ?? 0) / WEEKS,
      leastSets: bandOf(aim.stage, muscle, aim.aimed).from,
      leftOver: leftOver(lines.filter((l) => l.kept.station?.direction === direction)),
      soreMornings,
    });
    return found ? [{ ...found, direction }] : [];
  });
}
