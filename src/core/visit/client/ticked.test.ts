import { keptLines } from "../../testdata/keptLines";
import { EXAMPLES } from "../../testdata/scoreContext";
import { visitState } from "../run";
import { logOfTicks } from "./ticked";

const planned = () =>
  keptLines([
    {
      exerciseId: "kext_iso_machine",
      scheme: EXAMPLES.holds,
      legs: "one",
      window: null,
      sharesRests: false,
    },
    {
      exerciseId: "lp_horizontal",
      scheme: EXAMPLES.straight,
      legs: "together",
      window: null,
      sharesRests: false,
    },
  ]);
let n = 0;
const id = () => `00000000-0000-4000-8000-${String(++n).padStart(12, "0")}`;

test("ticked lines are done as planned, the others left out, and the visit is closed", () => {
  const lines = planned();
  for (const ticked of [[], [lines[0]?.lineId ?? ""], lines.map((l) => l.lineId)]) {
    const events = logOfTicks(lines, { lineIds: ticked, pain: 1, painAtEnd: 1 }, 1_000_000, id);
    const s = visitState(lines, events);
    expect(s.phase).toBe("finished");
    expect(new Set(s.done.map((d) => d.task.lineId))).toEqual(new Set(ticked));
    expect(s.done.every((d) => d.pain === 1 && d.early === null)).toBe(true);
    const times = events.map((e) => e.at);
    expect(times).toEqual([...times].sort((a, b) => a - b));
  }
});

test("pain above the limit ends a line here as it does on the floor", () => {
  const lines = planned();
  const [first] = lines;
  const events = logOfTicks(lines, { lineIds: [first?.lineId ?? ""], pain: 9, painAtEnd: 1 }, 0, id);
  const s = visitState(lines, events);
  expect(s.ended[first?.lineId ?? ""]).toMatch(/floor.pain/);
  expect(s.done).toHaveLength(1);
});
