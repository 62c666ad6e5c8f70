import { exerciseById } from "../rules/exercises";
import { allowedArc } from "../selection/fit/allowedArc";
import { exerciseUse } from "../selection/fit/exerciseUse";
import { machineFor } from "../selection/setUp/machineFor";
import { ROUNDED_DEG, type Station, stationOf } from "../selection/setUp/station";
import { TRUNK } from "../selection/setUp/stops";
import { type Reach, withReach } from "./reach";
import { type Body, bodyFrom } from "./segments";

const NONE: Reach = { hipBendDeg: null, straightLegRaiseDeg: null, kneeToWallCm: null, pelvisRollsDeg: {} };
const PLAIN = bodyFrom(75, 1.75);
const OPEN = { shortOfStraightDeg: null, bendDeg: null };

/** An exercise set up on a usual machine for a body. */
function setUp(id: string, body: Body, machineId: string | null = null, toDeg = 180): Station {
  const e = exerciseById(id);
  const use = e && exerciseUse(e);
  const open = e && allowedArc(e, {}, OPEN);
  const allowed = open && { ...open, toDeg: Math.min(open.toDeg, toDeg) };
  if (!e || !use || !allowed) throw new Error(id);
  const found = stationOf(e, use, { ...machineFor(use, []), id: machineId }, allowed, { body, limits: {} });
  if ("code" in found) throw new Error(found.code);
  return found;
}
/** The notch of the back, and how far the pelvis rolls at most. */
const back = (s: Station) => Object.entries(s.settings).find(([key]) => TRUNK.has(key))?.[1] as number;
const roundsDeg = (s: Station): number => Math.max(...s.inside.map((a) => a.pelvicTuckDeg));

test("nothing measured is the usual body; each value takes the place of its fixed number, inside the model's range", () => {
  expect(withReach(PLAIN, NONE)).toBe(PLAIN);
  expect(PLAIN).toMatchObject({ straightLegRaiseDeg: 75, dorsiflexionMaxDeg: 35 });
  // lying, the pelvis gives 15 degrees of a hip's bend
  expect(withReach(PLAIN, { ...NONE, hipBendDeg: 95 }).hipFlexionMaxDeg).toBe(80);
  expect(withReach(PLAIN, { ...NONE, straightLegRaiseDeg: 55 }).straightLegRaiseDeg).toBe(55);
  expect(withReach(PLAIN, { ...NONE, kneeToWallCm: 5 }).dorsiflexionMaxDeg).toBeCloseTo(18);
  expect(withReach(PLAIN, { ...NONE, kneeToWallCm: 25 }).dorsiflexionMaxDeg).toBe(50);
  expect(withReach(PLAIN, { ...NONE, straightLegRaiseDeg: 10 }).straightLegRaiseDeg).toBe(30);
});

test.each(["curl_seated", "kext_full", "lp_horizontal"])(
  "%s: a straight-leg raise of 55° instead of 75° leans the back further, as far as it takes",
  (id) => {
    const [short, usual] = [55, 75].map((deg) =>
      setUp(id, withReach(PLAIN, { ...NONE, straightLegRaiseDeg: deg }), null, 60),
    );
    expect(back(short as Station)).toBeGreaterThan(back(usual as Station));
    expect(short?.arc).toEqual(usual?.arc);
    expect(roundsDeg(short as Station)).toBeLessThanOrEqual(ROUNDED_DEG);
  },
);

test("nobody's back is leant by a number that was never measured", () => {
  const assumed: Body = { ...PLAIN, straightLegRaiseDeg: 55 };
  for (const id of ["curl_seated", "kext_full", "lp_horizontal"])
    expect(back(setUp(id, assumed))).toBe(back(setUp(id, PLAIN)));
});

test("where the pelvis was seen to roll on a machine its depth stops before, on that machine alone", () => {
  const seen = withReach(PLAIN, { ...NONE, pelvisRollsDeg: { here: 80 } });
  const plain = setUp("lp_horizontal", PLAIN, "here");
  expect(plain.arc.toDeg).toBeGreaterThan(80);
  const stopped = setUp("lp_horizontal", seen, "here");
  expect(stopped.arc.toDeg).toBeLessThanOrEqual(75);
  expect(stopped.arc.cuts.map((c) => c.because)).toContainEqual(
    expect.objectContaining({ code: "setUp.pelvis_seen" }),
  );
  expect(setUp("lp_horizontal", seen, "there").arc).toEqual(plain.arc);
});

test("a stiff ankle lifts the heel where a supple one does not", () => {
  const heels = (cm: number): boolean =>
    setUp("sq_hack", withReach(PLAIN, { ...NONE, kneeToWallCm: cm })).angles.some((a) => a.heelLifts);
  expect(heels(3)).toBe(true);
  expect(heels(14)).toBe(false);
});
