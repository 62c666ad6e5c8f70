import { thinForm } from "../sheet/draft/thinForm";
import { keptLines } from "../testdata/keptLines";
import { EXAMPLES, line } from "../testdata/scoreContext";
import { thinUntil, weeksUntil } from "./goalDates";

test("the week before a goal's date is thin, not the day itself nor the days after; the nearest date counts", () => {
  const until = (today: string, ...on: (string | null)[]) =>
    thinUntil(
      on.map((x) => ({ on: x })),
      today,
    );
  expect(until("2026-03-01", "2026-03-08")).toBe("2026-03-08");
  expect(until("2026-03-07", "2026-03-08")).toBe("2026-03-08");
  for (const today of ["2026-02-28", "2026-03-08", "2026-03-09"])
    expect(until(today, "2026-03-08")).toBeNull();
  expect(until("2026-03-01", "2026-03-06", null, "2026-03-04", "2026-09-01")).toBe("2026-03-04");
  expect(thinUntil([{}], "2026-03-01")).toBeNull();
});

test("weeks are counted full, and none are left of a day that is over", () => {
  expect(weeksUntil("2026-03-15", "2026-03-02")).toBe(1);
  expect(weeksUntil("2026-03-02", "2026-03-02")).toBe(0);
  expect(weeksUntil("2026-03-01", "2026-03-02")).toBeNull();
});

test("half the working sets are left, one at least; loads, ramps and repetitions stay as they are", () => {
  const lines = keptLines([line("lp_horizontal", EXAMPLES.straight), line("sq_hack", EXAMPLES.straight)]);
  const thin = thinForm(lines);
  for (const [i, whole] of lines.entries()) {
    const work = (l: typeof whole) => l.sets.filter((s) => s.role === "work");
    expect(work(thin[i] as typeof whole)).toHaveLength(Math.max(1, Math.ceil(work(whole).length / 2)));
    expect(work(thin[i] as typeof whole)[0]).toEqual(work(whole)[0]);
  }
  const [one] = lines.map((l) => ({ ...l, sets: l.sets.slice(0, 1) }));
  expect(one && thinForm([one])[0]?.sets).toEqual(one?.sets);
  expect(thin.map((l) => l.offers)).toEqual([null, null]);
});
