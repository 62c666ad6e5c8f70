import type { Condition } from "../rules/conditions";
import { CONSEQUENCES, type Consequence, RED_FLAGS, type RedFlag } from "../rules/redFlags";

/** Unsure counts as yes until it is clarified. */
export const ANSWERS = ["no", "yes", "unsure"] as const;
export type Answer = (typeof ANSWERS)[number];

export interface ScreeningAnswer {
  questionId: string;
  answer: Answer;
  /** words of the question's escalations that hold too */
  escalations?: readonly string[];
}

export interface ScreeningResult {
  /** the strictest consequence of all answers; null: nothing stands in the way */
  consequence: Consequence | null;
  /** questions of the client's regions that have no answer yet: screening is not complete */
  unanswered: RedFlag[];
  positive: { flag: RedFlag; consequence: Consequence; timeFrame: string }[];
}

const stricter = (a: Consequence | null, b: Consequence): Consequence =>
  a === null || CONSEQUENCES.indexOf(b) < CONSEQUENCES.indexOf(a) ? b : a;

/**
 * The questions for a client: those of the condition, of its region, and the general ones, in the order of the list.
 * Operations add the questions for after surgery.
 */
export function questionsFor(
  condition: Pick<Condition, "main_region" | "redflag_ids">,
  isPostOperative: boolean,
): RedFlag[] {
  const area = condition.main_region === "lumbar" ? "back" : condition.main_region;
  return RED_FLAGS.filter(
    (f) =>
      condition.redflag_ids.includes(f.id) ||
      f.area === "general" ||
      f.area === area ||
      (f.area === "post-op" && isPostOperative),
  );
}

/** Every set of answers gives exactly one consequence: the strictest of the positive ones. */
export function screen(questions: readonly RedFlag[], answers: readonly ScreeningAnswer[]): ScreeningResult {
  const byId = new Map(answers.map((a) => [a.questionId, a]));
  const positive = questions.flatMap((flag) => {
    const given = byId.get(flag.id);
    if (!given || given.answer === "no") return [];
    const escalated = flag.escalate_if.filter((e) => given.escalations?.includes(e.if));
    const consequence = escalated.reduce<Consequence>((c, e) => stricter(c, e.then), flag.consequence_if_yes);
    const timeFrame = escalated.find((e) => e.then === consequence)?.time_frame ?? flag.time_frame;
    return [{ flag, consequence, timeFrame }];
  });
  return {
    consequence: positive.reduce<Consequence | null>((c, p) => stricter(c, p.consequence), null),
    unanswered: questions.filter((q) => !byId.has(q.id)),
    positive,
  };
}
