import { z } from "zod";
import { scoreField, textField, wholeField } from "../units/fields";
import { MUSCLES, type Muscle } from "./balance";

/** What an activity beside the exercises loads. */
export const LOADED = ["legs", "back"] as const;
export type Loaded = (typeof LOADED)[number];

const HARD = { least: 0, most: 10 } as const;

/** Something that was done beside the exercises: how hard, and on what. */
export const activity = z.object({
  what: textField("activity", 60).min(2, { error: "input.activity" }),
  hard: scoreField("activity_hard", HARD.least, HARD.most),
  loads: z.array(z.enum(LOADED)).max(LOADED.length),
});
export type Activity = z.infer<typeof activity>;

/** So many are kept of a story. */
export const MOST_ACTIVITIES = 6;

/** What else was done on the day of a visit; null: nobody asked. */
export const besides = z.array(activity).max(3, { error: "input.many_besides" }).nullable();

/** What is asked for where a story names nothing: a client taps it and types nothing. */
export const USUAL_BESIDES: readonly Pick<Activity, "what" | "loads">[] = [
  { what: "sport", loads: ["legs"] },
  { what: "lifting", loads: ["legs", "back"] },
];

/** What a client does every week, by the story. ISO weekdays, 1 is Monday. */
export const regularActivity = activity.extend({
  weekdays: z.array(z.number().int().min(1).max(7)).min(1, { error: "input.activity_days" }).max(7),
  minutes: wholeField("activity_minutes", 5, 720),
});
export type RegularActivity = z.infer<typeof regularActivity>;

/** From so hard on it tires and stirs up like a visit. Rule Besides 1 [own]. */
const HARD_FROM = 6;
/** Hard on so many days a week it is this body's ordinary life: no day would be left for the exercises. Rule Besides 1 [own]. */
const ORDINARY_DAYS = 3;

export const isHardOn = (a: Activity, what: Loaded): boolean => a.hard >= HARD_FROM && a.loads.includes(what);

const isHard = (a: Activity): boolean => LOADED.some((x) => isHardOn(a, x));

/** What of the regular activities counts as hard and is ordinary all the same. Rule Besides 1. */
export function ordinaryOf(regular: readonly RegularActivity[]): readonly RegularActivity[] {
  const hard = regular.filter(isHard);
  return new Set(hard.flatMap((a) => a.weekdays)).size >= ORDINARY_DAYS ? hard : [];
}

/**
 * What was done beside the exercises on a day that is not ordinary: what somebody said of it, else what is usual on that
 * weekday. `weekday` is 0 on Monday. Rule Besides 2.
 */
export function besidesOf(
  weekday: number,
  said: readonly Activity[] | null,
  regular: readonly RegularActivity[],
): readonly Activity[] {
  const ordinary = new Set(ordinaryOf(regular).map((a) => a.what));
  const done = said ?? regular.filter((a) => a.weekdays.includes(weekday + 1));
  return done.filter((a) => !ordinary.has(a.what));
}

/** What of a day was hard on the legs, by its name, and for which muscle groups; null: nothing. Rule Besides 1. */
export function hardBesides(done: readonly Activity[]): { what: string; muscles: readonly Muscle[] } | null {
  const hard = done.filter((a) => isHardOn(a, "legs"));
  return hard.length > 0 ? { what: hard.map((a) => a.what).join(", "), muscles: MUSCLES } : null;
}

/** Days of every week that are hard by what a client does beside the exercises; `weekday` is 0 on Monday. Rule Besides 1. */
export function hardEveryWeek(
  regular: readonly RegularActivity[],
): { weekday: number; what: string; muscles: readonly Muscle[] }[] {
  const ordinary = ordinaryOf(regular);
  return regular
    .filter((a) => !ordinary.includes(a))
    .flatMap((a) => {
      const hard = hardBesides([a]);
      return hard ? a.weekdays.map((d) => ({ weekday: d - 1, ...hard })) : [];
    });
}

/** An answer about one day as it is given: `what` null: none yet, empty: nothing else. */
export interface BesidesSaid {
  what: string | null;
  hard: number | null;
  loads: readonly Loaded[];
}

export const besidesSaid = (known: readonly Activity[] | null): BesidesSaid => {
  const hardest = [...(known ?? [])].sort((a, b) => b.hard - a.hard)[0];
  return hardest ?? { what: known ? "" : null, hard: null, loads: [] };
};

/** What of it is kept; "no_hard": something was done and nobody said how hard. */
export const besidesKept = ({ what, hard, loads }: BesidesSaid): Activity[] | null | "no_hard" =>
  what === null ? null : what === "" ? [] : hard === null ? "no_hard" : [{ what, hard, loads: [...loads] }];
