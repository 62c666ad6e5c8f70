import type { ComputedSetUp } from "../../selection/setUp/row";
import { EXAMPLES } from "../../testdata/scoreContext";
import { isByFeel } from "./byFeel";

const setUp = (family: { isHeldByHand?: boolean; isReversed?: boolean }, load: number, how = `${load} kg`) =>
  ({ load, how, chosen: { family } }) as ComputedSetUp;
const hands = { isHeldByHand: true };
const felt = EXAMPLES.holds;
const percent = { ...EXAMPLES.holds, effort: { kind: "percent" as const, percent: 40 } };
const clinic = (isTested: boolean) => ({ isTested, isAtHome: false });

test.each([
  ["a felt hold of an untested leg against hands", true, felt, setUp(hands, 4), clinic(false)],
  ["the same of a tested leg, which a scale reads", false, felt, setUp(hands, 4), clinic(true)],
  ["a share of the maximum against hands", false, percent, setUp(hands, 4), clinic(false)],
  ["a felt hold where the lightest step is nothing", true, felt, setUp({}, 0, "no cuff"), clinic(false)],
  ["a felt hold on a machine that is light enough", false, felt, setUp({}, 5), clinic(false)],
  ["help, where nothing is no help", false, felt, setUp({ isReversed: true }, 0), clinic(false)],
  ["repetitions without a cuff", false, EXAMPLES.straight, setUp({}, 0, "no cuff"), clinic(false)],
  ["hands at home, tested or not", true, percent, setUp(hands, 12), { isTested: true, isAtHome: true }],
  ["a cuff at home", false, EXAMPLES.straight, setUp({}, 2), { isTested: true, isAtHome: true }],
  ["what has no model", false, felt, null, clinic(false)],
] as const)("%s: found by feel is %s", (_, is, scheme, computed, o) => {
  expect(isByFeel(scheme, computed, o)).toBe(is);
});
