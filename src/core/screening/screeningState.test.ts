import fc from "fast-check";
import { sayPlainly } from "@/words/say";
import { CONSEQUENCES, RECHECK_ITEMS, RED_FLAGS, redFlagById } from "../rules/redFlags";
import { inWords } from "../testdata/inWords";
import { SCREENED_LATELY_MS, screenedLately, signSaid } from "../visit/signs/recheckAsk";
import { RECHECK_SIGNS, recheckDoes, recheckFor } from "../visit/signs/recheckSigns";
import { actAfter, STOP_REASONS, stopSaid } from "../visit/signs/stopReasons";
import { withReading } from "./bloodPressure";
import type { Answer } from "./screening";
import { limitsOfSigns, type ScreeningRecord, screeningState } from "./screeningState";

const DAY = "2026-06-01";
const all = (over: Record<string, Answer>, o: Partial<ScreeningRecord> = {}): ScreeningRecord => ({
  id: o.id ?? "s",
  on: o.on ?? "2026-05-20",
  cleared: o.cleared ?? [],
  answers: RED_FLAGS.map((f) => ({ questionId: f.id, answer: over[f.id] ?? "no", escalations: [] })),
});

test.each([
  ["never asked", [], null, "missing", true, true],
  ["all no", [all({})], null, "clear", false, false],
  ["a caution", [all({ rf_anticoag: "yes" })], null, "caution", false, false],
  ["a hold", [all({ rf_giving_way: "unsure" })], null, "hold", true, true],
  ["a stop", [all({ rf_giving_way: "yes", rf_calf: "yes" })], null, "stop", true, true],
  ["cleared", [all({ rf_calf: "yes" }, { cleared: ["rf_calf"] })], null, "clear", false, false],
  [
    "answered no later, not cleared",
    [all({ rf_calf: "yes" }, { on: "2026-05-01" }), all({}, { id: "t" })],
    null,
    "stop",
    true,
    true,
  ],
  ["old", [all({}, { on: "2026-02-01" })], "2026-05-28", "due", true, false],
  ["after a gap", [all({}, { on: "2026-04-01" })], "2026-04-20", "due", true, true],
  ["asked again after a gap", [all({}, { on: "2026-05-30" })], "2026-04-20", "clear", false, false],
] as const)("%s", (_, records, lastSession, status, barsPlanning, barsFloor) => {
  const state = screeningState(RED_FLAGS, records, DAY, lastSession);
  expect([state.status, state.barsPlanning !== null, state.barsFloor !== null]).toEqual([
    status,
    barsPlanning,
    barsFloor,
  ]);
});

test("a question without an answer bars work, and says how many there are", () => {
  const record = all({});
  const state = screeningState(RED_FLAGS, [{ ...record, answers: record.answers.slice(2) }], DAY, null);
  expect(state).toMatchObject({ status: "incomplete" });
  expect(inWords(state.barsFloor)).toMatch(/^2 warning-sign questions have no answer yet/);
});

test("every set of answers over several screenings gives one status; one more yes never a milder one", () => {
  const anyAnswers = fc.dictionary(
    fc.constantFrom(...RED_FLAGS.map((f) => f.id)),
    fc.constantFrom<Answer>("no", "yes", "unsure"),
  );
  const order = ["stop", "hold", "missing", "incomplete", "due", "caution", "clear"];
  fc.assert(
    fc.property(anyAnswers, anyAnswers, fc.constantFrom(...RED_FLAGS), (first, second, extra) => {
      const of = (a: Record<string, Answer>) =>
        screeningState(RED_FLAGS, [all(first, { id: "a", on: "2026-05-10" }), all(a)], DAY, null);
      const before = of(second);
      const after = of({ ...second, [extra.id]: "yes" });
      expect(order.indexOf(after.status)).toBeLessThanOrEqual(order.indexOf(before.status));
      const worst = Math.min(
        CONSEQUENCES.length,
        ...after.standing.map((s) => CONSEQUENCES.indexOf(s.consequence)),
      );
      expect(after.barsFloor !== null).toBe(worst < 2);
    }),
    { numRuns: 300 },
  );
});

test("a standing caution bounds holds until it is cleared", () => {
  const { standing } = screeningState(RED_FLAGS, [all({ rf_bp: "yes" })], DAY, null);
  expect(limitsOfSigns(standing).map((l) => [l.kind, l.high])).toEqual([
    ["felt_effort", 6],
    ["reserve", null],
    ["hold_effort", 40],
    ["hold_seconds", 10],
  ]);
});

test.each([
  [120, 80, "no", []],
  [142, 80, "yes", []],
  [120, 92, "yes", []],
  [165, 80, "yes", ["160-179 systolic or 100-109 diastolic"]],
  [130, 112, "yes", ["180 systolic or 110 diastolic, or higher, no symptoms"]],
] as const)(
  "a reading of %i over %i answers the pressure question %s",
  (systolicMmHg, diastolicMmHg, answer, escalations) => {
    const [found] = withReading([{ questionId: "rf_bp", answer: "no", escalations: [] }], {
      systolicMmHg,
      diastolicMmHg,
    });
    expect(found).toMatchObject({ answer, escalations });
    for (const e of escalations) expect(redFlagById("rf_bp")?.escalate_if.map((x) => x.if)).toContain(e);
  },
);

test("every sign of the short list has a rule behind it; the wound is asked for twelve weeks after surgery", () => {
  for (const sign of RECHECK_SIGNS) expect(RECHECK_ITEMS.map((i) => i.yes)).toContain(recheckDoes(sign));
  expect(recheckFor(null)).toHaveLength(RECHECK_SIGNS.length - 1);
  expect(recheckFor(11)).toHaveLength(RECHECK_SIGNS.length);
  expect(recheckFor(12)).toHaveLength(RECHECK_SIGNS.length - 1);
});

test("the first time nothing is compared with the last; right after a screening only what is new is asked", () => {
  const [first, later] = [{ isFirst: true }, { isFirst: false }].map((ask) =>
    RECHECK_SIGNS.map((sign) => sayPlainly(signSaid(sign, ask))).join("; "),
  );
  expect(first).not.toMatch(/last time/);
  expect(first).toMatch(/new swelling/);
  expect(later).toMatch(/more swelling.*than last time/);
  const now = new Date("2026-03-02T09:00:00Z");
  const ago = (ms: number) => screenedLately(new Date(now.getTime() - ms), now);
  expect(ago(600_000)).toEqual(new Date(now.getTime() - 600_000));
  expect(ago(SCREENED_LATELY_MS)).not.toBeNull();
  expect(ago(SCREENED_LATELY_MS + 1)).toBeNull();
  expect(ago(-1)).toBeNull();
  expect(screenedLately(null, now)).toBeNull();
});

test("every reason to stop says what to do then; what is a warning sign is one of the short list", () => {
  for (const r of STOP_REASONS) {
    if (r.id !== "time") expect(r.act?.length).toBeGreaterThan(5);
    expect(actAfter(r.id)).toBe(r.act);
    expect(sayPlainly(stopSaid(r.id))).not.toBe(r.id);
    expect(sayPlainly(stopSaid(r.id)).length).toBeLessThanOrEqual(200);
    if (r.sign) expect(RECHECK_SIGNS).toContain(r.sign);
  }
  expect(actAfter("joint pain above 3")).toBeNull();
});
