import "server-only";
import { withOwn } from "@/core/rules/exercises";
import { isAtHand } from "@/core/selection/fit/exerciseUse";
import { swapCandidates } from "@/core/selection/swap/swap";
import { type GoneLine, isGone } from "@/core/sheet/line/gone";
import { type Ctx, once } from "../base/context";
import type { ClientEpisode } from "../client/clients";
import { exercisesOf } from "../clinic/exercises";
import { machinesOf } from "../clinic/machines";
import { knownFacts } from "../facts/choose";
import { type SheetVersion, sheetsOf } from "../versions/sheets";

const MOST_INSTEAD = 3;

/** Lines of sheets whose machine is gone, each with what could stand in for it today. */
export const goneLines = (ctx: Ctx, client: ClientEpisode): Promise<GoneLine[]> =>
  once(ctx, `gone ${client.episodeId}`, async () =>
    goneOf(ctx, client, await sheetsOf(ctx, client.episodeId)),
  );

export async function goneOf(
  ctx: Ctx,
  client: ClientEpisode,
  sheets: readonly SheetVersion[],
): Promise<GoneLine[]> {
  const kept = sheets.flatMap((sheet) =>
    sheet.lines.flatMap((l) => (l.kept ? [{ sheet, kept: l.kept }] : [])),
  );
  if (kept.length === 0) return [];
  const machines = await machinesOf(ctx);
  const families = new Set<string>(machines.map((m) => m.family));
  const inUse = new Set(machines.map((m) => m.id));
  const own = (await exercisesOf(ctx)).filter((x) => x.origin !== "catalogue").map((x) => x.exercise);
  const byId = new Map(withOwn(own).map((e) => [e.id, e]));
  const atHand = (id: string) => {
    const e = byId.get(id);
    // at home it is done with what is there
    return !e || e.home_ready || isAtHand(e, families);
  };
  const gone = kept.filter((k) => isGone(k.kept, { inUse, isAtHand: atHand }));
  if (gone.length === 0) return [];
  const { limits, weight } = await knownFacts(ctx, client);
  return gone.map(({ sheet, kept }) => {
    const planned = byId.get(kept.exerciseId);
    const candidates = planned
      ? swapCandidates({ planned, exercises: [...byId.values()], limits, reason: "taken", families, weight })
      : [];
    return {
      sheetId: sheet.sheetId,
      sheetName: sheet.name,
      lineId: kept.lineId,
      exerciseId: kept.exerciseId,
      exerciseName: kept.name,
      machineName: kept.machineName,
      instead: candidates.slice(0, MOST_INSTEAD).map((c) => c.e.name),
    };
  });
}
