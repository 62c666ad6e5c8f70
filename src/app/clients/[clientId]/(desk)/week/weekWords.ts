import type { BlockQuestion } from "@/core/schedule/block/block";
import type { SheetWish } from "@/core/schedule/block/blockInput";
import type { Outlook } from "@/server/week/outlook";
import type { PlannableSheet } from "@/server/week/weekFacts";

const WEEKDAYS = ["Mon", "Tue", "Wed", "Thu", "Fri", "Sat", "Sun"];

/** "Holds 4 a week, then 2; comes here on Mon, Wed, Fri": what is wished, to read. */
export function wishWords(
  sheets: readonly PlannableSheet[],
  wishes: Readonly<Record<string, SheetWish>>,
  q: BlockQuestion,
): string {
  const each = sheets.map((s) => {
    const { times, keepTimes, at } = wishes[s.id] ?? { ...s, at: null };
    return `${s.name} ${times} a week${q.keepWeeks > 0 ? `, then ${keepTimes}` : ""}${at ? `, at ${at}` : ""}`;
  });
  const here = WEEKDAYS.filter((_, i) => q.gym[i] && (q.minutes[i] ?? 0) > 0);
  return `${each.join("; ")}. ${here.length > 0 ? `Comes here on ${here.join(", ")}.` : "Does not come here."}`;
}

/** What follows from a goal that is reached, in a block as it stands. Rule W5. */
export const reachedWords = ({ buildWeeks }: Pick<BlockQuestion, "buildWeeks">): string =>
  `For four weeks it has asked at most 80 % of what the leg can do: ${buildWeeks === 0 ? "it is kept from the first week" : "it can be kept, without weeks of building"}.`;

/** When a goal comes at the pace so far, or why nothing is said. */
export function outlookWords(o: Outlook): string {
  if (o.stepsLeft === 0) return "reached";
  if (!o.range)
    return `cannot tell yet: ${o.stepsDone} ${o.stepsDone === 1 ? "step" : "steps"} in ${o.weeks} weeks`;
  const { soonest, latest } = o.range;
  const span = latest === null ? `${soonest} weeks to more than a year` : `${soonest} to ${latest} weeks`;
  return `${span} at the pace so far (${o.stepsDone} steps in ${o.weeks} weeks)`;
}
