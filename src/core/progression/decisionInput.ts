import { z } from "zod";
import { faultId, remedy } from "../rules/faults/faults";
import { painRegion } from "../units/painRegion";
import { irritability, school } from "./painRule";

const score = z.number().min(0).max(10);
const grade = z.number().int().min(0).max(4);

/** What a decision looks at; null means "not known", which never progresses anybody. */
export const decisionInput = z.object({
  school,
  irritability,
  /** a limit on joint pain written for this client, stricter than the school's */
  writtenPainLimit: score.nullable().optional(),
  /** the line stays when the joint is sore: it loads nothing, or hardly what is sore. Rule P6 */
  spared: z.enum(["unloaded", "elsewhere"]).nullable().optional(),
  /** seconds are counted, not repetitions: all of them come first, however easy they are */
  isHeld: z.boolean().optional(),
  /** the visit put as much on what is sore as this joint takes, and this line is part of it. Rule W4 */
  room: z.object({ dose: z.number(), most: z.number() }).nullable().optional(),
  /** clean repetitions over done; null or missing: nobody looked. Rule Seen 3 */
  cleanShare: z.number().min(0).max(1).nullable().optional(),
  /** the fault that was seen in the most visits running, two and more, and what is tried next about it. Rule Seen 3 */
  faultAgain: z.object({ fault: faultId, visits: z.number().int(), remedy }).nullable().optional(),
  /** something was worn or held beyond the plan: what was done is not the plan. Rule Aid 2 */
  moreAid: z.object({ worn: z.string(), help: z.string() }).nullish(),
  /** how sure somebody is of the line, 0 to 10; null: not asked. Rule Feel 2 */
  sure: score.nullish(),
  /** it was felt elsewhere than meant in so many visits running, two and more. Rule Feel 3 */
  feltElsewhere: z
    .object({ where: z.enum(["other", "joint", "nowhere"]), visits: z.number().int() })
    .nullish(),
  /** pain in other regions that the line loads, or that were named in it, each by its own usual and bound. Rule Region 3 */
  elsewhere: z
    .array(
      z.object({
        region: painRegion,
        pain: score.nullable(),
        morning: score.nullable(),
        usual: score,
        green: score,
        most: score,
      }),
    )
    .optional(),
  redFlag: z.boolean(),
  techniqueStop: z.boolean(),
  prevRegress: z.boolean(),
  missedBefore: z.boolean(),
  /** satisfied sessions on this step, this one counted */
  satisfiedStreak: z.number().int().min(0),
  usualPain: score,
  painBefore: score.nullable(),
  painDuring: score.nullable(),
  painAfter: score.nullable(),
  painMorning: score.nullable(),
  /** 0 none, 1 trace, 2 = 1+, 3 = 2+, 4 = 3+ */
  effusion: grade.nullable(),
  effusionBefore: grade.nullable(),
  effusionApplies: z.boolean(),
  /** angle or range reached, % of plan */
  rangePct: z.number().min(0).max(200).nullable(),
  /** change of the weekly mean pain against the week before */
  weekTrend: z.number().nullable(),
  /** the weekly mean itself; missing in what was decided before it was looked at */
  weekMean: z.number().nullable().optional(),
  /** repetitions, or seconds of hold, against the plan */
  repsState: z.enum(["below", "in", "top", "unknown"]),
  /** repetitions in reserve; for holds 10 minus felt effort */
  rir: z.number().nullable(),
  rirTarget: z.number(),
});
export type DecisionInput = z.infer<typeof decisionInput>;
