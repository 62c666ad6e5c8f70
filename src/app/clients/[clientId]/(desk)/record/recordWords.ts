const DEEDS: Record<string, string> = {
  "client.create": "entered the client",
  "story.change": "changed the story",
  "episode.begin": "began an episode",
  "episode.close": "closed the episode",
  "body.write": "changed body measures",
  "screen.record": "asked the warning signs",
  "screen.clear": "cleared a warning sign",
  "limit.write": "wrote a limit",
  "limit.change": "changed a limit",
  "limit.lift": "lifted a limit",
  "stance.choose": "chose a stance",
  "stance.view": "noted another view",
  "phase.confirm": "confirmed a phase",
  "phase.tick": "judged a criterion",
  "measurement.record": "measured",
  "measurement.void": "took a measurement back",
  "test.record": "tested strength",
  "test.void": "took a test back",
  "plan.write": "saved a dose",
  "recheck.warning": "noted a warning sign",
  "recheck.clear": "cleared a warning sign",
  "response.record": "entered the next morning",
  "decision.take": "decided",
  "score.write": "saved a session",
  "template.keep": "kept a session as a template",
  "template.retire": "put a template away",
  "card.write": "saved a set-up card",
  "swap.take": "swapped an exercise for the day",
};

export const deedWords = (deed: string): string => DEEDS[deed] ?? deed;

export interface FieldChange {
  field: string;
  before: string | null;
  after: string | null;
}

type Fields = Record<string, unknown> | null;

/** Says what a change is about, also where it stayed the same. */
const SUBJECTS = ["can", "condition", "stance", "kind", "what", "sign"];

/**
 * Field by field what was before and after; what stayed the same is left out, unless it says what the change is about.
 * A field that only the state before has is what was there: it is said, not struck out.
 */
export function changesInWords(before: Fields, after: Fields): FieldChange[] {
  const keys = [...new Set([...Object.keys(before ?? {}), ...Object.keys(after ?? {})])];
  return keys.flatMap((key): FieldChange[] => {
    const [a, b] = [words(before?.[key]), words(after?.[key])];
    const field = fieldWords(key);
    if (after === null || !(key in after)) return a === null ? [] : [{ field, before: null, after: a }];
    if (a === b) return SUBJECTS.includes(key) && b !== null ? [{ field, before: null, after: b }] : [];
    return [{ field, before: before !== null && key in before ? (a ?? "–") : null, after: b }];
  });
}

/** "kneeFlexionDeg" becomes "knee flexion deg". */
const fieldWords = (key: string): string => key.replace(/([A-Z])/g, (c) => ` ${c.toLowerCase()}`);

function words(x: unknown): string | null {
  if (x === null || x === undefined || x === "") return null;
  if (Array.isArray(x)) return x.length === 0 ? null : x.map((i) => words(i) ?? "–").join("; ");
  if (typeof x === "object")
    return (
      Object.entries(x)
        .flatMap(([k, v]) => (words(v) === null ? [] : [`${fieldWords(k)} ${words(v)}`]))
        .join(", ") || null
    );
  if (typeof x === "number") return String(Math.round(x * 100) / 100);
  if (typeof x === "boolean") return x ? "yes" : "no";
  return String(x).replaceAll("_", " ");
}
