import { DRAFTS } from "../../drafts/draftData";
import { rangeSheet } from "../../selection/rank/rangeSheet";
import { draftFor } from "../../testdata/draftFor";
import { judgeScore } from "../judge/judgeScore";
import { plainHolds } from "./doseByAim";
import { usualLine } from "./lightStart";
import { shorterHolds } from "./shorterHolds";

test("holds are shortened only where that takes a bar away, and nothing else of a line changes", () => {
  let helped = 0;
  for (const d of DRAFTS.filter((_, i) => i % 4 === 0)) {
    const { context } = draftFor({
      conditionId: d.condition_id,
      phaseId: d.phase_id,
      variantId: d.default_variant_id,
      goal: "low_chair",
    });
    const rows = rangeSheet(context.sheet)
      .rows.filter((r) => r.e.isometric.possible)
      .slice(0, 6);
    for (const row of rows) {
      const line = usualLine(row, plainHolds(5, { atDeg: null, mostS: null }));
      const bars = (l: typeof line) => judgeScore([l], context)[0]?.bars.length ?? 1;
      const made = shorterHolds(line, context);
      if (bars(line) === 0) expect(made).toBe(line);
      else if (made !== line) {
        helped++;
        expect(bars(made)).toBe(0);
        expect({ ...made, scheme: { ...made.scheme, holdS: 30 } }).toEqual(line);
        expect(made.scheme.kind === "holds" && [20, 15, 10].includes(made.scheme.holdS)).toBe(true);
      }
    }
  }
  expect(helped).toBeGreaterThan(0);
});
