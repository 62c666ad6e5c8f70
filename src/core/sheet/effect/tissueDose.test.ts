import { exerciseById } from "../../rules/exercises";
import { keptLines } from "../../testdata/keptLines";
import { EXAMPLES, line } from "../../testdata/scoreContext";
import { withinEdge } from "../draft/atEdge";
import type { KeptLine } from "../line/keptLine";
import type { Scheme } from "../schemes/scheme";
import { onSore, sorePartOf, tissueDone, tissueDose } from "./tissueDose";

const exerciseOf = (id: string) => exerciseById(id) ?? null;
const kept = (id: string, scheme: Scheme) => keptLines([line(id, scheme)])[0] as KeptLine;
const press = { ...kept("lp_horizontal", { ...EXAMPLES.straight, sets: 2, reps: 10 } as Scheme), share: 0.6 };
const on = (id: string, sore: Parameters<typeof onSore>[2]) =>
  onSore({ kind: "straight" }, exerciseOf(id), sore);

test("one region is told apart by what loads it, several at once are not", () => {
  expect(sorePartOf(["knee", "knee"])).toBe("knee");
  expect(sorePartOf(["lumbar"])).toBe("back");
  expect(sorePartOf(["knee", "hip"])).toBeNull();
  expect(sorePartOf([])).toBeNull();
});

test("calf and hip work leave the knee quiet, knee work the hip, and a back is loaded by what its exercises ask of it", () => {
  expect([on("lp_horizontal", "knee"), on("calf_standing", "knee"), on("hip_abd_standing", "knee")]).toEqual([
    1, 0, 0,
  ]);
  expect([on("kext_machine", "hip"), on("curl_seated", "hip"), on("lp_horizontal", "hip")]).toEqual([
    0, 0, 1,
  ]);
  const press = exerciseOf("lp_horizontal");
  expect(onSore({ kind: "straight" }, press, "back")).toBeCloseTo((press?.lumbar.demand_0_3 ?? 9) / 3);
  // where nothing can be told apart all of it counts
  expect(on("calf_standing", null)).toBe(1);
  expect(onSore({ kind: "stretch" }, press, "knee")).toBe(0);
});

test("ten repetitions at 60 % are one, four seconds of a hold one repetition, and twice the share is twice the dose", () => {
  expect(tissueDose(press, exerciseOf("lp_horizontal"), "knee")).toBeCloseTo(2);
  expect(tissueDose({ ...press, share: 0.3 }, exerciseOf("lp_horizontal"), "knee")).toBeCloseTo(1);
  const hold = { ...kept("kext_iso_machine", { ...EXAMPLES.holds, reps: 1 } as Scheme), share: 0.6 };
  const set = hold.sets[0] as KeptLine["sets"][number];
  const seconds = (set.holds?.holdS ?? 0) * hold.sets.length;
  expect(tissueDose(hold, exerciseOf("kext_iso_machine"), "knee")).toBeCloseTo(
    (seconds / 4 / 10) * set.loadShare,
  );
});

test("what was done counts, half more than planned at most", () => {
  const done = (reps: number, heldS = 0) =>
    tissueDone(press, exerciseOf("lp_horizontal"), "knee", { reps, heldS });
  expect(done(20)).toBeCloseTo(2);
  expect(done(5)).toBeCloseTo(0.5);
  expect(done(0, 40)).toBeCloseTo(1);
  expect(done(300)).toBeCloseTo(3);
});

test("what loads the joint is offered more only where what that adds still fits; what leaves it quiet always is (L8)", () => {
  const offers = { loads: [{ loadKg: 50 }] } as unknown as KeptLine["offers"];
  const calf = { ...kept("calf_standing", EXAMPLES.straight), offers };
  const small = { ...press, share: press.share / 2, offers };
  const lines = [{ ...press, offers }, small, calf];
  const offered = (mostTissue: number) =>
    withinEdge(lines, exerciseOf, { sore: "knee", mostTissue }).map((l) => l.offers !== null);
  // lines of 2 and of 1, to each of which a quarter may come
  expect(offered(3.51)).toEqual([true, true, true]);
  expect(offered(3.49)).toEqual([false, true, true]);
  expect(offered(3.24)).toEqual([false, false, true]);
});
