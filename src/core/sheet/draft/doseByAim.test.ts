import fc from "fast-check";
import { leastOf, mostOf } from "../../bounds/inForce";
import { canBeDoneWith, HOME_THING_IDS, type HomeThing } from "../../rules/exerciseNeeds";
import { EXERCISES, exerciseById } from "../../rules/exercises";
import { bounded } from "../../testdata/bounded";
import { usualHoldDeg } from "../line/holdAngle";
import { scheme, setsOf } from "../schemes/scheme";
import { plainHolds, schemeByAim } from "./doseByAim";

const anyLimits = fc
  .record({ least: fc.integer({ min: 0, max: 6 }), most: fc.integer({ min: 3, max: 10 }) })
  .map(({ least, most }) => bounded({ reserve: { low: least }, felt_effort: { high: most } }));

test("every exercise has a usual dose for an aim or none, always a whole scheme inside what the phase asks", () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...EXERCISES),
      fc.constantFrom("rehab_activation", "endurance", "size", "strength"),
      anyLimits,
      fc.constantFrom(null, 10, 20),
      (e, aim, limits, mostS) => {
        const found = schemeByAim(e, aim, limits, { atDeg: 60, mostS });
        if (!found) {
          expect(e.dose_by_goal?.[aim]?.not_suited ?? true).toBe(true);
          return;
        }
        expect(scheme.parse(found)).toEqual(found);
        if (found.kind === "straight")
          expect(found.reserve).toBeGreaterThanOrEqual(leastOf(limits, "reserve"));
        if (found.kind !== "holds" || found.effort.kind !== "felt") return;
        expect(found.effort.felt).toBeLessThanOrEqual(mostOf(limits, "felt_effort"));
        expect(found.holdS).toBeLessThanOrEqual(mostS ?? 60);
      },
    ),
    { numRuns: 300 },
  );
});

test("a plain hold is as long as it may be", () => {
  expect(setsOf(plainHolds(4, { atDeg: 60, mostS: 10 }))[0]?.holds?.holdS).toBe(10);
});

test("the usual angle of a hold is sixty degrees or the nearest planned one inside; none where the knee has no say", () => {
  const press = exerciseById("lp_horizontal");
  const calf = exerciseById("calf_seated");
  if (!press || !calf) throw new Error("not in the catalogue");
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 120 }), fc.integer({ min: 0, max: 120 }), (a, b) => {
      const arc = { fromDeg: Math.min(a, b) + 0.4, toDeg: Math.max(a, b) + 0.4, cuts: [] };
      const deg = usualHoldDeg(press, arc);
      if (deg === null) {
        expect(arc.toDeg - arc.fromDeg).toBeLessThan(5);
        return;
      }
      expect(deg % 5).toBe(0);
      expect(deg).toBeGreaterThanOrEqual(arc.fromDeg);
      expect(deg).toBeLessThanOrEqual(arc.toDeg);
      if (arc.fromDeg <= 60 && arc.toDeg >= 60) expect(deg).toBe(60);
    }),
  );
  expect(usualHoldDeg(calf, { fromDeg: 0, toDeg: 90, cuts: [] })).toBeNull();
});

test.each<[string, HomeThing[], boolean]>([
  ["sit_to_stand", ["chair"], false],
  ["sit_to_stand", ["chair", "towel"], true],
  ["bridge_two", [], true],
  ["wall_sit", [], true],
  ["kext_ankle_weight", ["chair"], false],
  ["kext_ankle_weight", ["chair", "cuff"], true],
  ["kext_iso_band", ["chair", "towel"], true],
  ["curl_slider", [], false],
  ["curl_slider", ["towel"], true],
  ["step_up", [], false],
  ["step_up", ["step"], true],
  ["lp_horizontal", [...HOME_THING_IDS], false],
])("%s with %j at home: %s", (id, have, can) => {
  const e = exerciseById(id);
  if (!e) throw new Error(`no ${id}`);
  expect(canBeDoneWith(e, new Set(have))).toBe(can);
});

test("more things at home never take an exercise away", () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...EXERCISES),
      fc.subarray([...HOME_THING_IDS]),
      fc.constantFrom(...HOME_THING_IDS),
      (e, have, more) => {
        if (canBeDoneWith(e, new Set(have))) expect(canBeDoneWith(e, new Set([...have, more]))).toBe(true);
      },
    ),
  );
});
