import { z } from "zod";
import { type Condition, conditionById } from "./conditions";
import { confidence } from "./confidence";
import exerciseData from "./data/exercises.json";
import data from "./data/stanceNotes.json";
import texts from "./text/en/stances.json";

export interface StanceOption {
  id: string;
  label: string;
  /** reasons for it and against it */
  speaksFor: string;
  speaksAgainst: string;
  /** what it does beside limits; null: limits alone, or it is the rules' own way */
  effect: string | null;
}

/** A question on which schools of practice differ, whatever it is about. */
export interface Stance {
  /** "acl_reconstruction.oc_extension" for a condition's, otherwise the topic's own id */
  id: string;
  topic: string;
  conditionId: string | null;
  options: StanceOption[];
  defaultId: string;
  defaultReason: string;
  /** where a choice changes something, in words; a condition's stance changes its limits */
  changes: string;
  source: string;
  confidence: z.infer<typeof confidence>;
}

const ownStance = z.object({
  id: z.string(),
  topic: z.string(),
  options: z
    .array(z.object({ id: z.string(), label: z.string(), for: z.string(), against: z.string() }))
    .min(2),
  default: z.string(),
  defaultReason: z.string(),
  changes: z.string(),
  source: z.string(),
  confidence,
});
const notes = z
  .object({
    against: z.record(z.string(), z.string()),
    needsSurgeon: z.array(z.string()),
    /** questions that are answered by an order, not by a school */
    notOffered: z.array(z.string()),
    own: z.array(ownStance),
  })
  .parse(data);

const disagreement = z.object({
  id: z.string(),
  topic: z.string(),
  positions: z
    .array(
      z.object({
        view: z.string(),
        /** the view in short, and the reason that is given for it */
        label: z.string(),
        reason: z.string().optional(),
        trade_off: z.string().optional(),
      }),
    )
    .min(2),
  tool_default: z.string(),
  source: z.string(),
  confidence,
});

const EFFECTS: Readonly<Record<string, string>> = texts.effects;
/** What other questions change than drafts. */
const CHANGES: Readonly<Record<string, string>> = texts.changes;
const effectOf = (id: string, optionId: string): string | null => EFFECTS[`${id}.${optionId}`] ?? null;

const DISAGREED = z.array(disagreement).parse(exerciseData.disagreements);

/** Stances that belong to no condition: how work is set up, ordered, judged. */
export const GENERAL_STANCES: readonly Stance[] = [
  ...notes.own.map(
    (o): Stance => ({
      id: o.id,
      topic: o.topic,
      conditionId: null,
      options: o.options.map((x) => ({
        id: x.id,
        label: x.label,
        speaksFor: x.for,
        speaksAgainst: x.against,
        effect: effectOf(o.id, x.id),
      })),
      defaultId: o.default,
      defaultReason: o.defaultReason,
      changes: o.changes,
      source: o.source,
      confidence: o.confidence,
    }),
  ),
  ...DISAGREED.map(
    (d): Stance => ({
      id: d.id,
      topic: d.topic,
      conditionId: null,
      options: [
        {
          id: "rule",
          label: d.tool_default,
          speaksFor: texts.rule_for,
          speaksAgainst: texts.rule_against,
          effect: null,
        },
        ...d.positions.map((p, i) => {
          return {
            id: `view_${i + 1}`,
            label: p.label,
            speaksFor: p.reason ?? texts.practice,
            // where no price is written, the other view is the argument against
            speaksAgainst:
              p.trade_off ?? `${texts.others_say}${d.positions.find((o) => o !== p)?.view ?? ""}`,
            effect: effectOf(d.id, `view_${i + 1}`),
          };
        }),
      ].filter((o) => o.id === "rule" || o.effect !== null),
      defaultId: "rule",
      defaultReason: texts.default_reason,
      changes: CHANGES[d.id] ?? texts.changes_drafts,
      source: d.source,
      confidence: d.confidence,
    }),
  )
    // an answer that changes nothing is not offered (K22)
    .filter((s) => s.options.length > 1),
];

export const stanceId = (conditionId: string, schoolId: string): string => `${conditionId}.${schoolId}`;

/** The school of pain is a limit of its own; of the others some answer bounds another phase otherwise. */
const changesLimits = (s: Condition["schools"][number]): boolean =>
  s.id === "pain_school" || s.options.some((o) => Object.keys(o.phase_overrides).length > 0);

/** The stances of a condition, in the shape of all others. */
export function stancesOf(condition: Condition, variantId?: string): Stance[] {
  const variant = condition.variants.find((v) => v.id === variantId);
  const offered = condition.schools.filter((s) => !notes.notOffered.includes(stanceId(condition.id, s.id)));
  return offered.map((s) => ({
    id: stanceId(condition.id, s.id),
    topic: s.question,
    conditionId: condition.id,
    options: s.options.map((o) => ({
      id: o.id,
      label: o.label,
      speaksFor: o.reason,
      speaksAgainst:
        notes.against[`${condition.id}.${s.id}.${o.id}`] ?? notes.against[`${s.id}.${o.id}`] ?? "",
      effect: effectOf(stanceId(condition.id, s.id), o.id),
    })),
    defaultId: variant?.school_defaults[s.id] ?? s.default,
    defaultReason: s.default_reason,
    changes: changesLimits(s) ? texts.changes_limits : texts.changes_drafts,
    source: s.options.map((o) => o.source).join("; "),
    confidence: s.options.find((o) => o.id === s.default)?.confidence ?? "low",
  }));
}

/** A stance by its id, a condition's or a general one. */
export function stanceById(id: string): Stance | null {
  const general = GENERAL_STANCES.find((s) => s.id === id);
  if (general) return general;
  const condition = conditionById(id.split(".")[0] ?? "");
  return (condition && stancesOf(condition).find((s) => s.id === id)) ?? null;
}

/** Whether there is, or once was, such an answer: files keep what was chosen before it was found to change nothing. */
export function isKnownAnswer(id: string, optionId: string | null): boolean {
  const [condition = "", school = ""] = id.split(".");
  const written =
    DISAGREED.find((d) => d.id === id)
      ?.positions.map((_, i) => `view_${i + 1}`)
      .concat("rule") ??
    stanceById(id)?.options.map((o) => o.id) ??
    conditionById(condition)
      ?.schools.find((s) => s.id === school)
      ?.options.map((o) => o.id);
  return written !== undefined && (optionId === null || written.includes(optionId));
}

/** Options that only the surgeon's written word opens. */
export const needsSurgeonsWord = (id: string, optionId: string): boolean =>
  notes.needsSurgeon.includes(`${id}.${optionId}`);
