import type { Block, PaperDoc } from "@/core/paper/doc";
import type { ReviewFacts } from "@/core/review/facts";
import { rowsOfReview } from "@/core/review/review";
import type { Row } from "@/core/review/row";
import { type SpanLine, spanOf } from "@/core/review/span";
import { dayInWords } from "@/core/units/dayInWords";
import { decisionsWords } from "../en/numbers/review";
import { sayPlainly } from "../say";

/** What a letter and a summary are written from. */
export interface CourseFacts {
  client: string;
  birthYear: number;
  condition: string;
  side: string;
  beganOn: string;
  beganWith: "surgery" | "onset";
  today: string;
  facts: ReviewFacts;
  /** lines of the sheets in force, in words */
  doing: readonly string[];
  /** limits that bind today, in words with their authors */
  limits: readonly string[];
}

const inWords = (l: SpanLine): string =>
  l.last === null ? l.first : l.first === l.last ? l.last : `${l.first}, now ${l.last}`;

const noteOf = (l: SpanLine): string => l.note.map(sayPlainly).join("; ");

const found = (rows: readonly Row[], f: ReviewFacts, wanted: RegExp): SpanLine[] => {
  const chosen = rows.filter((r) => wanted.test(r.id));
  return spanOf(f, chosen, { from: f.from, to: f.to }).lines;
};

/** A value with what one session can tell of it, and whether its change is more than its error. */
function withError(l: SpanLine, rows: readonly Row[]): string {
  const row = rows.find((r) => r.id === l.rowId);
  const series = row?.series.find((s) => s.key === l.key);
  const last = series?.points.at(-1);
  const half = last?.low != null && last.high !== null ? (last.high - last.low) / 2 : null;
  return `${inWords(l)}${half === null ? "" : ` ± ${half.toFixed(row?.digits ?? 0)}`}${noteOf(l) ? ` (${noteOf(l)})` : ""}`;
}

const MOST_FINDINGS = 9;

/** A letter of one page to a surgeon or physician: course, findings with their error, what was done, questions. */
export function letter(f: CourseFacts, said: { to: string; questions: string; by: string }): PaperDoc {
  const rows = rowsOfReview(f.facts);
  const findings = [
    ...found(rows, f.facts, /^symmetry/),
    ...found(rows, f.facts, /^strength knee_extension/)
      .filter((l) => l.key === "own")
      .slice(0, 1),
    ...found(rows, f.facts, /^cost/).slice(0, 2),
    ...found(rows, f.facts, /^measure (knee_bend|knee_straightening|swelling|sit_to_stand_30s)/).filter(
      (l) => l.key !== "other",
    ),
  ].slice(0, MOST_FINDINGS);
  const whole = spanOf(f.facts, [], { from: f.facts.from, to: f.facts.to });
  const pain = found(rows, f.facts, /^pain/).find((l) => l.key === "morning");
  const blocks: Block[] = [
    ...(said.to ? [{ kind: "text" as const, words: `To: ${said.to}` }] : []),
    {
      kind: "text",
      words: `${f.client}, born ${f.birthYear}: ${f.condition}, ${f.side} side, since ${dayInWords(f.beganOn)} (${f.beganWith}).`,
      isStrong: true,
    },
    { kind: "heading", words: "Course" },
    {
      kind: "text",
      words: [
        `${whole.visits} visits from ${dayInWords(f.facts.from)} to ${dayInWords(f.facts.to)}.`,
        pain
          ? `Joint pain of the next morning: ${inWords(pain)}${noteOf(pain) ? ` (${noteOf(pain)})` : ""}.`
          : "",
        decisionsWords(whole.decisions) ? `Decided by line: ${decisionsWords(whole.decisions)}.` : "",
      ]
        .filter(Boolean)
        .join(" "),
    },
    { kind: "heading", words: "Findings, with the error of a session" },
    {
      kind: "table",
      columns: ["finding", "first, now"],
      widths: [45, 55],
      rows:
        findings.length > 0
          ? findings.map((l) => [sayPlainly(l.name), withError(l, rows)])
          : [["nothing was measured yet", ""]],
    },
    { kind: "heading", words: "What is done now" },
    { kind: "list", items: f.doing.length > 0 ? f.doing.slice(0, 6) : ["nothing is planned"] },
    { kind: "text", words: `Limits kept: ${f.limits.slice(0, 5).join("; ") || "none written"}.` },
    ...(said.questions
      ? [
          { kind: "heading" as const, words: "Questions" },
          { kind: "text" as const, words: said.questions },
        ]
      : []),
    { kind: "signature", words: `${said.by}, ${dayInWords(f.today)}` },
  ];
  return {
    title: "Letter",
    about: dayInWords(f.today),
    isLarge: false,
    foot: "Computed shares are estimates that compare this person with themselves; they clear nothing.",
    blocks,
  };
}

/** The summary of an episode: every row first and last, what was decided and why, phases and limits as they held. */
export function summary(f: CourseFacts): PaperDoc {
  const rows = rowsOfReview(f.facts);
  const whole = spanOf(f.facts, rows, { from: f.facts.from, to: f.facts.to });
  const bands = (kind: "phase" | "limit"): string[][] =>
    f.facts.bands
      .filter((b) => b.kind === kind)
      .map((b) => [b.words, dayInWords(b.from), b.to ? dayInWords(b.to) : "still"]);
  const blocks: Block[] = [
    {
      kind: "text",
      words: `${f.condition}, ${f.side} side, since ${dayInWords(f.beganOn)} (${f.beganWith}). ${whole.visits} visits${
        whole.planned > 0 ? `; ${whole.kept} of ${whole.planned} planned days kept` : ""
      }.`,
      isStrong: true,
    },
    { kind: "heading", words: "From first to last" },
    {
      kind: "table",
      columns: ["what", "first", "last", "to be known"],
      widths: [40, 16, 16, 28],
      rows: whole.lines.map((l) => [
        sayPlainly(l.name),
        l.last === null ? "" : l.first,
        l.last ?? l.first,
        noteOf(l),
      ]),
    },
    { kind: "heading", words: "Phases" },
    { kind: "table", columns: ["phase", "from", "until"], widths: [56, 22, 22], rows: bands("phase") },
    ...(bands("limit").length > 0
      ? [
          { kind: "heading" as const, words: "Limits that somebody wrote" },
          {
            kind: "table" as const,
            columns: ["limit", "from", "until"],
            widths: [56, 22, 22],
            rows: bands("limit"),
          },
        ]
      : []),
    { kind: "heading", words: "Decisions" },
    { kind: "text", words: decisionsWords(whole.decisions) || "none yet" },
    ...(whole.overridden.length > 0
      ? [
          {
            kind: "table" as const,
            columns: ["day", "line", "decided otherwise, because", "by"],
            widths: [16, 30, 36, 18],
            rows: whole.overridden.map((d) => [
              dayInWords(d.on),
              d.line,
              `${d.sentence} ${d.reason ?? ""}`.trim(),
              d.by,
            ]),
          },
        ]
      : []),
  ];
  return {
    title: "Summary of an episode",
    about: `${f.client}, ${dayInWords(f.today)}`,
    isLarge: false,
    foot: `${f.client} · ${dayInWords(f.today)}`,
    blocks,
  };
}
