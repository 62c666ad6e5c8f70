import type { Action } from "@/core/progression/safetyRules";
import { criterionText } from "@/core/rules/criteria";
import { keptSigns, signsSaid } from "@/core/visit/signs/recheckSigns";
import { ACTION_WORDS } from "@/words/en/decide";
import { sayPlainly } from "@/words/say";

const DEEDS: Record<string, string> = {
  "client.create": "entered the client",
  "story.change": "changed the story",
  "episode.begin": "began an episode",
  "episode.close": "closed the episode",
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
  "concern.see": "has seen a stop or a pain",
  "odd.confirm": "said that odd sets were really so",
  "response.record": "entered the next morning",
  "decision.take": "decided",
  "score.write": "saved a session",
  "sheet.write": "saved a sheet",
  "sheet.retire": "put a sheet away",
  "template.keep": "kept a sheet as a template",
  "template.retire": "put a template away",
  "card.write": "saved a set-up card",
  "swap.take": "swapped an exercise for the day",
  "export.client": "took the records out as a file",
  "export.clinic": "took the whole clinic out as a file",
  "paper.make": "made a paper",
  "block.keep": "kept the days of a block",
  "return.choose": "chose the way back after days off",
  "home.handed_over": "took over what an earlier link for home could not bring",
  "home.ticks": "ticked what was done at home",
  "link.make": "made a link for the client",
  "language.choose": "chose the language of the client's pages",
  "request.make": "asked the therapist",
  "request.answer": "answered a question",
  "import.make": "read a file in",
  "import.confirm": "confirmed what came from a file",
  "import.discard": "threw a file's draft away",
  "import.undo": "undid an import",
  "clinic.write": "changed the clinic's settings",
  "source.check": "marked a source as checked",
  "machine.add": "entered a machine",
  "machine.change": "changed a machine",
  "machine.calibrate": "calibrated a machine",
  "machine.altered": "wrote down what was changed on a machine itself",
  "machine.retire": "put a machine away",
  "machine.return": "took a machine back into use",
  "exercise.write": "wrote an exercise of the clinic's own",
};

/** What somebody tried and was refused. Deeds of the roles' table are said by what they would have done. */
const ATTEMPTS: Record<string, string> = {
  "plan.past": "planned although a warning or missing limits bar it",
  "plan.barred": "planned beyond a limit",
  "plan.repeat": "sent another dose under an id that was saved",
  "score.repeat": "sent another session under an id that was saved",
  "session.past": "started a session that is barred",
  "session.unasked": "started a session without asking the warning signs",
  "session.repeat": "started a session under an id that was used",
  "session.end-again": "closed a session again with other answers",
  "hold.late": "logged a hold after the end",
  "hold.repeat": "sent another hold under an id that was logged",
  "recheck.past": "answered “no warning sign” while one stands",
  "response.second": "entered a milder morning while another answer stood",
  "decision.stop": "went past what stops all lines",
  "decision.early": "stepped up before the next morning was known",
  "decision.repeat": "sent another decision under an id that was taken",
  "limit.write": "wrote, changed or lifted a limit",
  "screen.record": "signed a screening",
  "recheck.clear": "cleared a warning sign",
  "concern.see": "marked a stop or a pain as seen",
  "odd.confirm": "said that odd sets were really so",
  "plan.write": "changed a dose",
  "decision.take": "took a decision",
  "phase.confirm": "confirmed a phase",
  "story.write": "changed the story",
  "stance.write": "chose a stance",
  "measurement.record": "recorded a measurement",
  "test.record": "recorded a strength test",
  "card.write": "saved a set-up card",
  "session.run": "ran a session",
  "response.record": "entered the next morning",
  "swap.take": "swapped an exercise",
};

export const attemptWords = (deed: string): string => {
  const again = deed.endsWith(".repeat") ? "sent something else under an id that was used" : null;
  return `tried: ${ATTEMPTS[deed] ?? again ?? "something that is not allowed"}`;
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
    const [a, b] = [said(key, before?.[key]), said(key, after?.[key])];
    const field = fieldWords(key);
    if (after === null || !(key in after)) return a === null ? [] : [{ field, before: null, after: a }];
    if (a === b) return SUBJECTS.includes(key) && b !== null ? [{ field, before: null, after: b }] : [];
    return [{ field, before: before !== null && key in before ? (a ?? "–") : null, after: b }];
  });
}

/** Fields whose own name says too little. */
const FIELDS: Record<string, string> = {
  computed: "drafted",
  actions: "decided",
  origin: "came from",
  can: "criterion",
  low: "at least",
  high: "at most",
  word: "allowed",
};

/** Endings of names that are units. */
const UNITS: [RegExp, string][] = [
  [/Deg$/, "°"],
  [/Min$/, "min"],
  [/Pct$/, "%"],
  [/Nm$/, "N·m"],
  [/Kg$/, "kg"],
  [/MmHg$/, "mmHg"],
  [/N$/, "N"],
  [/M$/, "m"],
  [/S$/, "s"],
];

/** "kneeFlexionDeg" becomes "knee flexion (°)", "isMet" becomes "met". */
function fieldWords(key: string): string {
  if (FIELDS[key]) return FIELDS[key];
  const unit = UNITS.find(([end]) => end.test(key));
  const bare = (unit ? key.replace(unit[0], "") : key).replace(/^(is|has)(?=[A-Z])/, "");
  const said = bare.replace(/([A-Z])/g, (c) => ` ${c.toLowerCase()}`).trim();
  return unit ? `${said} (${unit[1]})` : said;
}

/** A value by what its field holds. */
function said(key: string, x: unknown): string | null {
  if (key === "can" && typeof x === "string") return criterionText(x);
  if ((key === "alarm" || key === "what") && typeof x === "string") return sayPlainly(signsSaid(x));
  if (key === "signs" && Array.isArray(x)) return sayPlainly(signsSaid(keptSigns(x)));
  return words(x);
}

const isAction = (x: string): x is Action => x in ACTION_WORDS;

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
  const text = String(x);
  return isAction(text) ? ACTION_WORDS[text] : text.replaceAll("_", " ");
}
