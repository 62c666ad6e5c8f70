import { writeFileSync } from "node:fs";
import fc from "fast-check";
import { sayPlainly } from "@/words/say";
import { limitRows } from "./bounds/rows";
import { draftSession } from "./drafts/draftSession";
import { exitCriteriaOf } from "./phases/phaseCriteria";
import { phaseLimits } from "./phases/phaseLimits";
import { decide } from "./progression/decide";
import { decisionInput } from "./progression/decisionInput";
import { CONDITIONS } from "./rules/conditions";
import { EXERCISES } from "./rules/exercises";
import { limitsOfRecord } from "./rules/limitsOfRecord";
import { RED_FLAGS } from "./rules/redFlags";
import { GENERAL_STANCES, stancesOf } from "./rules/stances";
import { screeningInput } from "./screening/screeningInput";
import { atAngle, type Compared, explainDifference } from "./selection/rank/compare";
import { READY_QUESTIONS } from "./selection/rank/questions";
import { rangeSheet, rowOf } from "./selection/rank/rangeSheet";
import type { ReferenceTask } from "./selection/tissue/tissues";
import { homeVersion } from "./sheet/draft/homeVersion";
import { itemsOf } from "./sheet/effect/scoreItems";
import { judgeScore } from "./sheet/judge/judgeScore";
import { legsAllowed } from "./sheet/line/legs";
import { sheetInput } from "./sheet/line/sheetInput";
import { orderNotes, USUAL_ORDER } from "./sheet/order/sessionScore";
import { SCHEME_KINDS } from "./sheet/schemes/scheme";
import { newClientInput } from "./story/storyInput";
import { strengthTestInput } from "./strength/testInput";
import { anyDecision } from "./testdata/anyDecision";
import { draftFor } from "./testdata/draftFor";
import { NO_FINDINGS } from "./testdata/noFindings";
import { EXAMPLES, line, scoreContext } from "./testdata/scoreContext";
import { WORKED } from "./testdata/workedDrafts";
import { lowerFirst } from "./units/lowerFirst";
import { fromKept, type Said, saidWith } from "./units/said";
import { issueSaid } from "./units/wrong";
import { STOP_REASONS, stopSaid } from "./visit/signs/stopReasons";

/** Every sentence that the core says to people for many clients, with where it came from. */
function everySentence(): Map<string, string> {
  const said = new Map<string, string>();
  const say = (from: string, ...all: (Said | null | undefined)[]) => {
    for (const one of all) {
      const s = one && sayPlainly(typeof one === "string" ? fromKept(one) : one);
      if (s && !said.has(s)) said.set(s, from);
    }
  };
  for (const c of CONDITIONS) {
    for (const p of c.phases) {
      const record = phaseLimits(c, p, { variantId: c.variants[0]?.id, choices: {}, week: p.weeks.from });
      const { groups } = limitRows(limitsOfRecord(record, `${c.name}, ${lowerFirst(p.name)}`, c.id), "");
      for (const g of groups)
        say(
          "limits",
          g.conflict,
          ...g.rows.flatMap((r) => [r.words.map((w) => w.text).join(" "), r.limit.reason]),
        );
      say(
        "criteria",
        ...exitCriteriaOf(p, FOUND).criteria.map((x) => sayPlainly({ ...x, code: "phases.criterion" })),
      );
    }
    for (const v of c.variants)
      for (const s of stancesOf(c, v.id)) say("stances", s.topic, ...s.options.map((o) => o.label));
  }
  for (const s of GENERAL_STANCES) say("stances", s.topic, ...s.options.map((o) => o.label));
  for (const f of RED_FLAGS) say("warning signs", f.question, f.do_now);
  for (const r of STOP_REASONS)
    say(
      "stops",
      `The holds end here because of this: ${lowerFirst(sayPlainly(stopSaid(r.id)))}. ${r.act ?? ""}`,
    );
  for (const [name, x] of Object.entries(WORKED)) {
    const { facts, context } = draftFor(x);
    const sheet = rangeSheet(context.sheet);
    for (const r of sheet.rows) say("choose", r.said, ...r.changes, r.computed?.tooHeavyBecause);
    for (const b of sheet.barred) say("choose", ...b.reasons, b.opens);
    const draft = draftSession(facts, sheet, context, x, USUAL_ORDER);
    say(
      `draft ${name}`,
      ...draft.notes.map(sayPlainly),
      ...draft.lines.map((l) => sayPlainly(fromKept(l.why ?? ""))),
    );
    say(
      "order",
      ...orderNotes(
        itemsOf(judgeScore(draft.lines, context), (_, i) => String(i)),
        USUAL_ORDER,
      ).map((n) => n.said),
    );
    say("home", ...homeVersion(draft.lines, sheet.rows, context, new Set(["chair"])).notes);
    for (const e of EXERCISES.filter((_, i) => i % 6 === name.length % 6))
      for (const kind of SCHEME_KINDS)
        for (const j of judgeScore(
          [line(e.id, EXAMPLES[kind], { legs: legsAllowed(e, kind)[0] ?? "together" })],
          context,
        ))
          say("lines", ...j.bars, ...j.cautions);
  }
  for (const q of READY_QUESTIONS) {
    const { sheet } = scoreContext();
    const compared = q.sides.flatMap((s, side): Compared[] => {
      const e = EXERCISES.find((x) => x.id === s.exerciseId);
      const row = e ? rowOf(e, sheet, { settings: s.settings, load: s.load }) : [];
      if (Array.isArray(row) || !row.computed) return [];
      const here = atAngle(sheet.body, row.computed, sheet.chair as ReferenceTask, q.deg);
      const name = saidWith("compare.side", { question: q.id, side });
      return here ? [{ name, setUp: row.computed, here }] : [];
    });
    const [a, b] = compared;
    if (a && b) say("compare", ...explainDifference(a, b));
  }
  for (const d of fc.sample(anyDecision, 250)) {
    const found = decide(decisionInput.parse(d));
    say("decisions", ...[...found.reasons, ...found.also].map((r) => sayPlainly(r.why)));
  }
  for (const schema of [newClientInput, sheetInput, screeningInput, strengthTestInput])
    for (const bad of [
      {},
      null,
      "x",
      { items: [{ scheme: { kind: "holds", effort: { kind: "felt", felt: "x" } } }] },
      BAD_LINES,
    ])
      say("forms", ...(schema.safeParse(bad).error?.issues.map((i) => sayPlainly(issueSaid(i))) ?? []));
  return said;
}

const FOUND = {
  ...NO_FINDINGS,
  extensionDeficitDeg: 4,
  flexionDeg: 100,
  swellingGrade: 2,
  quadricepsSymmetry: { lsiPct: 84, lowPct: 72, highPct: 96 },
  restingPain: 3,
};
const BAD_LINES = {
  items: SCHEME_KINDS.map((kind) => ({
    exerciseId: "",
    scheme: { kind, sets: -1, reps: 99, holdS: 900, restS: "x", effort: { kind: "felt", felt: 99 } },
    legs: "three",
    window: { fromDeg: 3, toDeg: 400 },
    sharesRests: "perhaps",
  })),
};
/** What no sentence may hold: numbers that are none, codes, names of rules, words twice, a capital in the middle. */
const FAULTS: readonly (readonly [string, RegExp])[] = [
  ["a number that is none", /\b(NaN|undefined|null|Infinity)\b|\[object/],
  ["a word twice", /\b(?!leg leg press)([a-z]{3,}) \1\b/i],
  ["space before a stop, or two", /\s[.,;:!?](\s|$)| {2}/],
  ["stops twice", /[.,;:]\.|,,|;;/],
  ["a capital after because", /\bbecause [A-Z][a-z]/],
  ["the name of a rule", /\b(rule )?[HRKFG]\d{1,2}\b/],
  ["a code", /\b[a-z]+_[a-z_]+\b/],
  ["a shortening of the field", /e1RM|\bRIR\b|\bRPE\b/],
  ["a scale as a unit", /number in (out )?of/],
  ["an abbreviation in small letters", /\b(acl|pcl|mcl|oa|tka|bmi)\b/],
];

test("every sentence that the core says is one: no codes, no holes, no word twice", () => {
  const said = everySentence();
  if (process.env.WORDS_FILE)
    writeFileSync(
      process.env.WORDS_FILE,
      [...said]
        .map(([s, from]) => `${from}\t${s}`)
        .sort()
        .join("\n"),
    );
  expect(said.size).toBeGreaterThan(1000);
  const wrong = [...said].flatMap(([s, from]) =>
    FAULTS.filter(([, is]) => is.test(s)).map(([what]) => `${from}: ${what}: ${s}`),
  );
  expect(wrong).toEqual([]);
});
