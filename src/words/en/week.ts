import type { Broken } from "@/core/schedule/block/checkBlock";
import type { WeekRule } from "@/core/schedule/block/weekRules";
import { dayInWords } from "@/core/units/dayInWords";

/** A broken rule of the calendar as a sentence, with what to do. */
export function brokenWords(b: Broken): string {
  const on = dayInWords(b.on);
  const and = b.and ? dayInWords(b.and) : "";
  switch (b.rule) {
    case "not_free":
      return `${on} is not free: choose another day.`;
    case "no_gym":
      return `On ${on} the client does not come: work with machines needs another day.`;
    case "minutes":
      return `${on} has less time than its sheets take: move one of them.`;
    case "hard_48h":
      return `${on} is less than 48 h after the hard leg day of ${and}: move one of them.`;
    case "after_accumulated_72h":
      return `${on} is less than 72 h after the accumulated set of ${and}: move it on.`;
    case "accumulated_7d":
      return `The accumulated sets of ${and} and ${on} are less than 7 days apart.`;
    case "hard_reps_week":
      return `The week of ${on} has more hard repetitions than the weeks before it allow: take a day out.`;
    case "kneecap_week":
      return `The week of ${on} has more kneecap work than the weeks before it allow: take a day out.`;
    case "once_a_day":
      return `One sheet stands twice on ${on}: take one out.`;
    case "not_in_use":
      return `A sheet planned for ${on} is not in use any more: take it out.`;
  }
}

/** Why a wish could not be met, by the rules that stood in its way. */
export function droppedWords(
  name: string,
  { times, because, areTogether }: { times: number; because: readonly WeekRule[]; areTogether: boolean },
): string {
  const days = `${times} ${times === 1 ? "day" : "days"} of ${name} left out`;
  return `${days}: ${because.map((rule) => REASONS[rule]).join(areTogether ? ", and " : ", or ")}.`;
}

const REASONS: Record<WeekRule, string> = {
  not_free: "there are not enough free days",
  no_gym: "there are not enough days on which the client comes",
  minutes: "the free days are too short",
  hard_48h: "hard leg days stand 48 h apart",
  after_accumulated_72h: "72 h follow an accumulated set",
  accumulated_7d: "accumulated sets stand 7 days apart",
  hard_reps_week: "the weeks before do not allow more hard repetitions yet",
  kneecap_week: "the weeks before do not allow more kneecap work yet",
  once_a_day: "a sheet is done once a day",
  not_in_use: "the sheet is not in use",
};
