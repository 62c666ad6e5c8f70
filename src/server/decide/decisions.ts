import "server-only";
import { randomUUID } from "node:crypto";
import { underToday } from "@/core/decision/underToday";
import type { Action } from "@/core/progression/safetyRules";
import { type SheetLine, sheetLine } from "@/core/sheet/line/sheetInput";
import type { DecisionsTaken } from "@/core/visit/visitInput";
import { TELL_TODAY } from "@/words/en/progression";
import { sayPlainly } from "@/words/say";
import { audit } from "../base/audit";
import { type Ctx, mustMay } from "../base/context";
import { lockEpisode } from "../base/lock";
import { attempted, mustBeSame, Refused } from "../base/refused";
import type { ClientEpisode } from "../client/clients";
import { contextOfSheet } from "../facts/sheetFacts";
import { writeVersion } from "../sheets/saveSheet";
import { sheetsOf } from "../versions/sheets";
import { type LineDraft, type VisitDraft, visitDrafts } from "./decisionDrafts";

/** A decision for one line, or for all of them, as it is written. */
interface Written {
  id: string;
  draft: LineDraft;
  lineId: string | null;
  action: Action;
  overrideReason: string | null;
  byOrderOf: string | null;
}

/**
 * Takes decisions for lines of a visit, together: the computed ones, or others with a reason. The drafts are computed
 * again here; if one is no longer what the person saw, nothing is written. What changes is saved as the sheet's next
 * version in the same transaction.
 */
export async function takeDecisions(ctx: Ctx, client: ClientEpisode, taken: DecisionsTaken): Promise<void> {
  mustMay(ctx, "decision.take");
  await lockEpisode(ctx, client.episodeId);
  if (await wasTaken(ctx, taken)) return;
  const draft = (await visitDrafts(ctx, client)).find((d) => d.visit.id === taken.visitId);
  if (!draft)
    throw new Refused("conflict", "This visit has been decided already. Reload to see by whom and how.");
  if (draft.stopsAll && taken.lines.some((t) => t.lineId !== null || t.action !== "STOP_REFER"))
    throw attempted(
      "decision.stop",
      new Refused(
        "conflict",
        "What was found stops all lines: one decision, to stop and refer, closes the sheet. Clear the sign first if it was an error.",
      ),
    );
  const written = taken.lines.map((t): Written => {
    const line = t.lineId === null ? draft.lines[0] : draft.lines.find((l) => l.plan.lineId === t.lineId);
    if (!line || (t.lineId === null && !draft.stopsAll && t.action !== "STOP_REFER"))
      throw new Refused("conflict", "This line has been decided already. Reload to see by whom and how.");
    if (line.decision.action !== t.computedAction)
      throw new Refused(
        "conflict",
        "The facts changed meanwhile and so did the draft. Reload, read the reasons, decide again.",
      );
    if (t.action === "PROGRESS" && !draft.visit.morning)
      throw attempted(
        "decision.early",
        new Refused(
          "conflict",
          "Nobody steps up before the next morning is known. Stay, step back or stop now, or wait for the answer.",
        ),
      );
    return {
      id: t.id,
      draft: line,
      lineId: t.lineId,
      action: t.action,
      overrideReason: t.overrideReason,
      byOrderOf: null,
    };
  });
  await writeDecisions(ctx, client, draft, written, "decision");
}

/** The same decisions sent twice change nothing; others under the same ids are refused and kept aside. */
async function wasTaken(ctx: Ctx, taken: DecisionsTaken): Promise<boolean> {
  const rows = await ctx.tx`
    select id, visit_id, line_id, action, computed_action, override_reason from decision
    where id = any(${taken.lines.map((l) => l.id)}::uuid[])`;
  if (rows.length === 0) return false;
  const isSame =
    rows.length === taken.lines.length &&
    taken.lines.every((t) => {
      const known = rows.find((r) => r.id === t.id);
      return (
        known?.visit_id === taken.visitId &&
        known.line_id === t.lineId &&
        known.action === t.action &&
        known.computed_action === t.computedAction &&
        known.override_reason === t.overrideReason
      );
    });
  mustBeSame(isSame, "decision.repeat", "These decisions were taken before, and differently");
  return true;
}

/** Writes decisions and the sheet's next version. The caller holds the episode's lock. */
export async function writeDecisions(
  ctx: Ctx,
  client: ClientEpisode,
  draft: VisitDraft,
  written: readonly Written[],
  origin: "decision" | "standing_order",
): Promise<void> {
  const nextId = await saveNext(ctx, client, draft, written, origin);
  for (const w of written) {
    const { decision, input } = w.draft;
    const next = w.draft.next[w.action];
    const said = decision.tellsTherapist ? `${next.sentence} ${TELL_TODAY}` : next.sentence;
    const rows = await ctx.tx`
      insert into decision (id, clinic_id, visit_id, line_id, input, computed_action, rules, reasons, changes, action,
        override_reason, banks, sentence, by_order_of, next_version_id, decided_at, decided_by)
      values (${w.id}, ${ctx.actor.clinicId}, ${draft.visit.id}, ${w.lineId}, ${ctx.tx.json(input as never)},
        ${decision.action}, ${decision.rules}, ${decision.reasons.map((r) => sayPlainly(r.why))},
        ${ctx.tx.json(next.changes as never)}, ${w.action}, ${w.overrideReason},
        ${w.action === "HOLD" && decision.change.bank === 1}, ${said}, ${w.byOrderOf}, ${nextId}, ${ctx.now},
        ${ctx.actor.personId})
      on conflict do nothing returning id`;
    if (rows.length === 0)
      throw new Refused("conflict", "This line has been decided already. Reload to see by whom and how.");
  }
  await audit(
    ctx,
    origin === "decision" ? "decision.take" : "decision.by_order",
    "visit",
    draft.visit.id,
    { computed: written.map((w) => w.draft.decision.action) },
    {
      actions: written.map((w) => w.action),
      lines: written.map((w) => w.draft.kept.name),
      overrideReasons: written.flatMap((w) => w.overrideReason ?? []),
    },
  );
}

/** Saves what the actions make of the sheet; null where it stays as it is. A barred step is not taken. */
async function saveNext(
  ctx: Ctx,
  client: ClientEpisode,
  draft: VisitDraft,
  written: readonly Written[],
  origin: "decision" | "standing_order",
): Promise<string | null> {
  // a stop for all leaves the sheet as it is: it is closed until a therapist writes a new version
  if (written.some((w) => w.lineId === null)) return null;
  const { sheet } = draft.visit;
  const current = (await sheetsOf(ctx, client.episodeId)).find((s) => s.sheetId === sheet.sheetId);
  // lines decided before, by a standing order, already changed the sheet; somebody's newer version stands as theirs
  const isOurs = current && (current.id === sheet.id || current.origin === "standing_order");
  if (!current || !isOurs) return null;
  // what stays leaves the sheet as it is
  if (written.every((w) => w.action === "HOLD")) return null;
  const context = await contextOfSheet(ctx, client, current);
  const items = current.lines.flatMap(({ plan }): SheetLine[] => {
    const w = written.find((x) => x.lineId === plan.lineId);
    if (!w) return [underToday(plan, context)];
    const next = w.draft.next[w.action];
    if (next.bars && w.action !== "HOLD")
      throw new Refused(
        "conflict",
        `The next step of ${w.draft.kept.name} cannot be set: ${sayPlainly(next.bars)}. Change the sheet, or decide otherwise.`,
      );
    return next.line ? [next.line] : [];
  });
  const isChanged =
    JSON.stringify(sheetLine.array().parse(items)) !== JSON.stringify(current.lines.map((l) => l.plan));
  if (!isChanged || items.length === 0) return null;
  const [first, ...rest] = items as [SheetLine, ...SheetLine[]];
  const saved = await writeVersion(ctx, client, {
    id: randomUUID(),
    sheetId: sheet.sheetId,
    version: current.version + 1,
    items: [{ ...first, sharesRests: false }, ...rest],
    origin,
    before: current,
  });
  return saved.id;
}
