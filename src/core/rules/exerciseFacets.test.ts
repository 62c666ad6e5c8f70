import { facetsOf } from "./exerciseFacets";
import { EXERCISES, type Exercise, exerciseById } from "./exercises";

const of = (id: string) => facetsOf(exerciseById(id) as Exercise);

test("every exercise of the catalogue can be found by muscle, joint, position and what it needs", () => {
  for (const e of EXERCISES) {
    const f = facetsOf(e);
    for (const list of [f.muscles, f.joints, f.positions, f.needs])
      expect([e.id, list.length > 0]).toEqual([e.id, true]);
    if (e.match.is_machine) expect(f.needs).toContain("machine");
  }
});

test("facets are those a colleague would name", () => {
  expect(of("lp_horizontal")).toMatchObject({
    muscles: ["quads", "glutes"],
    joints: ["knee", "hip"],
    positions: ["sitting"],
    needs: ["machine"],
  });
  expect(of("curl_lying")).toMatchObject({ muscles: ["hamstrings"], joints: ["knee"], positions: ["lying"] });
  expect(of("wall_sit").needs).toEqual(["nothing"]);
  expect(of("step_up").needs).toContain("step");
  expect(of("calf_seated")).toMatchObject({ muscles: ["calves"], joints: ["ankle"] });
  expect(of("str_hamstring")).toMatchObject({ muscles: ["hamstrings"], joints: ["knee"] });
});
