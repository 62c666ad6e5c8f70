import { z } from "zod";
import { aid } from "../selection/setUp/aid";
import { keptLine } from "../sheet/line/keptLine";
import { markerId } from "../story/markers";
import { painScore, uuid } from "../units/fields";
import { painsElsewhere } from "../units/painRegion";
import { earlyReason } from "./setRecord";
import { FEEL_IDS } from "./watched/feel";
import { seenFaults } from "./watched/seen";

/** Milliseconds of the tablet's clock. */
const at = z.number().int().min(0).max(8_640_000_000_000_000);
const lineId = uuid;
const scale = z.number().min(0).max(10).nullable();
const reps = z.number().int().min(0).max(200).nullable();
const loadKg = z.number().min(0).max(1000);
const words = z.string().trim().min(1).max(300);
const deg = z.number().min(-10).max(160);
const task = z.object({
  lineId,
  set: z.number().int().min(0).max(60),
  leg: z.enum(["both", "first", "second"]),
  bout: z.number().int().min(0).max(40),
});

/** What happens in a visit, in order; a visit is always a fold over these events. */
export const visitEvent = z.discriminatedUnion("type", [
  /** the machine is set and everything on its card was looked at */
  z.object({ type: z.literal("set-up"), lineId, pins: z.boolean(), at }),
  z.object({ type: z.literal("pain-before"), score: painScore, at }),
  /** how a movement is before the first set, or after the last. Rule Marker 1 */
  z.object({
    type: z.literal("marker"),
    kind: markerId,
    when: z.enum(["before", "after"]),
    score: painScore,
    at,
  }),
  z.object({ type: z.literal("start"), task, at }),
  z.object({
    type: z.literal("end"),
    at,
    early: earlyReason.nullable(),
    /** null: as many as planned */
    reps,
    meanForceN: z.number().min(0).max(3000).nullable(),
    range: z.object({ fromDeg: deg, toDeg: deg }).nullable(),
    countedBy: z.enum(["tap", "sensor", "cell", "clock"]),
  }),
  z.object({
    type: z.literal("rate"),
    pain: painScore,
    /** what was really done, where the clock or the plan said otherwise; null: as it was ended */
    reps,
    reserve: scale,
    felt: scale,
    /** what was seen of it; missing: nothing was said */
    faults: seenFaults.optional(),
    /** pain in it in other regions than the joint; missing: nothing was said */
    elsewhere: painsElsewhere.optional(),
    recordId: uuid,
    at,
  }),
  /** what was logged was wrong: the old record stays, the new one names it */
  z.object({
    type: z.literal("correct"),
    recordId: uuid,
    newId: uuid,
    pain: painScore,
    reps,
    reserve: scale,
    felt: scale,
    at,
  }),
  /** the load of what is left of a line: eased, or as planned again */
  z.object({ type: z.literal("load"), lineId, loadKg, at }),
  /** the next set as it was offered after the last one: a load with its repetitions; "stay" leaves it as planned */
  z.object({
    type: z.literal("take"),
    lineId,
    loadKg: loadKg.nullable(),
    reps: z.number().int().min(1).max(200),
    at,
  }),
  z.object({ type: z.literal("stay"), lineId, at }),
  /** what is worn and held from now on in a line. Rule Aid 1 */
  aid.extend({ type: z.literal("aid"), lineId, at }),
  /** where a line was felt, or how sure somebody is of it; said again it is put right. Rule Feel 1 */
  z.object({
    type: z.literal("feel"),
    lineId,
    where: z.enum(FEEL_IDS).nullable(),
    sure: painScore.nullable(),
    at,
  }),
  z.object({ type: z.literal("add-set"), lineId, at }),
  z.object({ type: z.literal("skip"), lineId, what: z.enum(["set", "line"]), at }),
  /** another exercise in place of what is left of a line, for today */
  z.object({ type: z.literal("swap"), lineId, to: keptLine, why: words, at }),
  z.object({ type: z.literal("note"), lineId: lineId.nullable(), words, at }),
  z.object({ type: z.literal("stop"), reason: words, at }),
  z.object({
    type: z.literal("finish"),
    painAtEnd: painScore,
    /** how hard the whole visit was; missing: nothing was said */
    effort: painScore.nullish(),
    at,
  }),
]);
export type VisitEvent = z.infer<typeof visitEvent>;

/** An entry of a visit's log: what happened, or that the last thing is taken back. */
export const logEntry = z.union([visitEvent, z.object({ type: z.literal("undo"), at })]);
export type LogEntry = z.infer<typeof logEntry>;

/** A second tap so soon after the first is the same tap, ms. */
export const DOUBLE_TAP_MS = 400;

/**
 * What a log comes to. Taking back undoes exactly one thing, and a double tap only one: the end of a set goes together
 * with its start, because a set cannot be started in the past. Notes and corrections in between stay.
 */
export function eventsOf(log: readonly LogEntry[]): VisitEvent[] {
  let events: VisitEvent[] = [];
  let undoneAt = Number.NEGATIVE_INFINITY;
  for (const entry of log) {
    if (entry.type !== "undo") {
      events.push(entry);
      undoneAt = Number.NEGATIVE_INFINITY;
    } else if (Math.abs(entry.at - undoneAt) > DOUBLE_TAP_MS) {
      events = lastUndone(events).left;
      undoneAt = entry.at;
    }
  }
  return events;
}

/** What is left after taking back the last thing, and the record that goes with it. */
export function lastUndone(events: readonly VisitEvent[]): { left: VisitEvent[]; takesBack: string | null } {
  // a note is no deed; what is closed or put right is not taken back
  const at = events.findLastIndex((e) => e.type !== "note");
  const last = events[at];
  if (!last || last.type === "finish" || last.type === "correct")
    return { left: [...events], takesBack: null };
  const before = events.slice(0, at);
  const began = before.findLastIndex((e) => e.type === "start");
  const isUnderWay = began >= 0 && !before.slice(began).some((e) => e.type === "end" || e.type === "rate");
  // the end of a set, or a stop in the middle of one, goes with its start
  const from = (last.type === "end" || last.type === "stop") && isUnderWay ? began : at;
  return {
    left: events.filter(
      (e, i) => i < from || (i > from && i !== at && (e.type === "note" || e.type === "correct")),
    ),
    takesBack: last.type === "rate" ? last.recordId : null,
  };
}
