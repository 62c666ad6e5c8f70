import fc from "fast-check";
import { exerciseById } from "../../rules/exercises";
import { rangeSheet } from "../../selection/rank/rangeSheet";
import { LEAST_WINDOW_DEG } from "../../sheet/line/scoreInput";
import { USUAL_ORDER } from "../../sheet/order/sessionScore";
import { ANGLE_STEP_DEG } from "../../sheet/schemes/parts";
import {
  AROUND_PAIN_DEG,
  aroundPain,
  comesInto,
  isWorthFinding,
  type PainfulArc,
  painfulByLine,
} from "../../strength/painfulArc";
import { draftFor, type Example } from "../../testdata/draftFor";
import { draftSession } from "../draftSession";

const arc = (over: Partial<PainfulArc> = {}): PainfulArc => ({
  moved: "extension",
  fromDeg: 20,
  toDeg: 40,
  loadKg: 10,
  pain: 4,
  on: "2026-03-02",
  ...over,
});
const KNEE: Example = {
  ...{ conditionId: "knee_oa", phaseId: "build", variantId: "moderate", irritability: "low" },
};

function drafted(painfulArcs: PainfulArc[], over: Partial<Example> = {}) {
  const { facts, context } = draftFor({ ...KNEE, ...over, painfulArcs });
  return draftSession(facts, rangeSheet(context.sheet), context, { place: "gym", minutes: 45 }, USUAL_ORDER);
}

test("windows stay beside what hurts by five degrees, in steps, and none is too narrow", () => {
  const deg = (max: number) => fc.integer({ min: 0, max: max / 5 }).map((n) => n * 5);
  fc.assert(
    fc.property(
      deg(60),
      deg(90),
      fc.integer({ min: 0, max: 130 }),
      fc.integer({ min: 5, max: 60 }),
      (from, wide, at, by) => {
        const span = { fromDeg: from, toDeg: from + wide };
        const painful = { fromDeg: at, toDeg: at + by };
        const beside = aroundPain(span, painful, { stepDeg: ANGLE_STEP_DEG, leastDeg: LEAST_WINDOW_DEG });
        for (const w of beside) {
          expect(comesInto(w, painful)).toBe(false);
          expect(w.toDeg - w.fromDeg).toBeGreaterThanOrEqual(LEAST_WINDOW_DEG);
          expect(w.fromDeg).toBeGreaterThanOrEqual(span.fromDeg);
          expect(w.toDeg).toBeLessThanOrEqual(span.toDeg);
        }
        // nothing that is wide enough beside it is withheld
        const room = [
          painful.fromDeg - AROUND_PAIN_DEG - span.fromDeg,
          span.toDeg - painful.toDeg - AROUND_PAIN_DEG,
        ];
        if (
          room.some((r) => r >= LEAST_WINDOW_DEG + ANGLE_STEP_DEG) &&
          wide >= LEAST_WINDOW_DEG + ANGLE_STEP_DEG
        )
          expect(beside.length).toBeGreaterThan(0);
      },
    ),
  );
  expect(
    aroundPain({ fromDeg: 0, toDeg: 90 }, { fromDeg: 60, toDeg: 80 }, { stepDeg: 5, leastDeg: 15 }),
  ).toEqual([{ fromDeg: 0, toDeg: 55 }]);
});

test("a draft goes around the angles that hurt in its own way of moving, and says so", () => {
  const was = drafted([]);
  const is = drafted([arc()]);
  const extension = is.lines.filter(
    (l) => exerciseById(l.exerciseId)?.match.class === "open_knee_extension" && l.scheme.kind !== "holds",
  );
  expect(extension.length).toBeGreaterThan(0);
  for (const l of extension) expect(l.window && comesInto(l.window, arc())).toBe(false);
  expect(is.notes).toContainEqual(expect.objectContaining({ code: "drafts.around_pain" }));
  // what a weak group asks for goes around it too
  const weak = drafted([arc({ moved: "flexion" })], { phaseId: "maintain", weak: ["hamstrings"] });
  const curl = weak.lines.find((l) => l.exerciseId === "curl_seated");
  expect(curl?.window && comesInto(curl.window, arc())).toBe(false);
  // presses are moved otherwise
  const press = (lines: typeof was.lines) => lines.find((l) => l.exerciseId === "lp_mid_hip")?.window;
  expect(press(is.lines)).toEqual(press(was.lines));
  const deep = drafted([arc({ moved: "closed", fromDeg: 45, toDeg: 90 })]);
  expect(press(deep.lines)).toMatchObject({ toDeg: 40 });
});

test("a hold sits beside what hurts; where nothing beside it is wide enough more is left in reserve", () => {
  const everywhere = drafted([arc({ fromDeg: 0, toDeg: 130 })]);
  expect(everywhere.notes).toContainEqual(expect.objectContaining({ code: "drafts.eased_in_pain" }));
  const single = everywhere.lines.find((l) => l.exerciseId === "kext_single")?.scheme;
  expect(single && "reserve" in single ? single.reserve : null).toBeGreaterThanOrEqual(5);
  const { facts, context } = draftFor({
    ...KNEE,
    phaseId: "flare",
    painfulArcs: [arc({ fromDeg: 57, toDeg: 78 })],
  });
  const { lines } = draftSession(
    facts,
    rangeSheet(context.sheet),
    context,
    { place: "gym", minutes: 45 },
    USUAL_ORDER,
  );
  const hold = lines.find((l) => l.exerciseId === "kext_iso_machine");
  const at = hold?.scheme.kind === "holds" ? hold.scheme.atDeg : null;
  expect(at).not.toBeNull();
  expect((at ?? 1) % ANGLE_STEP_DEG).toBe(0);
  expect(comesInto({ fromDeg: at ?? 0, toDeg: at ?? 0 }, { fromDeg: 57, toDeg: 78 })).toBe(false);
});

test("a line is told from others by its way of moving and by its angles, a hold by the one it is held at", () => {
  const line = (lineId: string, exerciseClass: string, fromDeg: number | null, toDeg: number | null) => ({
    ...{ lineId, exerciseClass, fromDeg, toDeg },
  });
  const told = painfulByLine(
    [
      line("through", "open_knee_extension", 10, 90),
      line("beside", "open_knee_extension", 45, 90),
      line("near", "open_knee_extension", 44, 90),
      line("held in it", "open_knee_extension", 30, 30),
      line("other way", "closed_knee", 10, 90),
      line("no angle", "open_knee_extension", null, null),
    ],
    [arc()],
  );
  expect(told).toEqual({ through: arc(), near: arc(), "held in it": arc() });
});

test("where it hurts is worth finding from two points above the usual on", () => {
  const at = (painDuring: number | null) => isWorthFinding({ painDuring, usualPain: 1 });
  expect([null, 1, 2, 3, 6].map(at)).toEqual([false, false, false, true, true]);
});
