import "server-only";
import { costsOverTime } from "@/core/demand/costsOverTime";
import { goalIsReached } from "@/core/demand/goalReached";
import { wantedBy } from "@/core/demand/goalTasks";
import { curveCan } from "@/core/selection/setUp/strengthKnown";
import { type Ctx, today } from "../base/context";
import type { ClientEpisode } from "../client/clients";
import { legKnown } from "./legs";

/** Whether what the client's goals ask has been at most four fifths of the treated leg for four weeks. Rule W5. */
export async function goalReached(
  ctx: Ctx,
  client: ClientEpisode,
  goals: readonly { goalId: string | null }[],
): Promise<boolean> {
  const tasks = wantedBy(goals.map((g) => g.goalId));
  if (tasks.length === 0) return false;
  const { body, strength, does } = await legKnown(ctx, client);
  const leg = { can: curveCan(strength, "extension"), moved: strength.extension.moved, does };
  return goalIsReached(costsOverTime(tasks, { ...leg, bodyOn: () => body }), today(ctx));
}
