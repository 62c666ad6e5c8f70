import { MUSCLES } from "./balance";
import { soreness, spareNext } from "./soreness";

test("up to 4 is expected and spares nothing; more spares the muscles that were named once, all where none was (Sore 2)", () => {
  const after = (level: number, muscles: ("quads" | "calves")[] = [], daysAgo = 2) =>
    spareNext({ soreness: { level, muscles }, daysAgo });
  for (const level of [0, 3, 4]) expect(after(level, ["quads"])).toBeNull();
  expect(after(5, ["quads", "calves"])).toEqual(["quads", "calves"]);
  expect(after(6)).toEqual(MUSCLES);
  expect(after(10, ["quads"], 7)).toEqual(["quads"]);
  expect(after(10, ["quads"], 8)).toBeNull();
  expect(spareNext({ soreness: null, daysAgo: 1 })).toBeNull();
  expect(spareNext(null)).toBeNull();
});

test("a muscle that is none, or a level past the scale, is refused", () => {
  expect(soreness.safeParse({ level: 6, muscles: ["tail"] }).success).toBe(false);
  expect(soreness.safeParse({ level: 11, muscles: [] }).success).toBe(false);
  expect(soreness.safeParse(null).success).toBe(true);
});
