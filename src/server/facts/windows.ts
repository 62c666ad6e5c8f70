import "server-only";
import { type AllowedWindow, kneeWindow } from "@/core/bounds/window";
import { newestOf } from "@/core/measure/findings";
import type { MeasuredMotion } from "@/core/selection/fit/allowedArc";
import { type Ctx, once } from "../base/context";
import { boundsOf } from "../bounds/limits";
import type { ClientEpisode } from "../client/clients";
import { measurementsOf } from "../measure/otherMeasurements";

/** What the knee does, measured; null where it was not. */
export async function motionOf(ctx: Ctx, client: ClientEpisode): Promise<MeasuredMotion> {
  const measured = await measurementsOf(ctx, client.episodeId);
  const short = newestOf(measured, "knee_straightening", client.side)?.value ?? null;
  return {
    shortOfStraightDeg: short !== null && short > 0 ? short : null,
    bendDeg: newestOf(measured, "knee_bend", client.side)?.value ?? null,
  };
}

/** The knee under load today: limits and what this knee does. The same on every page. */
export const kneeWindowOf = (ctx: Ctx, client: ClientEpisode): Promise<AllowedWindow> =>
  once(ctx, `knee window ${client.episodeId}`, async () =>
    kneeWindow(await boundsOf(ctx, client), await motionOf(ctx, client)),
  );
