import fc from "fast-check";
import type { KeptLine } from "../../sheet/line/keptLine";
import type { Scheme } from "../../sheet/schemes/scheme";
import { keptLines } from "../../testdata/keptLines";
import { EXAMPLES, line } from "../../testdata/scoreContext";
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
