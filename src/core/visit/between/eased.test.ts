import fc from "fast-check";
import type { KeptLine } from "../../sheet/line/keptLine";
import type { Scheme } from "../../sheet/schemes/scheme";
import { keptLines } from "../../testdata/keptLines";
import { EXAMPLES, line } from "../../testdata/scoreContext";
import { robot } from "../../testdata/visitRobot";
import { type LiveTask, startOf, visitState } from "../run";
import type { VisitEvent } from "../visitEvent";
import { plannedLoadKg, withLoad } from "./eased";

const kept = (exerciseId: string, scheme: Scheme, loadKg: number | null = null): KeptLine => {
  const [made] = keptLines([line(exerciseId, scheme, { loadKg })]);
  if (!made) throw new Error("not kept");
  return made;
};
const LINES: KeptLine[] = [
  kept("lp_horizontal", EXAMPLES.straight),
  kept("lp_horizontal", EXAMPLES.ramp),
  kept("lp_horizontal", EXAMPLES.drop),
  kept("lp_horizontal", EXAMPLES.climb),
  kept("kext_iso_machine", EXAMPLES.holds),
  kept("curl_counterweight", EXAMPLES.straight, 30),
];
const drop = LINES[2] as KeptLine;
const open = (l: KeptLine): LiveTask[] => [...startOf([l]).tasks];
const isHarder = (l: KeptLine, kg: number, thanKg: number): boolean =>
  l.isHelp ? kg < thanKg - 1e-9 : kg > thanKg + 1e-9;

test("lines for these tests have steps to go back to", () => {
  for (const l of LINES) expect(l.sets.some((s) => s.loadKg !== null)).toBe(true);
  expect(LINES.filter((l) => l.lighter.length > 0).length).toBeGreaterThanOrEqual(4);
  expect(LINES.some((l) => l.isHelp)).toBe(true);
});

test("a load that is none of the line's own changes nothing: nobody sets more on the floor than was judged", () => {
  for (const l of LINES) {
    const most = Math.max(...l.sets.map((s) => s.loadKg ?? 0));
    for (const kg of [most + 1000, most + 7.3, -1]) expect(withLoad(l, open(l), kg)).toBeNull();
    const before = startOf([l]);
    const asked: VisitEvent = { type: "load", lineId: l.lineId, loadKg: most + 1000, at: 1 };
    expect(visitState([l], [asked])).toEqual(before);
  }
});

test("an eased drop set keeps its drops, and taken back to plan it never lifts a later one", () => {
  const own = drop.sets.map((s) => s.loadKg as number);
  expect(own.at(-1)).toBeLessThan(own[0] as number);
  const back = withLoad(drop, open(drop), plannedLoadKg(drop) as number);
  expect(back?.map((t) => t.loadKg)).toEqual(own);
  const last = own.at(-1) as number;
  expect(withLoad(drop, open(drop), last)?.map((t) => t.loadKg)).toEqual(own.map(() => last));
});

test("easing the working load leaves lighter ramp sets as they were", () => {
  const ramp = LINES[1] as KeptLine;
  const step = ramp.lighter[0];
  if (!step) throw new Error("nothing lighter");
  const eased = withLoad(ramp, open(ramp), step.loadKg) ?? [];
  for (const [i, t] of eased.entries()) {
    const planned = ramp.sets[i]?.loadKg as number;
    expect(t.loadKg).toBe(Math.min(planned, step.loadKg));
    expect(t.how).toBe(planned <= step.loadKg ? ramp.sets[i]?.how : step.how);
  }
});

test("of help more is easier", () => {
  const help = LINES.at(-1) as KeptLine;
  const most = help.lighter.at(-1);
  if (!most) throw new Error("no more help");
  expect(most.loadKg).toBeGreaterThan(help.sets[0]?.loadKg as number);
  const eased = withLoad(help, open(help), most.loadKg) ?? [];
  expect(new Set(eased.map((t) => t.loadKg))).toEqual(new Set([most.loadKg]));
  expect(withLoad(help, eased, plannedLoadKg(help) as number)?.map((t) => t.loadKg)).toEqual(
    help.sets.map((s) => s.loadKg),
  );
});

test("whatever is tapped, in any order, no set is ever harder than its own plan", () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...LINES),
      fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { maxLength: 8 }),
      (l, picks) => {
        const all = [...l.lighter.map((x) => x.loadKg), ...l.sets.map((s) => s.loadKg ?? 0), 55.5];
        const events = picks.map(
          (p): VisitEvent => ({
            type: "load",
            lineId: l.lineId,
            loadKg: all[Math.floor(p * (all.length - 1))] as number,
            at: 1,
          }),
        );
        for (const t of visitState([l], events).tasks)
          if (t.loadKg !== null) {
            expect(isHarder(l, t.loadKg, t.plannedKg as number)).toBe(false);
            const isKept = [...l.lighter, ...l.sets].some((x) => x.loadKg === t.loadKg && x.how === t.how);
            expect(isKept).toBe(true);
          }
      },
    ),
  );
});

describe("what is worn and held (Aid 2)", () => {
  const wrap = { worn: "tight_wrap", help: "none" } as const;
  const [plain] = keptLines([line("lp_horizontal", EXAMPLES.straight)]);
  if (!plain) throw new Error("not kept");
  const top = Math.max(...plain.sets.map((x) => x.loadKg ?? 0));
  const wrapped: KeptLine = { ...plain, aid: wrap, bare: { loadKg: top - 10, how: "less" } };
  const { events } = robot([wrapped]);
  const rated = events.findIndex((e) => e.type === "rate");
  const aidOff: VisitEvent = {
    ...{ type: "aid", lineId: wrapped.lineId, worn: "none", help: "none", at: events[rated]?.at ?? 0 },
  };
  const loads = (l: KeptLine, log: readonly VisitEvent[]) =>
    visitState([l], log)
      .tasks.filter((t) => t.status === "open")
      .map((t) => t.loadKg);

  test("taken away, the open sets go to what is set without; put on, nothing gets heavier", () => {
    const before = events.slice(0, rated + 1);
    expect(new Set(loads(wrapped, before))).toEqual(new Set([top]));
    expect(new Set(loads(wrapped, [...before, aidOff]))).toEqual(new Set([top - 10]));
    expect(
      new Set(loads({ ...wrapped, bare: { loadKg: top + 10, how: "more" } }, [...before, aidOff])),
    ).toEqual(new Set([top]));
    // nobody knows what it takes without: it stays, and is written down
    expect(new Set(loads({ ...wrapped, bare: null }, [...before, aidOff]))).toEqual(new Set([top]));
    const on: VisitEvent = { ...aidOff, worn: "tight_wrap" } as VisitEvent;
    expect(new Set(loads(wrapped, [...before, aidOff, on]))).toEqual(new Set([top - 10]));
  });

  test("each set is kept with what was worn and held in it", () => {
    const done = visitState(
      [wrapped],
      [...events.slice(0, rated + 1), aidOff, ...events.slice(rated + 1)],
    ).done;
    expect(done.map((d) => d.aid.worn)).toEqual(["tight_wrap", ...done.slice(1).map(() => "none")]);
    expect(done.length).toBeGreaterThan(1);
  });
});
