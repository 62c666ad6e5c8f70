import "server-only";
import { type BlockKept, MOST_KEEP_WEEKS } from "@/core/schedule/block/blockInput";
import { daysAfter, mondayOf, weekdayOf } from "@/core/units/days";
import { type Ctx, today } from "../base/context";
import type { Story } from "../client/story";

/** What is asked of a week. */
export type Wishes = Pick<
  BlockKept,
  "startsOn" | "buildWeeks" | "keepWeeks" | "wishes" | "minutes" | "gym" | "away"
>;

const WEEK_DAYS = 7;
/** Thursday on, counted from Monday as 0. */
const LATE_WEEKDAY = 2;

const ISO_DAYS = [1, 2, 3, 4, 5, 6, 7];
/** Minutes of a day on which somebody has time, until the week itself says how many. */
const FREE_MIN = 60;

/**
 * What holds until somebody keeps a week: the days that the story says there are, an hour each, at a gym unless the client
 * trains at home. Where nobody was asked: every day free, at the clinic on three. Who has reached the goal keeps from the
 * first week (rule W5).
 */
export const usualWishes = (
  ctx: Ctx,
  story: Pick<Story, "weekdays" | "trainsAt"> = { weekdays: [], trainsAt: null },
  isReached = false,
): Wishes => ({
  // late in a week the next one is the first
  startsOn: mondayOf(daysAfter(today(ctx), weekdayOf(today(ctx)) > LATE_WEEKDAY ? WEEK_DAYS : 0)),
  buildWeeks: isReached ? 0 : 6,
  keepWeeks: isReached ? MOST_KEEP_WEEKS : 4,
  wishes: {},
  ...(story.weekdays.length === 0
    ? { minutes: [60, 60, 60, 60, 60, 30, 30], gym: [true, false, true, false, true, false, false] }
    : {
        minutes: ISO_DAYS.map((d) => (story.weekdays.includes(d) ? FREE_MIN : 0)),
        gym: ISO_DAYS.map((d) => story.weekdays.includes(d) && story.trainsAt !== "home"),
      }),
  away: [],
});
