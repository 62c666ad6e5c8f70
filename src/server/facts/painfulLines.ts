import "server-only";
import { withOwn } from "@/core/rules/exercises";
import type { KeptLine } from "@/core/sheet/line/keptLine";
import { type PainfulArc, painfulByLine } from "@/core/strength/painfulArc";
import type { Ctx } from "../base/context";
import type { ClientEpisode } from "../client/clients";
import { exercisesOf } from "../clinic/exercises";
import { painfulArcsOf } from "../measure/otherMeasurements";

/** Kept lines that come into where it hurts now, by line: the floor and the decision say it. Rule K27. */
export async function painfulLines(
  ctx: Ctx,
  client: ClientEpisode,
  lines: readonly (KeptLine | null)[],
): Promise<Record<string, PainfulArc>> {
  const arcs = await painfulArcsOf(ctx, client);
  if (arcs.length === 0) return {};
  const exercises = withOwn((await exercisesOf(ctx)).map((x) => x.exercise));
  const classOf = (id: string) => exercises.find((e) => e.id === id)?.match.class ?? "";
  return painfulByLine(
    lines.flatMap((l) => (l ? [{ ...l, exerciseClass: classOf(l.exerciseId) }] : [])),
    arcs,
  );
}
