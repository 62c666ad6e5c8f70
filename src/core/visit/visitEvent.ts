import { z } from "zod";
import { keptLine } from "../sheet/line/keptLine";
import { painScore, uuid } from "../units/fields";
import { earlyReason } from "./setRecord";

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
  z.object({ type: z.literal("add-set"), lineId, at }),
  z.object({ type: z.literal("skip"), lineId, what: z.enum(["set", "line"]), at }),
  /** another exercise in place of what is left of a line, for today */
  z.object({ type: z.literal("swap"), lineId, to: keptLine, why: words, at }),
  z.object({ type: z.literal("note"), lineId: lineId.nullable(), words, at }),
  z.object({ type: z.literal("stop"), reason: words, at }),
  z.object({ type: z.literal("finish"), painAtEnd: painScore, at }),
]);
export type VisitEvent = z.infer<typeof visitEvent>;

/** An entry of a visit's log: what happened, or that the last thing is taken back. */
export const logEntry = z.union([visitEvent, z.object({ type: z.literal("undo"), at })]);
export type LogEntry = z.infer<typeof logEntry>;

/** Nothing is taken back once a visit is closed; a correction keeps both and is not taken back either. */
const STAYS: ReadonlySet<VisitEvent["type"]> = new Set(["finish", "correct", "note"]);

/**
 * What a log comes to. Taking back undoes exactly one thing: the end of a set goes together with its start, because a
 * set cannot be started in the past.
 */
export function eventsOf(log: readonly LogEntry[]): VisitEvent[] {
  const events: VisitEvent[] = [];
  for (const entry of log) {
    if (entry.type !== "undo") events.push(entry);
    else events.splice(lastUndone(events).from);
  }
  return events;
}

/** Where taking back would cut, and the record that goes with it. */
export function lastUndone(events: readonly VisitEvent[]): { from: number; takesBack: string | null } {
  const last = events.at(-1);
  if (!last || STAYS.has(last.type)) return { from: events.length, takesBack: null };
  return {
    from: events.length - (last.type === "end" ? 2 : 1),
    takesBack: last.type === "rate" ? last.recordId : null,
  };
}
