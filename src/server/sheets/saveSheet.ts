import "server-only";
import { itemsOf } from "@/core/sheet/effect/scoreItems";
import { factsAtHome, factsOfSheet } from "@/core/sheet/judge/atHome";
import { judgeScore, standingBars } from "@/core/sheet/judge/judgeScore";
import { keep } from "@/core/sheet/judge/keep";
import { scoreContextOf } from "@/core/sheet/judge/scoreContextOf";
import type { KeptLine } from "@/core/sheet/line/keptLine";
import { type SheetInputData, type SheetLine, sheetLine } from "@/core/sheet/line/sheetInput";
import { scoreTotals } from "@/core/sheet/order/sessionScore";
import { InputError } from "@/core/units/inputError";
import { sayPlainly } from "@/words/say";
import { audit } from "../base/audit";
import { type Ctx, mustMay } from "../base/context";
import { lockEpisode } from "../base/lock";
import { attempted, mustBeSame, Refused } from "../base/refused";
import { planningBarred } from "../bounds/limits";
import type { ClientEpisode } from "../client/clients";
import { sheetFacts } from "../facts/sheetFacts";
import { type SheetVersion, sheetsOf, versionById } from "../versions/sheets";

/** Saves a new version of a sheet, or a new sheet. Every line is judged by the core again; what is barred is refused. */
export async function saveSheet(
  ctx: Ctx,
  client: ClientEpisode,
  input: SheetInputData,
): Promise<SheetVersion> {
  mustMay(ctx, "plan.write");
  await lockEpisode(ctx, client.episodeId);
  const known = await ctx.tx`
    select v.id from sheet_version v join sheet s on s.id = v.sheet_id
    where v.id = ${input.id} and s.episode_id = ${client.episodeId}`;
  if (known.length > 0) {
    const before = await versionById(ctx, input.id);
    const isSame =
      before.sheetId === input.sheetId &&
      before.version === input.baseVersion + 1 &&
      plainText(before.lines.map((l) => l.plan)) ===
        plainText(
          ordersSigned(
            ctx,
            input.items,
            before.lines.map((l) => l.plan),
          ),
        );
    mustBeSame(isSame, "sheet.repeat", "A sheet with this id was saved before, and differently");
    return before;
  }
  const barred = await planningBarred(ctx, client);
  if (barred) throw attempted("plan.past", new Refused("conflict", barred));
  const sheets = await sheetsOf(ctx, client.episodeId);
  const newest = sheets.find((s) => s.sheetId === input.sheetId) ?? null;
  if ((newest?.version ?? 0) !== input.baseVersion)
    throw new Refused(
      "conflict",
      `${newest?.by ?? "Somebody"} saved version ${newest?.version ?? 1} of this sheet meanwhile. What you made is kept on this device: reload the page to see theirs, then take yours up again.`,
    );
  const named = sheets.find((s) => s.sheetId !== input.sheetId && sameName(s.name, input.name));
  if (named)
    throw new InputError("name", `There is a sheet called ${named.name} already: choose another name.`);
  const items = ordersSigned(ctx, input.items, newest?.lines.map((l) => l.plan) ?? []);
  if (newest) await ctx.tx`update sheet set name = ${input.name} where id = ${input.sheetId}`;
  else await makeSheet(ctx, client, input);
  return writeVersion(ctx, client, {
    id: input.id,
    sheetId: input.sheetId,
    version: input.baseVersion + 1,
    items,
    origin: "desk",
    before: newest,
    isForHome: (newest?.place ?? input.place) === "home",
  });
}

/** Parsed first, so that the order of keys does not matter. */
const plainText = (items: readonly SheetLine[]): string => JSON.stringify(sheetLine.array().parse(items));
const sameName = (a: string, b: string): boolean => a.toLowerCase() === b.trim().toLowerCase();

/** A standing order says who gave it: the one who changed it last. */
function ordersSigned(ctx: Ctx, items: readonly SheetLine[], before: readonly SheetLine[]): SheetLine[] {
  return items.map((line) => {
    if (!line.standingOrder) return line;
    const old = before.find((b) => b.lineId === line.lineId)?.standingOrder;
    const { by: _, ...asked } = line.standingOrder;
    const { by: oldBy, ...was } = old ?? { by: null };
    const isKept = oldBy != null && JSON.stringify(was) === JSON.stringify(asked);
    return { ...line, standingOrder: { ...asked, by: isKept ? oldBy : ctx.actor.name } };
  });
}

async function makeSheet(ctx: Ctx, client: ClientEpisode, input: SheetInputData): Promise<void> {
  const made = await ctx.tx`
    insert into sheet (id, clinic_id, episode_id, name, place, made_by, made_at)
    values (${input.sheetId}, ${ctx.actor.clinicId}, ${client.episodeId}, ${input.name}, ${input.place},
      ${ctx.actor.personId}, ${ctx.now})
    on conflict do nothing returning id`;
  if (made.length === 0)
    throw new Refused(
      "conflict",
      "A sheet of this name was made meanwhile, or was put away. Reload the page.",
    );
}

/** Writes a version with its lines and their figures, after judging them again. The caller holds the episode's lock. */
export async function writeVersion(
  ctx: Ctx,
  client: ClientEpisode,
  v: {
    id: string;
    sheetId: string;
    version: number;
    items: readonly SheetLine[];
    origin: SheetVersion["origin"];
    before: SheetVersion | null;
    /** asked of who plans: what the clinic has is not at home */
    isForHome?: boolean;
  },
): Promise<SheetVersion> {
  const { tx, actor } = ctx;
  const { kept, seconds, hardReps, chairSeconds } = await judged(ctx, client, v, v.origin !== "desk");
  const written = await tx`
    insert into sheet_version (id, clinic_id, sheet_id, version, origin, seconds, hard_reps, kneecap_chair_s, made_by, made_at)
    values (${v.id}, ${actor.clinicId}, ${v.sheetId}, ${v.version}, ${v.origin}, ${seconds}, ${hardReps}, ${chairSeconds},
      ${actor.personId}, ${ctx.now})
    on conflict do nothing returning id`;
  if (written.length === 0)
    throw new Refused("conflict", "This sheet was saved meanwhile. What you made is still here: save again.");
  const rows = v.items.map((plan, i) => ({
    version_id: v.id,
    clinic_id: actor.clinicId,
    line_id: plan.lineId,
    seq: i + 1,
    exercise_id: plan.exerciseId,
    scheme_kind: plan.scheme.kind,
    plan: tx.json(plan as never),
    kept: tx.json(kept[i] as never),
  }));
  await tx`insert into sheet_line ${tx(rows)}`;
  ctx.asked?.clear();
  await audit(
    ctx,
    "sheet.write",
    "sheet",
    v.sheetId,
    v.before ? { exercises: v.before.lines.map((l) => l.plan.exerciseId) } : null,
    { exercises: v.items.map((l) => l.exerciseId), minutes: Math.round(seconds / 60), origin: v.origin },
  );
  return versionById(ctx, v.id);
}

async function judged(
  ctx: Ctx,
  client: ClientEpisode,
  v: { items: readonly SheetLine[]; before: SheetVersion | null; isForHome?: boolean },
  isDecided: boolean,
) {
  const isHome = v.isForHome ?? v.before?.place === "home";
  const usual = await sheetFacts(ctx, client);
  const asSaved = { place: isHome ? "home" : "gym", lines: v.items.map((plan) => ({ plan })) };
  const facts = v.isForHome ? factsAtHome(usual) : factsOfSheet(usual, asSaved);
  const context = scoreContextOf(facts);
  const lines = judgeScore(v.items, context);
  for (const [i, j] of lines.entries()) {
    const bars = isDecided ? standingBars(j) : j.bars;
    if (bars.length > 0)
      throw attempted(
        "plan.barred",
        new InputError(
          `items.${i}`,
          `${j.exercise?.name ?? `Line ${i + 1}`} is barred, because of: ${bars.map(sayPlainly).join("; ")}.`,
        ),
      );
  }
  const names = new Map(facts.choose.machines.map((m) => [m.id, m.name]));
  const kept: KeptLine[] = lines.map((j) => keep(j, context, names));
  const totals = scoreTotals(itemsOf(lines, (l) => l.lineId));
  return {
    kept,
    seconds: totals.seconds,
    hardReps: totals.hard,
    chairSeconds: kept.reduce((sum, k) => sum + k.kneecapChairS, 0),
  };
}

/** Puts a sheet away; what was run from it stays. */
export async function retireSheet(ctx: Ctx, client: ClientEpisode, sheetId: string): Promise<void> {
  mustMay(ctx, "plan.write");
  await lockEpisode(ctx, client.episodeId);
  const open = await ctx.tx`
    select 1 from visit w join sheet_version v on v.id = w.version_id
    where v.sheet_id = ${sheetId} and not exists (select 1 from visit_end e where e.visit_id = w.id)`;
  if (open.length > 0)
    throw new Refused("conflict", "A visit of this sheet is under way: close it on the floor first.");
  const rows = await ctx.tx`
    update sheet set retired_at = ${ctx.now}, retired_by = ${ctx.actor.personId}
    where id = ${sheetId} and episode_id = ${client.episodeId} and retired_at is null returning name`;
  if (!rows[0]) throw new Refused("missing", "This sheet is not there any more. Reload the page.");
  await audit(ctx, "sheet.retire", "sheet", sheetId, { name: rows[0].name }, null);
}
