import type { Muscle } from "@/core/schedule/balance";
import type { Broken } from "@/core/schedule/block/checkBlock";
import type { Dropped, Stood } from "@/core/schedule/block/solveWeek";
import { dayInWords } from "@/core/units/dayInWords";
import { MUSCLE_WORDS } from "./plan/muscles";

const DAY_NAMES = ["Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday", "Sunday"] as const;

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
      return b.what
        ? `${on} is less than 48 h from ${b.what} on ${and}: move it.`
        : `${on} is less than 48 h after the hard leg day of ${and}: move one of them.`;
    case "after_accumulated_72h":
      return b.what
        ? `The accumulated set of ${on} is less than 72 h before ${b.what} on ${and}: move it.`
        : `${on} is less than 72 h after the accumulated set of ${and}: move it on.`;
    case "accumulated_7d":
      return `The accumulated sets of ${and} and ${on} are less than 7 days apart.`;
    case "sets_week":
      return `The week of ${on} has more effective sets of ${musclesWords(b.muscles ?? [])} than the weeks before it allow: take a day out, or make one short${b.isCaution ? ", or say why it may be more" : ""}.`;
    case "tissue_day":
      return `A whole run on ${on} is more than went well in one visit so far: make it short, or say why it may be more.`;
    case "once_a_day":
      return `One sheet stands twice on ${on}: take one out.`;
    case "not_in_use":
      return `A sheet planned for ${on} is not in use any more: take it out.`;
  }
}

const musclesWords = (all: readonly Muscle[]): string =>
  all
    .map((m) => MUSCLE_WORDS[m])
    .join(", ")
    .replace(/, ([^,]*)$/, " and $1");

/** A day of the week, or of the weeks around it. */
function dayWords(day: number): string {
  const name = DAY_NAMES[((day % 7) + 7) % 7] as string;
  return day < 0 ? `${name} of the week before` : day > 6 ? `${name} of the week after` : name;
}

/** What stood in the way of one more day of a sheet, each day with the one it would stand too close to. Rule W2. */
export function droppedWords(name: string, { times, stood }: Pick<Dropped, "times" | "stood">): string {
  const days = `${times} ${times === 1 ? "day" : "days"} of ${name} left out`;
  const sets = stood.find((s) => s.rule === "sets_week");
  if (sets)
    return `${days}: the weeks before do not allow more effective sets of ${musclesWords(sets.muscles ?? [])} yet.`;
  return `${days}: ${[...byRule(stood)].map(([rule, own]) => reasonWords(rule, own)).join("; ")}.`;
}

/** Days for which the same is in the way, together. */
function byRule(stood: readonly Stood[]): Map<string, Stood[]> {
  const found = new Map<string, Stood[]>();
  for (const s of stood) {
    const key = s.rule === "hard_48h" || s.rule === "after_accumulated_72h" ? `${s.rule} ${s.day}` : s.rule;
    found.set(key, [...(found.get(key) ?? []), s]);
  }
  return found;
}

function reasonWords(_key: string, stood: readonly Stood[]): string {
  const [first] = stood as [Stood];
  const days = stood.map((s) => dayWords(s.day ?? 0));
  const all = days.join(", ").replace(/, ([^,]*)$/, " and $1");
  const are = days.length === 1 ? "is" : "are";
  const and = `${first.what ? `${first.what} on ` : ""}${dayWords(first.and ?? 0)}`;
  switch (first.rule) {
    case "not_free":
      return `${all} ${are} not free`;
    case "no_gym":
      return `the client does not come on ${all}`;
    case "minutes":
      return `${all} ${days.length === 1 ? "has" : "have"} too little time left`;
    case "hard_48h":
      return first.day === first.and
        ? `${all} is hard for the same muscles already${first.what ? ` by ${first.what}` : ""}`
        : `${all} is less than 48 h from ${and}, which is hard for the same muscles`;
    case "after_accumulated_72h":
      return first.what
        ? `${all} is less than 72 h before ${and}`
        : `${all} is less than 72 h after the accumulated set of ${and}`;
    case "accumulated_7d":
      return `the accumulated set of ${and} is less than 7 days away`;
    default:
      return `${all} ${are} taken`;
  }
}
