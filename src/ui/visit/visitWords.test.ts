import { startOf, type VisitState } from "@/core/visit/run";
import { bandOf, clock, spaceDoes } from "./visitWords";

test.each([
  [0.2, "1"],
  [42, "42"],
  [59.01, "1:00"],
  [64, "1:04"],
  [600, "10:00"],
])("%d s on the clock is %s", (seconds, text) => {
  expect(clock(seconds)).toBe(text);
});

const at = (phase: VisitState["phase"], holdS: number | null = null): VisitState => ({
  ...startOf([]),
  phase,
  under: { task: { holdS } } as VisitState["under"],
});

test("the band has one word for every phase, and rest is no go", () => {
  expect(bandOf(at("ready"), 0).word).toBe("GO");
  expect(bandOf(at("ready"), 30).word).toBe("REST");
  expect(bandOf(at("working", 45), 0).word).toBe("HOLD");
  expect(bandOf(at("working"), 0).word).toBe("MOVE");
  expect(bandOf(at("rating"), 0).word).toBe("PAIN?");
  expect(bandOf(at("pain-before"), 64).hint).toBe("joint pain now · rest 1:04 to go");
});

test("space does what the screen says, and nothing where it says nothing", () => {
  expect(spaceDoes(at("set-up"), 0, false)).toBeNull();
  expect(spaceDoes(at("set-up"), 0, true)).toBe("Everything is set");
  expect(spaceDoes(at("ready"), 0, true)).toBe("Go");
  expect(spaceDoes(at("ready"), 12, true)).toMatch(/before the rest/);
  expect(spaceDoes(at("working", 45), 0, true)).toBe("Stop it early");
  expect(spaceDoes(at("working"), 0, true)).toBe("Set is done");
  for (const phase of ["pain-before", "rating", "closing", "finished"] as const)
    expect(spaceDoes(at(phase), 0, true)).toBeNull();
});
