import type { DayFacts } from "./dayFacts";
import { stepsOf } from "./path";
import { mattersOf, nextOf } from "./waiting";

const SHEET = { sheetId: "s", name: "Gym", lines: 3 };
const CALM: DayFacts = {
  tests: 2,
  due: [],
  sheets: [SHEET],
  ready: [SHEET],
  lastVisit: null,
  draft: null,
  warning: null,
  concerns: [],
  gone: [],
  plateaus: [],
  isStopped: false,
  screening: { status: "clear", barsPlanning: null, barsFloor: null },
  handLimits: null,
  morningWaits: false,
  phases: ["Build strength"],
  opens: [],
  unconfirmed: [],
  ending: [],
  block: null,
  today: "2026-03-02",
  daysOff: null,
  returnBar: null,
  requests: [],
};
const CONCERN = {
  visitId: "v",
  responseId: null,
  what: { kind: "pain" as const, pain: 6, most: 3 },
  by: "x",
  at: new Date(0),
};

/** What can be in the way of a run, the first to be done first. */
const IN_THE_WAY: readonly (readonly [string, Partial<DayFacts>])[] = [
  ["visit.concern", { concerns: [CONCERN] }],
  ["desk.screening_stop", { screening: { status: "stop", barsPlanning: "x", barsFloor: "x" } }],
  ["desk.sign_stands", { warning: "a fall" }],
  ["desk.open_visit", { lastVisit: { isRunning: true, morningPain: null, decided: null } }],
  ["desk.ask_morning", { draft: { hasMorning: false, strictest: null } }],
  ["desk.decide", { draft: { hasMorning: true, strictest: "REGRESS" } }],
  ["desk.stopped", { isStopped: true }],
  ["desk.hand_limits", { handLimits: "no rule" }],
  ["desk.return_bar", { returnBar: "ten days off", daysOff: { days: 10, proposed: "step_back" } }],
  [
    "desk.measure_strength",
    {
      due: [
        {
          kind: "extension_strength",
          what: "strength",
          because: "never",
          group: "strength",
          isNeeded: true,
        },
      ],
    },
  ],
  ["desk.phase_opens", { opens: ["Build"] }],
];

test.each(IN_THE_WAY)("%s comes next before a run", (code, facts) => {
  expect(nextOf({ ...CALM, ...facts }).why.code).toBe(code);
});

test("of two things in the way the earlier of the list comes next", () => {
  for (const [i, [code, first]] of IN_THE_WAY.entries())
    for (const [other, second] of IN_THE_WAY.slice(i + 1)) {
      // what the floor says of itself it says last; the same fact cannot be two
      if (/open_visit|stopped/.test(code) && /stopped|hand_limits|return_bar/.test(other)) continue;
      if (Object.keys(first).some((key) => key in second)) continue;
      expect(`${other}: ${nextOf({ ...CALM, ...second, ...first }).why.code}`).toBe(`${other}: ${code}`);
    }
});

test("nothing in the way: the first sheet is run, and needs no hand", () => {
  expect(nextOf(CALM)).toEqual({
    step: "floor",
    query: "?sheet=s",
    why: { code: "desk.run", names: ["Gym"] },
    needsHand: false,
  });
  expect(mattersOf(CALM)).toMatchObject([{ kind: "run", query: "?sheet=s" }]);
  expect(stepsOf(CALM).floor).toEqual({ state: "due", why: { code: "path.ready" } });
});

test("a morning that cannot be asked yet waits: nobody's hand is needed, and nothing of it is on the desk", () => {
  const evening = { ...CALM, draft: { hasMorning: false, strictest: null }, morningWaits: true };
  expect(nextOf(evening)).toMatchObject({ why: { code: "desk.morning_later" }, needsHand: false });
  expect(mattersOf(evening).map((m) => m.kind)).not.toContain("morning");
  expect(stepsOf(evening).morning.state).toBe("open");
});

test("a draft that steps on needs no hand first; one that steps back does", () => {
  const drafted = (strictest: "PROGRESS" | "REGRESS") =>
    nextOf({ ...CALM, draft: { hasMorning: true, strictest } }).needsHand;
  expect([drafted("PROGRESS"), drafted("REGRESS")]).toEqual([false, true]);
});

test("everything that is in the way stands on the desk too", () => {
  for (const [code, facts] of IN_THE_WAY.filter(([c]) => c !== "desk.return_bar")) {
    const { step } = nextOf({ ...CALM, ...facts });
    expect(`${code} ${mattersOf({ ...CALM, ...facts }).some((m) => m.step === step)}`).toBe(`${code} true`);
  }
});

test("a muscle group that stands still is named with what fits, and comes before nothing that is to be run", () => {
  const found = mattersOf({ ...CALM, plateaus: [{ direction: "extension", because: "few_sets" }] });
  expect(found.filter((m) => m.kind === "plateau")).toEqual([
    {
      kind: "plateau",
      step: "review",
      why: { code: "desk.plateau", direction: "extension", because: "few_sets" },
    },
  ]);
});
