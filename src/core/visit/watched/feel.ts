import { z } from "zod";
import { SURE_ENOUGH } from "../../progression/safetyRules";
import { painScore, uuid } from "../../units/fields";

/** Where a line was felt: in the muscle that is meant, in another, in the joint, nowhere. */
export const FEEL_IDS = ["meant", "other", "joint", "nowhere"] as const;
export type FeelWhere = (typeof FEEL_IDS)[number];

/** What somebody said of a line in a visit; null: not asked, or not said. */
export const feel = z.object({
  lineId: uuid,
  exerciseId: z.string().min(1).max(80),
  /** on which legs: another form is another first time */
  legs: z.string().min(1).max(40),
  where: z.enum(FEEL_IDS).nullable(),
  /** how sure of it, 0 to 10 */
  sure: painScore.nullable(),
});
export type Feel = z.infer<typeof feel>;

/** Right so often, nobody asks any more; elsewhere so often in a row, something is changed. Rules Feel 1 and 3. */
export const FELT_TWICE = 2;

/** What to ask of a line. */
export interface FeelAsk {
  where: boolean;
  sure: boolean;
}

/**
 * What to ask of a line by what was said of its exercise before, the newest first: where it is felt until it was right twice,
 * how sure it is at a first time of this form and until it is sure enough. Null: nothing. Rule Feel 1.
 */
export function feelAsk(line: Pick<Feel, "exerciseId" | "legs">, past: readonly Feel[]): FeelAsk | null {
  const own = past.filter((f) => f.exerciseId === line.exerciseId);
  const sure = own.find((f) => f.legs === line.legs && f.sure !== null)?.sure ?? null;
  const ask = {
    where: own.filter((f) => f.where === "meant").length < FELT_TWICE,
    sure: sure === null || sure < SURE_ENOUGH,
  };
  return ask.where || ask.sure ? ask : null;
}

/** What an exercise was felt in instead, and in how many visits running, the newest first; null: not twice. Rule Feel 3. */
export function feltElsewhere(
  exerciseId: string,
  visits: readonly (readonly Feel[])[],
): { where: Exclude<FeelWhere, "meant">; visits: number } | null {
  const said = visits.flatMap((v) => v.find((f) => f.exerciseId === exerciseId)?.where ?? []);
  const until = said.indexOf("meant");
  const running = until < 0 ? said : said.slice(0, until);
  const [where] = running;
  return where && where !== "meant" && running.length >= FELT_TWICE
    ? { where, visits: running.length }
    : null;
}

/** What was said in a visit and those before it, of visits newest first; nothing of one that lies further back than they reach. */
export function feelsUpTo(
  visits: readonly { visitId: string; feels: readonly Feel[] }[],
  visitId: string,
): (readonly Feel[])[] {
  const from = visits.findIndex((v) => v.visitId === visitId);
  return from < 0 ? [] : visits.slice(from).map((v) => v.feels);
}

/** What is still to be asked of a line in this visit; null: nothing. `said`: what this visit has of it already. */
export function feelOpen(
  line: Pick<Feel, "exerciseId" | "legs">,
  said: Pick<Feel, "where" | "sure"> | undefined,
  past: readonly Feel[],
): FeelAsk | null {
  const ask = feelAsk(line, past);
  if (!ask) return null;
  const open = { where: ask.where && !said?.where, sure: ask.sure && (said?.sure ?? null) === null };
  return open.where || open.sure ? open : null;
}
