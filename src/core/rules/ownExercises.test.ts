import { exerciseUse, isAtHand, quietMachines } from "../selection/fit/exerciseUse";
import { fitExercise } from "../selection/fit/fitExercise";
import { barredByWeight } from "../selection/fit/weightOnLeg";
import { EXERCISES, type Exercise, exerciseById, exerciseProblem, likeOf } from "./exercises";

const got = (id: string): Exercise => {
  const e = exerciseById(id);
  if (!e) throw new Error(id);
  return e;
};
const own = (id: string, over: Partial<Exercise> = {}): Exercise => ({
  ...got(id),
  id: `own_${id}`,
  name: "Ours",
  like_id: id,
  ...over,
});

describe("an exercise of the clinic's own", () => {
  test("is bounded by every limit exactly as the one it is like, for the whole catalogue", () => {
    const bounds = [
      {},
      { knee_flexion_under_load: { low: 0, high: 90, word: null } },
      { resisted_knee_flexion: { low: null, high: null, word: "none" } },
      { open_chain_extension: { low: 45, high: 90, word: "arc" } },
      { weight_bearing: { low: null, high: null, word: "partial" } },
      { back_demand: { low: null, high: 1, word: null } },
    ] as never as Parameters<typeof fitExercise>[1][];
    for (const e of EXERCISES)
      for (const b of bounds) {
        const { status, reasons } = fitExercise(own(e.id), b);
        expect([e.id, status, reasons]).toEqual([e.id, fitExercise(e, b).status, fitExercise(e, b).reasons]);
      }
    // some rules go by name: without the one it is like they would be missed
    const missed = EXERCISES.filter((e) =>
      bounds.some((b) => {
        const [a, o] = [fitExercise(e, b), fitExercise(own(e.id, { like_id: undefined }), b)];
        return JSON.stringify(a.reasons) !== JSON.stringify(o.reasons) || a.status !== o.status;
      }),
    ).map((e) => e.id);
    expect(missed).toEqual(expect.arrayContaining(["slr_prone", "str_quad_kneeling"]));
    const bars = { mostN: null, barsPresses: "kilograms are missing" };
    for (const e of EXERCISES) expect(barredByWeight(own(e.id), bars)).toBe(barredByWeight(e, bars));
  });

  test("has a model only when somebody said it is done the same way", () => {
    expect(exerciseUse(own("lp_single"))).toBeNull();
    expect(exerciseUse(own("lp_single", { is_modelled_as_like: true }))).toBe(exerciseUse(got("lp_single")));
    expect(exerciseUse(own("wall_sit", { is_modelled_as_like: true }))).toBe(exerciseUse(got("wall_sit")));
    // what it stands on is needed either way
    expect(isAtHand(own("lp_single"), new Set())).toBe(false);
    expect(quietMachines(own("hip_abd"))).toEqual(["hip_abduction"]);
  });

  test("keeps what limits look at, and stays inside the angles of the one it is like", () => {
    const press = own("lp_single");
    expect(exerciseProblem(press)).toBeNull();
    expect(exerciseProblem({ ...press, cues: ["ours"], equipment: "our own press" })).toBeNull();
    expect(exerciseProblem({ ...press, like_id: undefined })?.field).toBe("like_id");
    expect(exerciseProblem({ ...press, like_id: "own_lp_single" })?.field).toBe("like_id");
    expect(exerciseProblem({ ...press, axial_load: "high" as never })?.sentence).toMatchObject({
      code: "input.like_bounds",
    });
    expect(exerciseProblem({ ...press, match: { ...press.match, weight_bearing_need: "none" } })?.field).toBe(
      "like_id",
    );
    const { min, max } = press.knee_angle_usable_deg;
    expect(
      exerciseProblem({ ...press, knee_angle_usable_deg: { min, max: max + 5 } })?.sentence,
    ).toMatchObject({
      code: "input.like_angles",
    });
    expect(exerciseProblem({ ...press, knee_angle_usable_deg: { min: min + 20, max } })).toBeNull();
  });

  test("the catalogue itself is bounded as itself", () => {
    for (const e of EXERCISES) {
      expect(likeOf(e)).toBe(e.id);
      expect(exerciseProblem(e)).toBeNull();
    }
    expect(exerciseProblem({ ...got("lp_single"), like_id: "wall_sit" })?.field).toBe("like_id");
  });
});
