import type { FaultId } from "@/core/rules/faults/faults";
import type { PainRegion } from "@/core/units/painRegion";
import type { Said } from "@/core/units/said";
import { OPENS_AT } from "@/core/visit/morningOpens";
import type { EarlyReason } from "@/core/visit/setRecord";
import type { Format } from "../../format";
import { PAIN_REGIONS } from "../story";
import { FAULT_WORDS } from "./faults";

/** Why a set ended before its time. */
export const EARLY_WORDS: Readonly<Record<EarlyReason, string>> = {
  muscle: "muscle gave out",
  joint_pain: "joint pain",
  position: "position lost",
  range: "range lost",
  other: "something else",
};

/** Whether a tight wrap is on or off now. */
export const WRAP = { on: "wrap on", off: "wrap off" } as const;

/** What ends a line on the floor, and when the morning after can be asked. */
export const floor = {
  pain_before: (m: { pain: number; most: number }) =>
    `joint pain of ${m.pain} before it is above the limit of ${m.most}`,
  pain_in: (m: { pain: number; most: number }) =>
    `joint pain of ${m.pain} in it is above the limit of ${m.most}`,
  ended: (m: { why: readonly Said[] }, f: Format) => m.why.map((w) => f.say(w)).join("; "),
  gave_out: "the muscle gave out: no more of it before a therapist has looked",
  pain_elsewhere: (m: { region: PainRegion; pain: number; most: number }) =>
    `pain ${m.pain} in it, ${PAIN_REGIONS[m.region]}: above the ${m.most} that is allowed there`,
  fault_ends: (m: { fault: FaultId }) =>
    `${FAULT_WORDS[m.fault]}, which this client must not load: no more of it today`,
  pain_jumped: (m: { from: number; to: number }) => `joint pain jumped from ${m.from} to ${m.to}`,
  morning_from: (m: { on: string }, f: Format) =>
    `The morning after this visit begins at ${OPENS_AT} on ${f.day(m.on)}: ask again from then on. Until then staying, stepping back and stopping can be decided.`,
};
