import { seededRandom } from "../../devices/simulated/random";
import { type SimulatedPush, simulateLoadCell } from "../../devices/simulated/simulateLoadCell";
import { traceFromCsv, traceToCsv } from "../exchange/traceCsv";
import { refusalOf } from "../testdata/refusalOf";
import { analyseTrace } from "./analyseTrace";
import type { ForceTrace } from "./forceTrace";

const collect = (push: SimulatedPush, seed = 1): ForceTrace => {
  const trace: ForceTrace = { timeS: [], forceN: [] };
  for (const s of simulateLoadCell(push, seededRandom(seed))) {
    trace.timeS.push(s.timeS);
    trace.forceN.push(s.forceN);
  }
  return trace;
};
const steady: SimulatedPush = { maxForceN: 300, aimForceN: 120, restS: 1, pushS: 5 };
const plain = (f: (t: number) => number, seconds = 6, hz = 80): ForceTrace => {
  const timeS = Array.from({ length: seconds * hz }, (_, i) => i / hz);
  return { timeS, forceN: timeS.map(f) };
};

describe("a steady push of known force", () => {
  test.each([1, 2, 3, 4, 5])("is found within 2 %% (seed %d)", (seed) => {
    const a = analyseTrace(collect(steady, seed));
    expect(a.ok).toBe(true);
    expect(a.flags).toEqual([]);
    expect(Math.abs((a.best3 as number) - 120)).toBeLessThan(2.4);
    expect(Math.abs((a.onsetS as number) - 1)).toBeLessThan(0.06);
  });
  test("gives the same result when the cell was not zeroed, and says so", () => {
    const a = analyseTrace(collect({ ...steady, offsetN: 10 }));
    expect(a.flags).toEqual(["pre-tension"]);
    expect(Math.abs((a.best3 as number) - 120)).toBeLessThan(2.4);
  });
  test("held too short uses the best second", () => {
    const a = analyseTrace(collect({ ...steady, pushS: 2.2 }));
    expect(a.ok).toBe(true);
    expect(a.best3).toBeNull();
    expect(a.flags).toEqual(["hold-shorter-than-plateau"]);
    expect(a.resultN).toBe(a.best1);
  });
});

test("a maximal push fades but counts", () => {
  const a = analyseTrace(collect({ maxForceN: 300, aimForceN: 300, restS: 1, pushS: 5 }));
  expect(a.ok).toBe(true);
  expect(a.resultN).toBeGreaterThan(255);
  expect(a.resultN).toBeLessThan(305);
});

describe("bad trials are rejected and named", () => {
  const push = (t: number) => (t < 1 ? 0 : t < 5 ? 100 : 0);
  test.each<[string, ForceTrace, number]>([
    ["countermovement", plain((t) => (t > 0.8 && t < 1 ? -15 : push(t))), 2000],
    ["unsteady", plain((t) => push(t) * (1 + 0.25 * Math.sin(2 * Math.PI * 2 * t))), 2000],
    ["jerk", plain((t) => push(t) * (t < 1.3 ? 1.6 : 1)), 2000],
    ["saturated", plain(push), 100],
    ["no-effort", plain(() => 1), 2000],
  ])("%s", (flag, trace, limit) => {
    const a = analyseTrace(trace, limit);
    expect(a.flags).toContain(flag);
    expect(a.ok).toBe(false);
  });
  test("dropouts", () => {
    const t = plain(push);
    const keep = t.timeS.map((x) => x < 2 || x > 2.6);
    const a = analyseTrace({
      timeS: t.timeS.filter((_, i) => keep[i]),
      forceN: t.forceN.filter((_, i) => keep[i]),
    });
    expect(a.flags).toContain("dropouts");
  });
  test("a hole of a quarter of a second, one sample in ten lost: refused; one in forty counts", () => {
    const t = plain(push);
    const without = (isLost: (x: number, i: number) => boolean): ForceTrace => ({
      timeS: t.timeS.filter((x, i) => !isLost(x, i)),
      forceN: t.forceN.filter((_, i) => !isLost(t.timeS[i] as number, i)),
    });
    expect(analyseTrace(without((x) => x > 3 && x < 3.27)).flags).toContain("dropouts");
    expect(analyseTrace(without((x) => x > 3 && x < 3.2)).flags).not.toContain("dropouts");
    expect(analyseTrace(without((_, i) => i % 10 === 5))).toMatchObject({ ok: false, flags: ["dropouts"] });
    expect(analyseTrace(without((_, i) => i % 40 === 5)).ok).toBe(true);
  });
  test("times that go back", () => {
    const t = plain(push);
    t.timeS[40] = 0.1;
    expect(analyseTrace(t)).toMatchObject({ ok: false, flags: ["times-not-rising"] });
  });
});

describe("trace files", () => {
  test("a saved trace reads back the same", () => {
    const trace = collect(steady);
    const back = traceFromCsv(traceToCsv(trace));
    expect(back.timeS).toHaveLength(trace.timeS.length);
    back.forceN.forEach((f, i) => {
      expect(f).toBeCloseTo(trace.forceN[i] as number, 2);
    });
  });
  test("semicolons and decimal commas are read", () => {
    const text = `Time [s];Force [N]\n${Array.from({ length: 12 }, (_, i) => `0,${10 + i};${i},5`).join("\r\n")}`;
    expect(traceFromCsv(text).forceN[3]).toBe(3.5);
  });
  test("units that a header names are converted; columns may stand the other way round", () => {
    const rows = (step: number, f: number) =>
      Array.from({ length: 12 }, (_, i) => `${i * step},${f}`).join("\n");
    const first = (text: string) => {
      const t = traceFromCsv(text);
      return { dt: t.timeS[1], force: t.forceN[0] };
    };
    expect(first(`Time (ms),Force (lbf)\n${rows(10, 100)}`)).toEqual({
      dt: expect.closeTo(0.01, 9),
      force: expect.closeTo(444.98, 1),
    });
    expect(first(`"time_ms";"load_kg"\n${rows(20, 40).replaceAll(",", ";")}`)).toEqual({
      dt: expect.closeTo(0.02, 9),
      force: expect.closeTo(392.4, 3),
    });
    const turned = Array.from({ length: 12 }, (_, i) => `0.5,${i / 100}`).join("\n");
    expect(first(`force_kN,time_s\n${turned}`)).toEqual({ dt: expect.closeTo(0.01, 9), force: 500 });
  });
  test.each([
    ["", /no samples/],
    [
      `Time;Force\n${Array.from({ length: 12 }, (_, i) => `${i};5`).join("\n")}`,
      /Line 1 does not say in which units/,
    ],
    [`\n\n# a comment\ntime_s,force_stone\n0,1`, /Line 4 does not say in which units: “time_s, force_stone”/],
    [`time_s,force_N\n\n0,1\n\n0.1,x`, /Line 5/],
    ["hello\nworld", /Line 1/],
    ["time_s,force_N\n0,1\n0.1,x", /Line 3/],
    ["0,1\n0,2", /cannot be used/],
    [Array.from({ length: 20 }, (_, i) => `${i},1e9`).join("\n"), /cannot be used/],
    [Array.from({ length: 20 }, (_, i) => `${20 - i},5`).join("\n"), /times must rise/],
    ["\u0000\u0001PNG\n", /Line 1/],
  ])("a strange file is refused: %j", (text, sentence) => {
    expect(refusalOf(() => traceFromCsv(text))).toMatch(sentence);
  });
});
