import "server-only";
import { type NeedOfGoal, needsOfGoals } from "@/core/measure/goalNeeds";
import type { Side } from "@/core/units/fields";
import type { Ctx } from "../base/context";
import { testsOf } from "./measurements";
import { measurementsOf } from "./otherMeasurements";

/** What the goals of an episode ask, beside what is on record, the largest gap first. Rule "Measured 5". */
export async function goalNeeds(
  ctx: Ctx,
  of: {
    episodeId: string;
    side: Side;
    bodyMassKg: number;
    ageYears: number;
    normSex: "female" | "male" | null;
    goals: readonly { goalId: string | null }[];
  },
): Promise<NeedOfGoal[]> {
  return needsOfGoals(
    of.goals.flatMap((g) => g.goalId ?? []),
    {
      ...of,
      measurements: await measurementsOf(ctx, of.episodeId),
      strength: await testsOf(ctx, of.episodeId),
    },
  );
}
