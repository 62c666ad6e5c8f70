import { MUSCLES } from "./balance";
import { SORE_UP_TO, soreness, spareNext } from "./soreness";

test("up to 4 is expected and spares nothing; more spares the muscles that were named once, all where none was (Sore 2)", () => {
  const after = (level: number, muscles: ("quads" | "calves")[] = [], daysAgo = 2) =>
    spareNext({ soreness: { level, muscles }, daysAgo }, SORE_UP_TO.usual);
  for (const level of [0, 3, 4]) expect(after(level, ["quads"])).toBeNull();
  expect(after(5, ["quads", "calves"])).toEqual(["quads", "calves"]);
  expect(after(6)).toEqual(MUSCLES);
  expect(after(10, ["quads"], 7)).toEqual(["quads"]);
  expect(after(10, ["quads"], 8)).toBeNull();
  expect(spareNext({ soreness: null, daysAgo: 1 }, 4)).toBeNull();
  expect(spareNext(null, 4)).toBeNull();
});

test("who takes soreness for a sign of work spares later, who takes it for too much sooner (K22)", () => {
  const after = (level: number, upTo: number) =>
    spareNext({ soreness: { level, muscles: ["quads"] }, daysAgo: 1 }, upTo) !== null;
  expect([2, 3, 4, 5, 6, 7].map((x) => after(x, SORE_UP_TO.too_much))).toEqual([
    ...[false, true, true, true, true, true],
  ]);
  expect([2, 3, 4, 5, 6, 7].map((x) => after(x, SORE_UP_TO.sign_of_work))).toEqual([
    ...[false, false, false, false, false, true],
  ]);
});

test("a muscle that is none, or a level past the scale, is refused", () => {
  expect(soreness.safeParse({ level: 6, muscles: ["tail"] }).success).toBe(false);
  expect(soreness.safeParse({ level: 11, muscles: [] }).success).toBe(false);
  expect(soreness.safeParse(null).success).toBe(true);
});
