import "server-only";
import { PLATEAU_DAYS, type Plateau, plateauOf } from "@/core/capacity/plateau";
import type { Direction } from "@/core/selection/setUp/strengthKnown";
import { bandOf } from "@/core/sheet/effect/setBand";
import { daysAfter } from "@/core/units/days";
import { type Ctx, dayOf, today } from "../base/context";
import type { ClientEpisode } from "../client/clients";
import { knownFacts } from "../facts/choose";
import { linesDone } from "../history/linesDone";
import { setsDoneSince } from "../history/setsDone";
import { recentVisits } from "../history/visits";
import { blockOf } from "../week/blocks";
import { muscleCredits, setAimOf } from "../week/weekSets";

/** Of the usual pain, or of swelling in grades, from which a morning is sore. */
const SORE = { painOver: 2, swelling: 2 } as const;
const DAY_MS = 86_400_000;
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
  const credit = await muscleCredits(ctx);
  const done = await setsDoneSince(
    ctx,
    client.episodeId,
    new Date(ctx.now.getTime() - PLATEAU_DAYS * DAY_MS),
  );
  const byMuscle = credit(done.filter((d) => d.on > since));
  const soreMornings = visits.filter(
    (v) =>
      v.morning !== null &&
      (v.morning.pain >= client.usualPain + SORE.painOver || (v.morning.swelling ?? 0) >= SORE.swelling) &&
      dayOf(ctx, v.morning.enteredAt) > since,
  ).length;
  const { strength } = await knownFacts(ctx, client);
  const lines = (await linesDone(ctx, client.episodeId)).filter((l) => l.on > since);
  return (["extension", "flexion"] as const).flatMap((direction) => {
    const muscle = MUSCLE[direction];
    const found = plateauOf({
      moved: strength[direction].moved,
      today: now,
      visits: new Set(visits.map((v) => v.day)).size,
      planned,
      setsAWeek: (byMuscle[muscle] ?? 0) / WEEKS,
      leastSets: bandOf(aim.stage, muscle, aim.aimed).from,
      leftOver: leftOver(lines.filter((l) => l.kept.station?.direction === direction)),
      soreMornings,
    });
    return found ? [{ ...found, direction }] : [];
  });
}

/** Mean of what was said to be left over what was planned to be. */
function leftOver(lines: Awaited<ReturnType<typeof linesDone>>): number | null {
  const over = lines.flatMap((l) =>
    l.records.flatMap((r) => {
      const planned = (l.kept.sets[r.setNo - 1] ?? l.kept.sets.at(-1))?.reserve ?? null;
      return r.reserve === null || planned === null ? [] : [r.reserve - planned];
    }),
  );
  return over.length === 0 ? null : over.reduce((a, b) => a + b, 0) / over.length;
}
